import { area, type Path, type Point } from './display-list';

/** Length of an arrow's head, mm; half the arrow where that is shorter. */
const LONG = 2.6;

/** The head of an arrow that ends at `to`. */
export function arrowHead(from: Point, to: Point): Path {
  const length = Math.hypot(to[0] - from[0], to[1] - from[1]) || 1;
  const [dx, dy] = [(to[0] - from[0]) / length, (to[1] - from[1]) / length];
  const back = Math.min(LONG, length / 2);
  return area('knife', [
    to,
    [to[0] - back * dx + back * 0.4 * dy, to[1] - back * dy - back * 0.4 * dx],
    [to[0] - back * dx - back * 0.4 * dy, to[1] - back * dy + back * 0.4 * dx],
  ]);
}
