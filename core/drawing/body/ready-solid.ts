import { type Frame, into, outOf, type Place3, within } from './frame';
import { addSpan, type Line, noSpans, type Spans, throughLathe, throughPrism } from './ray-spans';
import type { Lathe, Prism, Solid } from './solid';

/** Where one looks from: three directions at right angles; `near` points at whoever looks. */
export interface Look {
  right: Place3;
  up: Place3;
  near: Place3;
}

/** A solid made ready for many lines from one direction. */
export interface Ready {
  solid: Solid;
  /** The face that each of its faces is drawn as: a curve of short edges is one. */
  drawnAs: Int16Array;
  /** Own coordinates of the line through right = 0 and up = 0, of a step to the right, of one up, and its direction. */
  start: Place3;
  right: Place3;
  up: Place3;
  along: Place3;
  /** Where it can be seen, mm. */
  box: { left: number; right: number; low: number; high: number };
}

export function readied(solid: Solid, frame: Frame, look: Look): Ready {
  const own = solid.frame ? within(frame, solid.frame) : frame;
  const turn = (p: Place3): Place3 => into({ at: [0, 0, 0], axes: own.axes }, p);
  const corners = cornersOf(solid.shape).map((corner) => {
    const q = outOf(own, corner);
    return [
      q[0] * look.right[0] + q[1] * look.right[1] + q[2] * look.right[2],
      q[0] * look.up[0] + q[1] * look.up[1] + q[2] * look.up[2],
    ] as const;
  });
  return {
    solid,
    drawnAs: smoothFaces(solid.shape),
    start: into(own, [0, 0, 0]),
    right: turn(look.right),
    up: turn(look.up),
    along: turn(look.near),
    box: {
      left: Math.min(...corners.map(([x]) => x)),
      right: Math.max(...corners.map(([x]) => x)),
      low: Math.min(...corners.map(([, y]) => y)),
      high: Math.max(...corners.map(([, y]) => y)),
    },
  };
}

/** Edges that meet at less than this are one curve, radians. */
const CURVE = 0.35;

/** Of each face, the first of the faces it goes on from without a crease. */
function smoothFaces(shape: Lathe | Prism): Int16Array {
  const count = shape.kind === 'lathe' ? 3 : shape.outline.length + 2;
  const drawnAs = new Int16Array(count).map((_, i) => i);
  if (shape.kind === 'lathe') return drawnAs;
  const { outline } = shape;
  // What is drawn round something has no edges.
  if (shape.along === 'y') return drawnAs.fill(0, 0, outline.length);
  const wayOf = (i: number): number => {
    const [a0, y0] = outline[i]!;
    const [a1, y1] = outline[(i + 1) % outline.length]!;
    return Math.atan2(y1 - y0, a1 - a0);
  };
  for (let i = 1; i < outline.length; i++) {
    const turn = Math.abs(((wayOf(i) - wayOf(i - 1) + 3 * Math.PI) % (2 * Math.PI)) - Math.PI);
    if (turn < CURVE) drawnAs[i] = drawnAs[i - 1]!;
  }
  return drawnAs;
}

function cornersOf(shape: Lathe | Prism): Place3[] {
  if (shape.kind === 'lathe') {
    const widest = Math.max(...shape.profile.map(([, radius]) => radius));
    return [shape.profile[0]![0], shape.profile.at(-1)![0]].flatMap((y) =>
      [-widest, widest].flatMap((u) => [-widest, widest].map((w): Place3 => [u, w, y])),
    );
  }
  return shape.outline.flatMap(([a, y]) =>
    [shape.from, shape.to].map((b): Place3 =>
      shape.along === 'w' ? [a, b, y] : shape.along === 'u' ? [b, a, y] : [a, y, b],
    ),
  );
}

const line: Line = new Float64Array(6);

function aim({ start, right, up, along }: Ready, x: number, y: number): Line {
  line[0] = start[0] + x * right[0] + y * up[0];
  line[1] = start[1] + x * right[1] + y * up[1];
  line[2] = start[2] + x * right[2] + y * up[2];
  line[3] = along[0];
  line[4] = along[1];
  line[5] = along[2];
  return line;
}

const hole = noSpans();

/** Adds where a line is inside a solid, less what it leaves standing. */
export function throughSolid(ready: Ready, x: number, y: number, spans: Spans): void {
  const at = aim(ready, x, y);
  const { shape, but } = ready.solid;
  const first = spans.count;
  if (shape.kind === 'lathe') throughLathe(shape, at, spans);
  else throughPrism(shape, at, spans);
  if (!but || spans.count === first) return;
  for (const kept of but) {
    hole.count = 0;
    if (kept.kind === 'lathe') throughLathe(kept, at, hole);
    else throughPrism(kept, at, hole);
    for (let i = 0; i < hole.count; i++) takeOut(spans, first, hole.far[i]!, hole.near[i]!);
  }
}

/** The face that a solid has where something was left standing in it. */
export const BUT_FACE = 62;

function takeOut(spans: Spans, first: number, far: number, near: number): void {
  const last = spans.count;
  for (let i = first; i < last; i++) {
    const [low, high] = [spans.far[i]!, spans.near[i]!];
    if (near <= low || far >= high) continue;
    const highFace = spans.nearFace[i]!;
    if (far > low) {
      spans.near[i] = far;
      spans.nearFace[i] = BUT_FACE;
      addSpan(spans, near, high, BUT_FACE, highFace);
    } else {
      spans.far[i] = Math.min(near, high);
      spans.farFace[i] = BUT_FACE;
    }
  }
}
