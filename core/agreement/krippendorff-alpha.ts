/**
 * Krippendorff's alpha: agreement of any number of assessors, values missing allowed. 1 is perfect,
 * 0 is what chance would give. Null when nothing was scored twice or all values are one.
 * Source: Krippendorff, Computing Krippendorff's Alpha-Reliability, 2011.
 *
 * @param units values given to each unit, by whoever gave one.
 * @param metric `ordinal` for grades in order, `interval` for scores.
 */
export function krippendorffAlpha(units: readonly (readonly number[])[], metric: 'ordinal' | 'interval'): number | null {
  const paired = units.filter(({ length }) => length > 1);
  const values = paired.flat();
  const n = values.length;
  if (n === 0) return null;
  const difference = metric === 'interval' ? (a: number, b: number) => (a - b) ** 2 : ordinalDifference(values);
  let observed = 0;
  for (const unit of paired) {
    for (const [i, a] of unit.entries()) for (const [k, b] of unit.entries()) if (i !== k) observed += difference(a, b) / (unit.length - 1);
  }
  let expected = 0;
  for (const [i, a] of values.entries()) for (const [k, b] of values.entries()) if (i !== k) expected += difference(a, b) / (n - 1);
  return expected === 0 ? null : 1 - observed / expected;
}

/** Square of how many values lie between two, half of each end's own counted. */
function ordinalDifference(values: readonly number[]): (a: number, b: number) => number {
  const counts = new Map<number, number>();
  for (const value of values) counts.set(value, (counts.get(value) ?? 0) + 1);
  const ranks = [...counts.keys()].sort((a, b) => a - b);
  return (a, b) => {
    const [low, high] = a < b ? [a, b] : [b, a];
    const between = ranks.filter((rank) => rank >= low && rank <= high).reduce((sum, rank) => sum + counts.get(rank)!, 0);
    return (between - (counts.get(low)! + counts.get(high)!) / 2) ** 2;
  };
}
