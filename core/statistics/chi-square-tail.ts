import normalCdf from '@stdlib/stats-base-dists-normal-cdf';

/**
 * Chance that a chi-square of some whole degrees of freedom is at least `x`: from one or two degrees upward by recurrence.
 *
 * @throws RangeError for degrees that are no whole number from 1 on
 * @example chiSquareTail(3.841, 1) // 0.05
 */
export function chiSquareTail(x: number, degrees: number): number {
  if (!(Number.isInteger(degrees) && degrees >= 1))
    throw new RangeError('Degrees of freedom are a whole number from 1 on.');
  if (x <= 0) return 1;
  const odd = degrees % 2 === 1;
  let tail = odd ? 2 * normalCdf(-Math.sqrt(x), 0, 1) : Math.exp(-x / 2);
  // (x / 2)^(k / 2) exp(-x / 2) / gamma(k / 2 + 1), for k = 1 or 2 and on.
  let term = odd ? (Math.sqrt(x / 2) * Math.exp(-x / 2)) / (Math.sqrt(Math.PI) / 2) : (x / 2) * Math.exp(-x / 2);
  for (let k = odd ? 1 : 2; k < degrees; k += 2) {
    tail += term;
    term *= x / 2 / (k / 2 + 1);
  }
  return Math.min(1, tail);
}
