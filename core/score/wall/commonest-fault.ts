import type { Point } from '../../methods/method';
import type { PointGrade } from '../../contact/grade';

export interface CommonFault {
  point: Point;
  times: number;
  outOf: number;
  /** Index of the latest union that has it, to show. */
  at: number;
}

/** Unions that are about now, and the fewest that make a fault common. */
const LATEST = 20;
const COMMON = 2;

/** The point most often found wanting in the latest unions of a room; a fatal one counts double. Null when none is common. */
export function commonestFault(unions: readonly { point: Point; grade: PointGrade }[][]): CommonFault | null {
  const from = Math.max(0, unions.length - LATEST);
  const counts = new Map<string, { point: Point; times: number; worth: number; at: number }>();
  for (let at = from; at < unions.length; at++) {
    for (const { point, grade } of unions[at]!) {
      if (grade === 'good' || grade === 'not-looked-at') continue;
      const known = counts.get(point.id);
      counts.set(point.id, {
        point,
        times: (known?.times ?? 0) + 1,
        worth: (known?.worth ?? 0) + (grade === 'fatal' ? 2 : 1),
        at,
      });
    }
  }
  const [worst] = [...counts.values()]
    .filter(({ times }) => times >= COMMON)
    .sort((a, b) => b.worth - a.worth || b.times - a.times);
  return worst ? { point: worst.point, times: worst.times, outOf: unions.length - from, at: worst.at } : null;
}
