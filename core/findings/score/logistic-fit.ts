import { extent } from '../../statistics/extent';
import { logisticRegression } from '../../statistics/logistic-regression';
import { checkScoresAndFates, type ScoreAndFate } from './score-and-fate';

export interface LogisticFit {
  /** Log odds of living at a score of 80, and what ten points add. */
  intercept: number;
  interceptError: number;
  per10: number;
  per10Error: number;
  /** Chance of living foretold for each union. */
  fitted: number[];
}

/** Where the score is counted from: the fit's intercept is the log odds there. */
export const SCORE_CENTRE = 80;

/**
 * Logistic fit of living on (score - 80) / 10, with standard errors.
 *
 * @throws RangeError when all lived or all died, all scores are equal, or the scores part the dead from the living
 * @example logisticFit([{ score: 70, alive: false }, { score: 70, alive: true }, …])
 */
export function logisticFit(known: readonly ScoreAndFate[]): LogisticFit {
  checkScoresAndFates(known);
  const scores = known.map(({ score }) => score);
  const all = extent(scores);
  if (all.least === all.greatest)
    throw new RangeError(`All scores are ${scores[0]}: what the score foretells needs different ones.`);
  const range = (alive: boolean): number[] => known.filter((union) => union.alive === alive).map(({ score }) => score);
  const [living, dead] = [extent(range(true)), extent(range(false))];
  if (living.least >= dead.greatest || living.greatest <= dead.least)
    throw new RangeError('No slope can be fitted: the values of the dead and of the living meet in one at most.');
  const fit = logisticRegression(
    scores.map((score) => [1, tens(score)]),
    known.map(({ alive }) => Number(alive)),
  );
  return {
    intercept: fit.coefficients[0]!,
    interceptError: fit.standardErrors[0]!,
    per10: fit.coefficients[1]!,
    per10Error: fit.standardErrors[1]!,
    fitted: fit.fitted,
  };
}

/** The score in tens, counted from the centre. */
export const tens = (score: number): number => (score - SCORE_CENTRE) / 10;
