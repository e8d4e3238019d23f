import type { Method, Point } from '../../methods/method';
import type { Choices } from '../../methods/school';
import { pointsOf } from '../../methods/shown-technique';
import type { Grade } from '../../contact/grade';

/** Other words for a point. */
export interface PointWords {
  name?: string;
  good?: string;
  correction?: string;
  faults?: Partial<Record<Grade, string>>;
}

/** A method's points in a rule's words. */
export function wordedPoints(method: Method, rule: { schools?: Choices; words?: Record<string, PointWords> }): Point[] {
  return pointsOf(method, rule.schools).map((point) => {
    const words = rule.words?.[point.id];
    if (!words) return point;
    return {
      ...point,
      name: words.name ?? point.name,
      good: words.good ?? point.good,
      correction: words.correction ?? point.correction,
      faults: point.faults.map((fault) => ({ ...fault, words: words.faults?.[fault.grade] ?? fault.words })),
    };
  });
}
