/** First wait and longest wait before something is tried again, ms. */
const FIRST = 2000;
const LONGEST = 60_000;

/**
 * How long to wait before the next try, ms: twice as long after each failure, a minute at most, and
 * somewhere in the upper half of it, so that a class whose reception comes back does not knock at once.
 *
 * @param failures failures in a row, 0 or more.
 * @param chance a draw from 0 up to 1.
 * @example nextTry(0, 0.5) // 1500
 * @example nextTry(9, 1) // 60000
 */
export function nextTry(failures: number, chance: number): number {
  const longest = Math.min(LONGEST, FIRST * 2 ** Math.min(failures, 10));
  return Math.round(longest * (0.5 + chance / 2));
}
