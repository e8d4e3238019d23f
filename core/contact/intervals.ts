/** A stretch of a line, `from` < `to`, mm. */
export interface Interval {
  from: number;
  to: number;
}

/** What two lists of stretches have in common, each list in order and without overlaps. */
export function intersect(first: Interval[], other: Interval[]): Interval[] {
  const shared: Interval[] = [];
  for (const a of first) {
    for (const b of other) {
      const from = Math.max(a.from, b.from);
      const to = Math.min(a.to, b.to);
      if (to > from) shared.push({ from, to });
    }
  }
  return shared;
}

/** Sum of the lengths of some stretches. */
export function totalLength(intervals: Interval[]): number {
  return intervals.reduce((sum, { from, to }) => sum + to - from, 0);
}
