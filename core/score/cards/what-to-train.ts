import type { Prose } from '../../units/prose';
import type { Point } from '../../methods/method';
import { GRADE_VALUE, type PointGrade } from '../../contact/grade';

export interface ToTrain {
  point: string;
  name: string;
  /** In how many of the unions looked at it was not good, and out of how many. */
  times: number;
  outOf: number;
  how: Prose;
}

/** Unions that count for it: what somebody did at first they have mostly mended. */
const LAST = 4;

/**
 * The points that cost somebody most in their last unions, worst first.
 *
 * @param unions grades of each union, in the order they were made.
 * @param said movement worked out for the last union, by point; goes before the point's general word.
 */
export function whatToTrain(
  unions: readonly { point: Point; grade: PointGrade }[][],
  weights: Readonly<Record<string, number>>,
  said: Readonly<Record<string, Prose>>,
  count = 2,
): ToTrain[] {
  const last = unions.slice(-LAST);
  const lost = new Map<string, { point: Point; times: number; worth: number }>();
  for (const [age, grades] of [...last].reverse().entries()) {
    for (const { point, grade } of grades) {
      if (grade === 'not-looked-at' || grade === 'good') continue;
      const known = lost.get(point.id) ?? { point, times: 0, worth: 0 };
      // What went wrong last counts most.
      const worth = (weights[point.id] ?? 0) * (1 - GRADE_VALUE[grade]) * (grade === 'fatal' ? 2 : 1) * 0.8 ** age;
      lost.set(point.id, { point, times: known.times + 1, worth: known.worth + worth });
    }
  }
  return [...lost.values()]
    .sort((a, b) => b.worth - a.worth)
    .slice(0, count)
    .map(({ point, times }) => ({
      point: point.id,
      name: point.name,
      times,
      outOf: last.length,
      how: said[point.id] ?? point.correction,
    }));
}
