import { line, type Path, type Point } from '../display-list';
import { type DepthMap, type Placed, seenPlace, solidsOf } from './depth-map';
import { into, outOf, type Place3 } from './frame';
import type { Look } from './ready-solid';

/** Where lines run along a shoot, degrees from straight before whoever looks towards the shaded right. */
const LINES = [-80, -68, 18, 32, 44, 54, 62, 69, 75, 80, 84];
/** How long the strokes of a line are, and how far apart, mm; the shaded side has the longer ones. */
const STROKE = { long: 16, short: 7, gap: 2.2 };
const STEP = 0.6;

/**
 * Strokes along the bark of a body, denser where it turns out of the light, wherever the map shows that bark.
 */
export function hatching({ body, frame }: Placed, index: number, look: Look, map: DepthMap): Path[] {
  const round = body.grown[0]!;
  if (round.shape.kind !== 'lathe') return [];
  const { profile } = round.shape;
  const solids = solidsOf(body);
  const horizontal = into({ at: [0, 0, 0], axes: frame.axes }, look.near);
  const length = Math.hypot(horizontal[0], horizontal[1]) || 1;
  const towards: Place3 = [horizontal[0] / length, horizontal[1] / length, 0];
  const right = into({ at: [0, 0, 0], axes: frame.axes }, look.right);
  const shown = (p: Place3): Point | null => {
    const found = seenPlace(map, look, outOf(frame, p));
    const bark = found?.seen.body === index && found.seen.face === 0 && solids[found.seen.solid]!.shows === 'bark';
    return found && bark ? found.at : null;
  };
  const radiusAt = (y: number): number => {
    const i = Math.max(
      1,
      profile.findIndex(([at]) => at >= y),
    );
    const [[y0, r0], [y1, r1]] = [profile[i - 1]!, profile[i]!];
    return r0 + ((r1 - r0) * (y - y0)) / (y1 - y0);
  };
  const [foot, top] = [profile[0]![0], profile.at(-1)![0]];
  return LINES.flatMap((degrees, k) => {
    const angle = (degrees * Math.PI) / 180;
    const out: Place3 = [
      Math.cos(angle) * towards[0] + Math.sin(angle) * right[0],
      Math.cos(angle) * towards[1] + Math.sin(angle) * right[1],
      0,
    ];
    const stroke = Math.abs(degrees) > 60 ? STROKE.long : STROKE.short;
    const gap = Math.abs(degrees) > 60 ? STROKE.gap : STROKE.gap * 3;
    const paths: Path[] = [];
    // Each line begins elsewhere, so that gaps form no rings.
    for (let from = foot - ((k * 7.3) % stroke); from < top; from += stroke + gap) {
      let points: Point[] = [];
      const end = Math.min(top, from + stroke);
      for (let y = Math.max(foot, from); y <= end; y += STEP) {
        const r = radiusAt(y) - 0.02;
        const point = shown([out[0] * r, out[1] * r, y]);
        if (point) points.push(point);
        if ((!point || y + STEP > end) && points.length > 0) {
          if (points.length > 2) paths.push(line('hatch', points[0]!, points.at(-1)!));
          points = [];
        }
      }
    }
    return paths;
  });
}
