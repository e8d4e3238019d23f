import { ROUNDING, TOLERANCE } from '@/core/units/tolerance';
import { chord, depthAt, lipTop, type Piece, type Side, type Vertex } from './workpieces';

/** A place on a piece in one view: across (in a side view the front is to the right) and up, mm. */
export type Place = readonly [across: number, y: number];

const OPPOSITE: Record<Side, Side> = { front: 'back', back: 'front', left: 'right', right: 'left' };

/**
 * The piece cut through its axis, seen from the side: corners anticlockwise from the foot on the
 * front, every corner of every cut among them.
 */
export function sideOutline(piece: Piece): Place[] {
  const radius = piece.diameter / 2;
  const front = boundary(piece, 'front').map(([y, depth]): Place => [radius - depth, y]);
  const back = boundary(piece, 'back').map(([y, depth]): Place => [depth - radius, y]);
  return [...front, ...back.reverse()];
}

/** Corners of the cut on one side, from the foot upwards, those of its tongue among them. */
export function sideCorners(piece: Piece, side: Side): Vertex[] {
  const corners = piece.cuts[side];
  const tongue = piece.tongue?.side === side ? piece.tongue.corners : [];
  return corners.length === 0 ? [] : [...corners.slice(0, -1), ...tongue, corners.at(-1)!];
}

/** Corners of one side from foot to top, with the ends where the cut does not reach them. */
function boundary(piece: Piece, side: Side): Vertex[] {
  const inner = sideCorners(piece, side);
  const last = inner.at(-1);
  if (!last)
    return [
      [piece.foot, 0],
      [piece.top, 0],
    ];
  return [
    ...(inner[0]![0] > piece.foot + ROUNDING ? [[piece.foot, 0] as const] : []),
    ...inner,
    ...(last[0] < piece.top - ROUNDING ? [[piece.top, 0] as const] : []),
  ];
}

/** What lies between two planes across a polygon: the part with |across| at most `radius`. */
export function withinRadius(polygon: Place[], radius: number): Place[] {
  return clip(clip(polygon, radius, 1), radius, -1);
}

function clip(polygon: Place[], limit: number, sign: 1 | -1): Place[] {
  const inside = ([x]: Place): boolean => sign * x <= limit + ROUNDING;
  const out: Place[] = [];
  polygon.forEach((to, i) => {
    const from = polygon[(i + polygon.length - 1) % polygon.length]!;
    if (inside(from) !== inside(to)) {
      const share = (sign * limit - from[0]) / (to[0] - from[0]);
      out.push([sign * limit, from[1] + share * (to[1] - from[1])]);
    }
    if (inside(to)) out.push(to);
  });
  return out;
}

export interface FrontOutline {
  /** What one sees of the piece at all. */
  silhouette: Place[];
  /** Cut faces turned to the viewer, and the wood within their green line. */
  faces: { outline: Place[]; green: Place[] }[];
}

/** The piece from outside, from its front or turned round to its back. */
export function frontOutline(piece: Piece, from: 'front' | 'back' = 'front'): FrontOutline {
  const radius = piece.diameter / 2;
  const near = piece.cuts[from];
  const far = piece.cuts[OPPOSITE[from]];
  const [onLeft, onRight] =
    from === 'front' ? [piece.cuts.left, piece.cuts.right] : [piece.cuts.right, piece.cuts.left];
  const widest = (y: number): number => {
    // A piece of bark keeps the round of its stick, so its width is its own.
    if (piece.halfWidth !== null) return piece.halfWidth;
    const nearDepth = depthAt(near, y);
    const farLimit = piece.diameter - depthAt(far, y);
    const atCentre =
      nearDepth > radius
        ? chord(radius, radius, nearDepth)
        : farLimit < radius
          ? chord(radius, radius, farLimit)
          : radius;
    return atCentre;
  };
  const heights = levels(piece);
  const left = heights.map((y): Place => [Math.max(-widest(y), depthAt(onLeft, y) - radius), y]);
  const right = heights.map((y): Place => [Math.min(widest(y), radius - depthAt(onRight, y)), y]);
  const tucked = piece.tucked && from === 'front' && near.length > 1 ? near.at(-1)![0] : null;
  const silhouette: Place[] = tucked === null ? [...right, ...left.reverse()] : overLip(right, left, tucked, radius);
  const wood = radius - piece.bark;
  const faces: FrontOutline['faces'] = [];
  if (tucked !== null) return { silhouette, faces };
  const lip = lipTop(near);
  let open: number[] = [];
  let cutting = false;
  const close = (): void => {
    if (open.length > 1) {
      const cut = open;
      const edge =
        (limit: number) =>
        (y: number): number =>
          Math.min(chord(radius, limit, depthAt(near, y)), widest(y));
      const outline = (limit: number): Place[] => {
        const half = edge(limit);
        // Where a slice has not come through the bark yet there is no wood to be drawn, nor a line of it.
        const shown = cut.filter((_, i) => [i - 1, i, i + 1].some((at) => at in cut && half(cut[at]!) > 0));
        if (lip === null) return band(shown, half);
        const side = (sign: number): Place[] => shown.map((y): Place => [sign * half(y), y]);
        return overLip(side(1), side(-1), lip, radius);
      };
      faces.push({ outline: outline(radius), green: outline(wood) });
    }
    open = [];
    cutting = false;
  };
  for (const y of heights) {
    if (depthAt(near, y) > TOLERANCE) {
      open.push(y);
      cutting = true;
    } else if (cutting) {
      open.push(y);
      close();
      // Under a lip the face begins where the cut does, all at once.
    } else open = lip === null ? [y] : [];
  }
  if (cutting) close();
  return { silhouette, faces };
}

/**
 * What is seen above a lip: a cut from the bark down into the wood leaves an edge that is highest in the middle.
 *
 * @param right corners from the foot up; `left` the same on the other side
 * @param top height of the lip in the middle
 */
function overLip(right: Place[], left: Place[], top: number, radius: number): Place[] {
  const edge = (across: number): number => top - (radius - Math.sqrt(Math.max(0, radius ** 2 - across ** 2)));
  const above = (side: Place[]): Place[] => side.filter(([x, y]) => y >= edge(x) - TOLERANCE);
  const [onRight, onLeft] = [above(right), above(left)];
  const half = Math.abs(onRight[0]?.[0] ?? 0);
  const curve = Array.from({ length: 13 }, (_, i): Place => {
    const across = half * (i / 6 - 1);
    return [across, edge(across)];
  });
  return [...onRight, ...onLeft.reverse(), ...curve];
}

function band(heights: number[], half: (y: number) => number): Place[] {
  return [...heights.map((y): Place => [half(y), y]), ...[...heights].reverse().map((y): Place => [-half(y), y])];
}

/** Heights worth drawing a corner at: ends, corners of cuts, and some between so that curves are curves. */
function levels(piece: Piece): number[] {
  const corners = Object.values(piece.cuts).flatMap((cut) => cut.map(([y]) => y));
  const marks = [...new Set([piece.foot, piece.top, ...corners])]
    .filter((y) => y >= piece.foot - ROUNDING && y <= piece.top + ROUNDING)
    .sort((a, b) => a - b);
  return marks.flatMap((y, i) => {
    const next = marks[i + 1];
    return next === undefined ? [y] : Array.from({ length: 12 }, (_, k) => y + ((next - y) * k) / 12);
  });
}

/** Edges of an outline that a knife made: those that do not lie on the outside of the shoot. */
export function cutEdges(piece: Piece): [Place, Place][] {
  const radius = piece.diameter / 2;
  const outline = sideOutline(piece);
  return outline.flatMap((from, i) => {
    const to = outline[(i + 1) % outline.length]!;
    const outside = Math.abs(from[0] - to[0]) < ROUNDING && Math.abs(Math.abs(from[0]) - radius) < ROUNDING;
    const end = (y: number, on: boolean): boolean =>
      on && Math.abs(from[1] - y) < ROUNDING && Math.abs(to[1] - y) < ROUNDING;
    return outside || end(piece.foot, piece.goesOn.foot) || end(piece.top, piece.goesOn.top)
      ? []
      : [[from, to] as [Place, Place]];
  });
}
