import { TOLERANCE } from '@/core/units/tolerance';
import type { Interval } from './intervals';

/**
 * Where along a hollow face of length L the faces stand no further apart than `limit`: the gap is
 * the parabola h * (1 - (2x/L - 1)²), 0 at both ends and h in the middle, so the face closes near
 * its ends first.
 *
 * @example closedStretches(0.4, 0.3, 40) // [{ from: 0, to: 10 }, { from: 30, to: 40 }]
 */
export function closedStretches(hollow: number, limit: number, length: number): Interval[] {
  if (limit < -TOLERANCE) return [];
  if (hollow <= limit + TOLERANCE) return [{ from: 0, to: length }];
  const open = Math.sqrt(Math.max(0, 1 - Math.max(0, limit) / hollow));
  const first = ((1 - open) / 2) * length;
  if (first <= 0) return [];
  return [
    { from: 0, to: first },
    { from: length - first, to: length },
  ];
}
