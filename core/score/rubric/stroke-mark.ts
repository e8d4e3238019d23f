import type { Point } from '../../methods/method';
import type { PointGrade } from '../../contact/grade';

/**
 * What counted strokes mark: nothing while they are within the limit, poor for up to two more, a
 * recut beyond. Source: usual practice, judging a union.
 *
 * @returns undefined for a point whose strokes are not counted, and for a good count.
 */
export function strokeMark({ strokesGood }: Pick<Point, 'strokesGood'>, strokes: number): PointGrade | undefined {
  if (strokesGood === undefined || strokes <= strokesGood) return undefined;
  return strokes <= strokesGood + 2 ? 'poor' : 'recut';
}
