/**
 * Krippendorff's alpha: agreement of any number of assessors, values missing allowed. 1 is perfect,
 * 0 is what chance would give. Null when nothing was scored twice or all values are one.
 * Source: Krippendorff, Computing Krippendorff's Alpha-Reliability, 2011.
 *
 * @param units values given to each unit, by whoever gave one.
 * @param metric `ordinal` for grades in order, `interval` for scores.
 */
export function krippendorffAlpha(
  units: readonly (readonly number[])[],
  metric: 'ordinal' | 'interval',
): number | null {
  const paired = units.filter(({ length }) => length > 1);
  const counts = new Map<number, number>();
  for (const value of paired.flat()) counts.set(value, (counts.get(value) ?? 0) + 1);
  // By value and not by judgement: there are few grades, however many unions.
  const values = [...counts.keys()].sort((a, b) => a - b);
  const n = [...counts.values()].reduce((sum, count) => sum + count, 0);
  if (n === 0) return null;
  if (metric === 'interval')
    return fromDisagreement(
      paired.reduce((sum, unit) => sum + (2 * spread(unit)) / (unit.length - 1), 0),
      (2 * spread(paired.flat())) / (n - 1),
    );
  const place = new Map(values.map((value, i) => [value, i]));
  const ranks = values.map((value) => counts.get(value)!);
  const squares = values.map((_, i) => values.map((__, k) => ordinalDifference(ranks, i, k)));
  let observed = 0;
  for (const unit of paired) {
    const own = new Map<number, number>();
    for (const value of unit) own.set(place.get(value)!, (own.get(place.get(value)!) ?? 0) + 1);
    for (const [i, a] of own)
      for (const [k, b] of own) if (i !== k) observed += (a * b * squares[i]![k]!) / (unit.length - 1);
  }
  let expected = 0;
  for (const [i, a] of ranks.entries())
    for (const [k, b] of ranks.entries()) if (i !== k) expected += (a * b * squares[i]![k]!) / (n - 1);
  return fromDisagreement(observed, expected);
}

function fromDisagreement(observed: number, expected: number): number | null {
  return expected === 0 ? null : 1 - observed / expected;
}

/** Half the sum of the squared differences of all ordered pairs: n times the sum of squares about the mean. */
function spread(values: readonly number[]): number {
  // From the first value on, so that values all alike differ by nothing at all.
  const shifted = values.map((value) => value - values[0]!);
  const mean = shifted.reduce((sum, value) => sum + value, 0) / shifted.length;
  return shifted.length * shifted.reduce((sum, value) => sum + (value - mean) ** 2, 0);
}

/** Square of how many values lie between two, half of each end's own counted. */
function ordinalDifference(counts: readonly number[], i: number, k: number): number {
  const [low, high] = i < k ? [i, k] : [k, i];
  const between = counts.slice(low, high + 1).reduce((sum, count) => sum + count, 0);
  return (between - (counts[low]! + counts[high]!) / 2) ** 2;
}
