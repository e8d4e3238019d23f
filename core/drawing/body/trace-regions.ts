import type { Point } from '../display-list';
import type { DepthMap } from './depth-map';

/** Corners closer to a straight line than this are left out, spots of the map. */
const STRAIGHT = 0.55;

/**
 * Outlines of the regions of a map: one closed line for each border of what has one value, in mm from the picture's
 * left upper corner. Borders run along the middle of the steps between spots, so that a slope is no staircase.
 *
 * @param value what a spot counts as; 0 for what is not traced.
 */
export function traceRegions({ wide, high, scale }: DepthMap, value: Int32Array): Map<number, Point[][]> {
  const regions = new Map<number, Point[][]>();
  // Each border has a stretch that goes east with its region to the south; there it is begun, once.
  const begun = new Uint8Array(value.length);
  for (let at = 0; at < value.length; at++) {
    const region = value[at]!;
    if (region === 0 || begun[at] === 1 || (at >= wide && value[at - wide] === region)) continue;
    const middles = borderFrom(at, value, wide, high, begun);
    if (middles.length < 6) continue;
    const border = straightened(middles).map(([x, y]): Point => [x / scale, y / scale]);
    const known = regions.get(region);
    if (known) known.push(border);
    else regions.set(region, [border]);
  }
  return regions;
}

/** Steps east, south, west and north. */
const DX = [1, 0, -1, 0] as const;
const DY = [0, 1, 0, -1] as const;

/** Goes along a border with its region on the right, through the middles of its steps, until it is round. */
function borderFrom(start: number, value: Int32Array, wide: number, high: number, begun: Uint8Array): Point[] {
  const region = value[start]!;
  const holds = (x: number, y: number): boolean =>
    x >= 0 && y >= 0 && x < wide && y < high && value[y * wide + x] === region;
  const [x0, y0] = [start % wide, Math.floor(start / wide)];
  const middles: Point[] = [];
  let [x, y, way] = [x0, y0, 0];
  do {
    if (way === 0) begun[y * wide + x] = 1;
    const dx = DX[way]!;
    const dy = DY[way]!;
    middles.push([x + dx / 2, y + dy / 2]);
    x += dx;
    y += dy;
    // The two spots ahead of the corner: to the right of the way, and to the left.
    const rightX = x + (dx - dy - 1) / 2;
    const rightY = y + (dy + dx - 1) / 2;
    if (!holds(rightX, rightY)) way = (way + 1) % 4;
    else if (holds(rightX + dy, rightY - dx)) way = (way + 3) % 4;
  } while (x !== x0 || y !== y0 || way !== 0);
  return middles;
}

/** A closed line without the corners that hardly leave the straight one. */
function straightened(points: readonly Point[]): Point[] {
  // Split at the two places that lie farthest apart, so that both halves have firm ends.
  const [x0, y0] = points[0]!;
  let far = 0;
  let most = -1;
  points.forEach(([x, y], i) => {
    const away = (x - x0) ** 2 + (y - y0) ** 2;
    if (away > most) [far, most] = [i, away];
  });
  return [...thinned(points, 0, far), ...thinned([...points, points[0]!], far, points.length)];
}

/** Douglas and Peucker's way: keeps the corner farthest from the straight line, and does both parts likewise. */
function thinned(points: readonly Point[], from: number, to: number): Point[] {
  const [x0, y0] = points[from]!;
  const [x1, y1] = points[to]!;
  const length = Math.hypot(x1 - x0, y1 - y0) || 1;
  let at = -1;
  let most = STRAIGHT;
  for (let i = from + 1; i < to; i++) {
    const [x, y] = points[i]!;
    const off =
      length === 1 && x0 === x1 && y0 === y1
        ? Math.hypot(x - x0, y - y0)
        : Math.abs((x - x0) * (y1 - y0) - (y - y0) * (x1 - x0)) / length;
    if (off > most) [at, most] = [i, off];
  }
  return at < 0 ? [points[from]!] : [...thinned(points, from, at), ...thinned(points, at, to)];
}
