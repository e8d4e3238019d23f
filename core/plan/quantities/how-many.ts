import { binomialTail } from '../../statistics/binomial-tail';
import { logistic } from '../../statistics/logistic';
import type { NewWorkshopTake } from './new-workshop-take';

/** More than this many a person no workshop makes; asked for, the promise is too much. */
export const MOST_EACH = 60;

export interface KeeperPromise {
  /** Living grafts promised to each person. */
  keepers: number;
  people: number;
  /** Wished confidence, above 0 and below 1. */
  confidence: number;
}

export interface HowMany {
  /** For each person to keep the promise with the wished confidence; null when even {@link MOST_EACH} are too few. */
  each: number | null;
  /** For everybody at once to keep it with that confidence, nobody sharing. */
  everybody: number | null;
  /** Made in all, when what one has over goes to who has too few. */
  pooled: number | null;
}

/**
 * How many grafts to make so that the promise is kept.
 *
 * @throws RangeError for nobody, or a confidence that is not between 0 and 1.
 */
export function howMany({ keepers, people, confidence }: KeeperPromise, take: NewWorkshopTake): HowMany {
  if (!(people >= 1))
    throw new RangeError('Nobody is seated yet. Add people to the roster, or say how many are expected.');
  if (!(confidence > 0 && confidence < 1))
    throw new RangeError('A confidence lies between 0 and 100 %, both left out.');
  if (keepers === 0) return { each: 0, everybody: 0, pooled: 0 };
  const promised = keepers * people;
  return {
    each: smallest(keepers, MOST_EACH, (n) => chanceOfLiving(n, keepers, take) >= confidence),
    everybody: smallest(keepers, MOST_EACH, (n) => allAtOnce(n, keepers, people, take) >= confidence),
    pooled: smallest(promised, MOST_EACH * people, (n) => chanceOfLiving(n, promised, take) >= confidence),
  };
}

/** The smallest count from `from` to `most` that is enough, null when none is. More never makes it less likely, so it is halved. */
function smallest(from: number, most: number, enough: (n: number) => boolean): number | null {
  if (from > most || !enough(most)) return null;
  let [low, high] = [from, most];
  while (low < high) {
    const middle = Math.floor((low + high) / 2);
    if (enough(middle)) high = middle;
    else low = middle + 1;
  }
  return low;
}

/** Probability that of `n` grafts at least `k` live, whatever the take of the workshop turns out to be. */
export function chanceOfLiving(n: number, k: number, take: NewWorkshopTake): number {
  return averaged(take, (p) => binomialTail(n, k, p));
}

/**
 * Probability that each of `people` gets at least `k` living grafts of `n`. They share one unknown take, so it is averaged
 * over that and not multiplied person by person.
 */
export function allAtOnce(n: number, k: number, people: number, take: NewWorkshopTake): number {
  return averaged(take, (p) => binomialTail(n, k, p) ** people);
}

/** Chances so small change no sum. */
const NOTHING = 1e-10;

function averaged({ logOdds, chances }: NewWorkshopTake, chanceAt: (take: number) => number): number {
  let sum = 0;
  for (let i = 0; i < chances.length; i++)
    if (chances[i]! > NOTHING) sum += chances[i]! * chanceAt(logistic(logOdds[i]!));
  return sum;
}
