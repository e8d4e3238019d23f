import { calibration } from '@/core/findings/score/calibration';
import { isotonicAt } from '@/core/findings/score/isotonic-fit';
import { aliveIn, modelCommand, numberIn } from './model-command';

/*
 * npm run -s calibration -- FILE.csv
 * Reads score and alive, a judged keeper a row, and prints as JSON what the score foretells; the isotonic fit at every
 * whole score.
 */
modelCommand({
  name: 'calibration',
  needs: ['score', 'alive'],
  answer: ({ rows }) => {
    const found = calibration(rows.map((row, at) => ({ score: numberIn(row, 'score', at), alive: aliveIn(row, at) })));
    return {
      logit_intercept: found.logistic.intercept,
      logit_intercept_se: found.logistic.interceptError,
      logit_per_10: found.logistic.per10,
      logit_per_10_se: found.logistic.per10Error,
      brier_logit: found.brier,
      brier_base: found.brierBase,
      auc: found.c,
      auc_se_delong: found.standardError,
      reliability: found.reliability,
      resolution: found.resolution,
      uncertainty: found.uncertainty,
      ...Object.fromEntries(
        Array.from({ length: 101 }, (_, score) => [`isotonic_at_${score}`, isotonicAt(found.isotonic, score)]),
      ),
    };
  },
});
