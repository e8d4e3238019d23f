import { ROUNDING } from '@/core/units/tolerance';
import { studentQuantile } from '../../statistics/student-quantile';

export interface Drift {
  n: number;
  /** Change of a difference in an hour, points, and its 95 % interval. */
  perHour: number;
  interval: { from: number; to: number };
}

/**
 * Whether an assessor grew milder or stricter through the day: the slope of their difference to the
 * others' scores over time, by least squares. Null with fewer than four unions, or all at one time.
 *
 * @param points hours since the day began, and own score less the other's.
 */
export function drift(points: readonly { hours: number; difference: number }[]): Drift | null {
  const n = points.length;
  if (n < 4) return null;
  const middle = points.reduce((sum, { hours }) => sum + hours, 0) / n;
  const mean = points.reduce((sum, { difference }) => sum + difference, 0) / n;
  const spread = points.reduce((sum, { hours }) => sum + (hours - middle) ** 2, 0);
  if (spread < ROUNDING) return null;
  const perHour =
    points.reduce((sum, { hours, difference }) => sum + (hours - middle) * (difference - mean), 0) / spread;
  const rest = points.reduce(
    (sum, { hours, difference }) => sum + (difference - mean - perHour * (hours - middle)) ** 2,
    0,
  );
  const half = studentQuantile(n - 2) * Math.sqrt(rest / (n - 2) / spread);
  return { n, perHour, interval: { from: perHour - half, to: perHour + half } };
}
