import { polygonHull } from 'd3-polygon';
import { into, outOf, type Place3, within } from './frame';
import type { Placed } from './depth-map';
import { HERE, type Frame } from './frame';
import type { Prism, Solid } from './solid';

/** Places round a shoot's section. */
const ROUND = 40;

type Spot = readonly [u: number, w: number];

/**
 * The outline of a wrap drawn tight round bodies: the shortest line round their sections at some heights, `thick` away.
 * Buds are left out of it, as a hand does. Coordinates are those of `frame`, anticlockwise from the front.
 */
export function wrapSection(
  bodies: readonly Placed[],
  frame: Frame,
  heights: readonly number[],
  thick: number,
): Spot[] {
  const spots = bodies.flatMap(({ body, frame: lies }) =>
    [...body.grown, ...body.folded]
      .filter(({ shows }) => shows === 'bark' || shows === 'flap')
      .flatMap((solid) => heights.flatMap((y) => sectionSpots(solid, lies, outOf(frame, [0, 0, y])[2])))
      .map((place): [number, number] => {
        const [u, w] = into(frame, place);
        return [u, w];
      }),
  );
  // Thick all round: each corner stands for a small round of its own.
  const round = (polygonHull(spots) ?? []).flatMap(([u, w]) =>
    Array.from({ length: 8 }, (_, i): [number, number] => {
      const angle = (Math.PI * i) / 4;
      return [u + thick * Math.cos(angle), w + thick * Math.sin(angle)];
    }),
  );
  const hull = polygonHull(round) ?? [];
  return hull[0] && signed(hull) < 0 ? hull.reverse() : hull;
}

function signed(hull: readonly (readonly [number, number])[]): number {
  return hull.reduce((sum, [u, w], i) => {
    const [nu, nw] = hull[(i + 1) % hull.length]!;
    return sum + u * nw - nu * w;
  }, 0);
}

/** Places round the section of a solid at a height; its lean is small, so its own height is taken for it. */
function sectionSpots({ shape, frame = HERE }: Solid, lies: Frame, height: number): Place3[] {
  const own = within(lies, frame);
  const y = (height - own.at[2]) / (own.axes[2][2] || 1);
  if (shape.kind === 'prism') return prismSpots(shape, y).map((place) => outOf(own, place));
  const above = shape.profile.findIndex(([at]) => at >= y);
  if (above < 0 || (above === 0 && shape.profile[0]![0] > y)) return [];
  const [[y0, r0], [y1, r1]] = [shape.profile[Math.max(0, above - 1)]!, shape.profile[above]!];
  const radius = y1 > y0 ? r0 + ((r1 - r0) * (y - y0)) / (y1 - y0) : r1;
  return Array.from({ length: ROUND }, (_, i) => {
    const angle = (2 * Math.PI * i) / ROUND;
    return outOf(own, [radius * Math.cos(angle), radius * Math.sin(angle), y]);
  });
}

function prismSpots({ along, outline, from, to }: Prism, y: number): Place3[] {
  if (along === 'y') return y < from || y > to ? [] : outline.map(([u, w]): Place3 => [u, w, y]);
  const across = outline.flatMap(([a0, y0], i) => {
    const [a1, y1] = outline[(i + 1) % outline.length]!;
    if (y0 === y1) return y0 === y ? [a0, a1] : [];
    const share = (y - y0) / (y1 - y0);
    return share >= 0 && share <= 1 ? [a0 + (a1 - a0) * share] : [];
  });
  return across.flatMap((a) => [from, to].map((b): Place3 => (along === 'w' ? [a, b, y] : [b, a, y])));
}
