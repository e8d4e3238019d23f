import { percent } from '../../units/percent';
import { Z90 } from '../../statistics/normal-points';
import { logistic } from '../../statistics/logistic';
import type { Calibration } from '../score/calibration';
import { tens } from '../score/logistic-fit';

/** Take that a score foretells, by the logistic fit. */
export function foretold({ logistic: fit }: Calibration, score: number): number {
  return logistic(fit.intercept + fit.per10 * tens(score));
}

/**
 * What the score foretells, in a sentence; it claims nothing whose 90 % interval holds no slope at all.
 *
 * @param what "score" or "contact"
 */
export function scoreSentence(found: Calibration, what: string, unit: (value: number) => string): string {
  const { per10, per10Error } = found.logistic;
  const [low, high] = [per10 - Z90 * per10Error, per10 + Z90 * per10Error];
  if (low <= 0 && high >= 0)
    return `Whether the ${what} foretells anything cannot be told from these: more and less would both fit.`;
  if (high < 0) return `The higher the ${what}, the fewer lived: look at how it was judged before you trust it.`;
  return `A ${what} of ${unit(60)} foretells a take of ${percent(foretold(found, 60))}, ${unit(80)} one of ${percent(foretold(found, 80))} and ${unit(95)} one of ${percent(foretold(found, 95))}; each ten points ${factorWords(low, high)}.`;
}

function factorWords(low: number, high: number): string {
  const times = (value: number): string => Math.exp(value).toFixed(1);
  return `multiply the odds of living by ${times(low)} to ${times(high)}`;
}
