import { Z95 } from './normal-points';

export interface Interval {
  low: number;
  high: number;
}

/**
 * Wilson's score interval for a proportion: `successes` of `trials`, at 95 % unless another z is asked for. Unlike the plain
 * normal interval it stays within 0 and 1 and keeps its width at 0 and at all.
 * Source: E. B. Wilson, "Probable inference, the law of succession, and statistical inference",
 * Journal of the American Statistical Association 22 (1927).
 *
 * @returns null for no trials: nothing is known.
 * @throws RangeError when the counts are not whole or successes exceed trials.
 * @example wilsonInterval(81, 263) // { low: 0.2553, high: 0.3662 }
 */
export function wilsonInterval(successes: number, trials: number, z = Z95): Interval | null {
  if (!Number.isInteger(successes) || !Number.isInteger(trials) || successes < 0 || trials < 0) {
    throw new RangeError('Counts must be whole numbers of 0 or more.');
  }
  if (successes > trials) throw new RangeError('There cannot be more successes than trials.');
  if (trials === 0) return null;
  const share = successes / trials;
  const zz = z * z;
  const centre = (share + zz / (2 * trials)) / (1 + zz / trials);
  const half = (z / (1 + zz / trials)) * Math.sqrt((share * (1 - share)) / trials + zz / (4 * trials * trials));
  return { low: Math.max(0, centre - half), high: Math.min(1, centre + half) };
}
