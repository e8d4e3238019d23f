/**
 * Holm's adjusted p values: for each test the smallest level at which its hypothesis is rejected when all are tested together.
 * Source: S. Holm, "A simple sequentially rejective multiple test procedure", Scandinavian Journal of Statistics 6 (1979).
 *
 * @param tests how many were looked at, where more were than have a p here
 * @example holm([0.01, 0.04, 0.03]) // [0.03, 0.06, 0.06]
 */
export function holm(p: readonly number[], tests = p.length): number[] {
  const order = p.map((_, i) => i).sort((a, b) => p[a]! - p[b]!);
  const adjusted = new Array<number>(p.length);
  let greatest = 0;
  order.forEach((i, rank) => {
    greatest = Math.max(greatest, Math.min(1, (tests - rank) * p[i]!));
    adjusted[i] = greatest;
  });
  return adjusted;
}
