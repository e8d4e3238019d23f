import type { TakeBelief } from './take-belief';

/**
 * Probability of at least `k` successes in `n` tries whose chance is itself uncertain, Beta(a, b).
 *
 * @throws RangeError unless n and k are whole, n is 0 or more, and a and b are above 0.
 * @example betaBinomialTail(2, 1, { a: 1, b: 1 }) // 2/3
 */
export function betaBinomialTail(n: number, k: number, { a, b }: Pick<TakeBelief, 'a' | 'b'>): number {
  if (!Number.isInteger(n) || !Number.isInteger(k) || n < 0)
    throw new RangeError('Tries and successes are whole numbers, 0 or more.');
  if (!(a > 0) || !(b > 0)) throw new RangeError('Both figures of a Beta distribution are above 0.');
  if (k <= 0) return 1;
  if (k > n) return 0;
  // P(X = n), then down by the ratio of neighbours.
  let term = 1;
  for (let i = 0; i < n; i++) term *= (a + i) / (a + b + i);
  let tail = 0;
  for (let i = n; i >= k; i--) {
    tail += term;
    if (i > 0) term *= (i / (n - i + 1)) * ((b + n - i) / (a + i - 1));
  }
  return Math.min(1, tail);
}
