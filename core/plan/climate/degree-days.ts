/**
 * Degree days of one day above `base`, the day taken as a sine between its lowest and highest
 * temperature: G. L. Baskerville and P. Emin, Ecology 50 (1969), 514-517.
 *
 * @param low, high degC; `high` not under `low`.
 * @throws RangeError when the highest is under the lowest.
 * @example degreeDays(10, 20, 5) // 10
 */
export function degreeDays(low: number, high: number, base: number): number {
  if (high < low) throw new RangeError('The highest temperature of a day cannot be under its lowest.');
  const mean = (low + high) / 2;
  if (low >= base) return mean - base;
  if (high <= base) return 0;
  const swing = (high - low) / 2;
  const from = Math.asin((base - mean) / swing);
  return ((mean - base) * (Math.PI / 2 - from) + swing * Math.cos(from)) / Math.PI;
}
