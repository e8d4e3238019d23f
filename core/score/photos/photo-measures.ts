import { ROUNDING } from '@/core/units/tolerance';
import type { PhotoPoint } from './photo-scale';

/** Length of a straight stretch, mm. */
export function lengthBetween(a: PhotoPoint, b: PhotoPoint, perPixel: number): number {
  return Math.hypot(b.x - a.x, b.y - a.y) * perPixel;
}

/**
 * Angle at `corner` between two arms, 0 to 180 degrees.
 *
 * @throws RangeError when a mark lies on the corner.
 */
export function angleAt(corner: PhotoPoint, a: PhotoPoint, b: PhotoPoint): number {
  const [ax, ay, bx, by] = [a.x - corner.x, a.y - corner.y, b.x - corner.x, b.y - corner.y];
  if (Math.hypot(ax, ay) < ROUNDING || Math.hypot(bx, by) < ROUNDING)
    throw new RangeError('A mark lies on the corner itself. Set it further out along the edge.');
  return (Math.abs(Math.atan2(ax * by - ay * bx, ax * bx + ay * by)) * 180) / Math.PI;
}

/**
 * Depth of a hollow: how far `deepest` lies off the straight edge from `a` to `b`, mm.
 *
 * @throws RangeError when the ends are one point.
 */
export function hollowDepth(a: PhotoPoint, b: PhotoPoint, deepest: PhotoPoint, perPixel: number): number {
  const along = Math.hypot(b.x - a.x, b.y - a.y);
  if (along < ROUNDING) throw new RangeError('Set the two ends of the face apart.');
  return (Math.abs((b.x - a.x) * (deepest.y - a.y) - (b.y - a.y) * (deepest.x - a.x)) / along) * perPixel;
}
