import { logistic } from '../../statistics/logistic';
import type { Calibration } from '../score/calibration';
import { tens } from '../score/logistic-fit';
import type { ScoreSlope } from '../score/score-slope';

/** Take that a measure foretells by the plain logistic fit, whatever else differs. */
export function foretold({ logistic: fit }: Calibration, score: number): number {
  return logistic(fit.intercept + fit.per10 * tens(score));
}

/** What the score means for the same hand on the same day, in a sentence that claims nothing the interval leaves open. */
export function slopeSentence({ claims, untold, low, high, bins, keepers, workshops }: ScoreSlope): string {
  if (untold !== null) return `What a score foretells cannot be told from these keepers. ${untold}`;
  if (claims) {
    const [lowest, highest] = [bins[0], bins.at(-1)];
    const boxes =
      lowest && highest && lowest !== highest
        ? ` Of 100 average keepers scored ${highest.from} to ${highest.to} about ${highest.wouldLive} would live, of 100 scored ${lowest.from} to ${lowest.to} about ${lowest.wouldLive}.`
        : '';
    return `The higher the score, the more live, for the same hand on the same day.${boxes}`;
  }
  if (high < 0)
    return `No effect of the score can be seen in ${keepers} judged keepers of ${workshops} workshops: for the same hand on the same day higher scores did not live oftener.`;
  return `Whether a higher score lives oftener cannot be said yet: for the same hand on the same day ten points may change the odds of living by anything from ${times(low)} to ${times(high)}.`;
}

const times = (value: number): string => `× ${Math.exp(value).toFixed(2)}`;
