/**
 * Quantile of values in rising order, between neighbours by straight lines (R's type 7); null of none.
 *
 * @throws RangeError for a share outside 0 to 1
 * @example quantile([1, 2, 3, 4], 0.5) // 2.5
 */
export function quantile(rising: readonly number[], share: number): number | null {
  if (!(share >= 0 && share <= 1)) throw new RangeError('A quantile lies between 0 and 1.');
  if (rising.length === 0) return null;
  const at = share * (rising.length - 1);
  const below = rising[Math.floor(at)]!;
  return below + (at % 1) * (rising[Math.ceil(at)]! - below);
}
