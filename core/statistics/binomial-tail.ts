import betainc from '@stdlib/math-base-special-betainc';

/**
 * Probability of at least `k` successes in `n` tries of chance `p`.
 *
 * @throws RangeError unless n and k are whole, n is 0 or more and p lies in 0 to 1.
 * @example binomialTail(2, 1, 0.5) // 0.75
 */
export function binomialTail(n: number, k: number, p: number): number {
  if (!Number.isInteger(n) || !Number.isInteger(k) || n < 0)
    throw new RangeError('Tries and successes are whole numbers, 0 or more.');
  if (!(p >= 0 && p <= 1)) throw new RangeError('A chance lies between 0 and 1.');
  if (k <= 0) return 1;
  if (k > n) return 0;
  // The regularised incomplete beta function is this tail itself, so that small ones keep their figures.
  return betainc(p, k, n - k + 1);
}
