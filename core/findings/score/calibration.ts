import { brierScore } from './brier-score';
import { type CStatistic, cStatistic } from './c-statistic';
import { type IsotonicFit, isotonicFit } from './isotonic-fit';
import { type LogisticFit, logisticFit } from './logistic-fit';
import { type MurphyParts, murphyParts } from './murphy-parts';
import type { ScoreAndFate } from './score-and-fate';

/** What the score foretells. */
export interface Calibration extends CStatistic, MurphyParts {
  logistic: LogisticFit;
  isotonic: IsotonicFit;
  /** Brier score of the logistic fit, and of foretelling the base rate of all. */
  brier: number;
  brierBase: number;
}

/**
 * What a score foretells of living: fits, how well they foretell, and how well they part.
 *
 * @param known keepers that were judged themselves, with a known fate
 * @throws RangeError when all lived or died, or the scores say nothing (all equal, or parting both completely)
 */
export function calibration(known: readonly ScoreAndFate[]): Calibration {
  const logistic = logisticFit(known);
  const alive = known.map((union) => union.alive);
  const base = alive.filter(Boolean).length / alive.length;
  return {
    logistic,
    isotonic: isotonicFit(known),
    brier: brierScore(logistic.fitted, alive),
    brierBase: brierScore(
      alive.map(() => base),
      alive,
    ),
    ...cStatistic(known),
    ...murphyParts(known, logistic.fitted),
  };
}
