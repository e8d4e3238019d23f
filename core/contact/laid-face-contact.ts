import { TOLERANCE } from '@/core/units/tolerance';
import { closedStretches } from './closed-stretches';
import { InputError } from './input-error';
import { intersect, totalLength, type Interval } from './intervals';
import { BRIDGING_DISTANCE } from './limits';
import { requireFigures, requirePositive, requireWood } from './require-figures';
import type { LineRun, UnionContact } from './union-contact';
import { arcAt } from './wedge-contact';

/** Version of this model, kept with every judgement computed by it. */
export const LAID_FACE_MODEL = 'laid-face-1';

/** A scion's flat face laid on the bared wood of a thicker stock. mm. */
export interface LaidFace {
  stockDiameter: number;
  stockBark: number;
  /** Radius of the wood where the face lies; 0 for the stock's own. */
  flatRadius: number;
  scionDiameter: number;
  scionBark: number;
  /** Depth of the face, from the outer surface. */
  depth: number;
  /** Length of the face, and how much of it shows above the stock. */
  length: number;
  window: number;
  hollow: number;
  bridging?: number;
}

/** Two slots fitted to the scion: the face's flanks can touch the bark's edges too. */
export interface InlayFace extends LaidFace {
  slotWidth: number;
  /** Length of the slots that hold the flanks; the face below the rim unless given. */
  flank?: number;
  side: 'left' | 'right' | 'centre';
  /** Sides raked to the green, so that the slot has to hold the cambium and not the bark. */
  raked: boolean;
}

const NAMES = {
  stockDiameter: "the stock's diameter",
  stockBark: "the stock's bark",
  flatRadius: 'the radius of the flat spot',
  scionDiameter: "the scion's diameter",
  scionBark: "the scion's bark",
  depth: 'the depth of the face',
  length: 'the length of the face',
  window: 'the window',
  hollow: 'the hollow of the face',
  bridging: 'the bridging distance',
  slotWidth: 'the width of the slot',
  flank: 'the length of the slots',
};

export interface LaidFaceContact extends UnionContact {
  /** Half-width of the face's cambium, and how far its edges stand off the wood, mm. */
  halfWidth: number;
  standOff: number;
  /** Of an inlay: gap of the left and right flank, mm. */
  flankGaps: { left: number; right: number } | null;
}

/** Radius of the wood where the face lies. */
export function woodRadius({
  stockDiameter,
  stockBark,
  flatRadius,
}: Pick<LaidFace, 'stockDiameter' | 'stockBark' | 'flatRadius'>): number {
  return flatRadius > 0 ? flatRadius : stockDiameter / 2 - stockBark;
}

/** Half-width of the green line on a face cut `depth` deep into a shoot. */
export function faceHalfWidth(diameter: number, bark: number, depth: number): number {
  const r = diameter / 2 - bark;
  return Math.sqrt(Math.max(0, r * r - (diameter / 2 - depth) ** 2));
}

/**
 * Contact of a scion slid under the bark through one slit: both edges of its face, alike, touch
 * where they stand off the rounded wood by no more than the bridging distance.
 *
 * @throws InputError when a measure is one no union can have.
 * @example barkContact({ stockDiameter: 25, stockBark: 2, flatRadius: 0, scionDiameter: 9, scionBark: 0.8, depth: 4.5, length: 50, window: 9, hollow: 0 }).contact // 0
 */
export function barkContact(face: LaidFace): LaidFaceContact {
  const { edges, halfWidth, standOff } = edgesOf(face);
  const below = face.length - face.window;
  const touching = totalLength(edges);
  return {
    contact: touching / below,
    touching: 2 * touching,
    whole: 2 * below,
    left: null,
    right: null,
    runs: edgeRuns(edges),
    ring: sideArcs(face, edges, ['left', 'right']),
    warning: null,
    halfWidth,
    standOff,
    flankGaps: null,
  };
}

/**
 * Contact of an inlay: the face's two edges, and its two flanks against the slot's.
 *
 * @throws InputError when a measure is one no union can have.
 */
export function inlayContact(face: InlayFace): LaidFaceContact {
  const { edges, halfWidth, standOff } = edgesOf(face);
  const below = face.length - face.window;
  const flank = Math.min(below, face.flank ?? below);
  requireFigures({ slotWidth: face.slotWidth, flank }, NAMES, ['slotWidth', 'flank']);
  const w = 2 * halfWidth;
  const outer = 2 * Math.sqrt(Math.max(0, (face.scionDiameter / 2) ** 2 - (face.scionDiameter / 2 - face.depth) ** 2));
  const held = face.raked ? w : outer;
  if (face.slotWidth < held - TOLERANCE) {
    throw new InputError(
      'slotWidth',
      `The slot is narrower than what it has to hold (${held.toFixed(1)} mm), so the face cannot lie on the wood. Widen the slot or rake the sides.`,
    );
  }
  const near = (held - w) / 2;
  const far = face.slotWidth - held + near;
  const middle = (face.slotWidth - w) / 2;
  const flankGaps =
    face.side === 'centre'
      ? { left: middle, right: middle }
      : face.side === 'left'
        ? { left: near, right: far }
        : { left: far, right: near };
  const bridging = face.bridging ?? BRIDGING_DISTANCE;
  const left = Number(flankGaps.left <= bridging + TOLERANCE);
  const right = Number(flankGaps.right <= bridging + TOLERANCE);
  const touching = 2 * totalLength(edges) + flank * (left + right);
  const whole = 2 * below + 2 * flank;
  const flankRun = (line: string): LineRun => ({ line, from: below - flank, to: below, length: flank });
  return {
    contact: touching / whole,
    touching,
    whole,
    left,
    right,
    runs: [...edgeRuns(edges), ...(left ? [flankRun('flank-left')] : []), ...(right ? [flankRun('flank-right')] : [])],
    // A side reads as touching in a glyph where its edge or its flank does.
    ring: [
      ...sideArcs(face, left ? [{ from: 0, to: below }] : edges, ['left']),
      ...sideArcs(face, right ? [{ from: 0, to: below }] : edges, ['right']),
    ],
    warning: null,
    halfWidth,
    standOff,
    flankGaps,
  };
}

function edgesOf(face: LaidFace): { edges: Interval[]; halfWidth: number; standOff: number } {
  const {
    stockDiameter,
    stockBark,
    flatRadius,
    scionDiameter,
    scionBark,
    depth,
    length,
    window,
    hollow,
    bridging = BRIDGING_DISTANCE,
  } = face;
  requireFigures(
    { stockDiameter, stockBark, flatRadius, scionDiameter, scionBark, depth, length, window, hollow, bridging },
    NAMES,
    ['stockBark', 'flatRadius', 'scionBark', 'window', 'hollow', 'bridging'],
  );
  for (const field of ['stockDiameter', 'scionDiameter', 'length'] as const)
    requirePositive(field, NAMES[field], face[field]);
  requireWood('stockBark', 'stock', stockBark, stockDiameter);
  requireWood('scionBark', 'scion', scionBark, scionDiameter);
  if (depth <= scionBark)
    throw new InputError(
      'depth',
      'The face is no deeper than the bark, so no wood is bared. Cut down to the middle of the stick.',
    );
  if (depth > scionDiameter / 2 + TOLERANCE)
    throw new InputError('depth', 'The face is deeper than the middle of the stick. Half its thickness is the most.');
  const halfWidth = faceHalfWidth(scionDiameter, scionBark, depth);
  const radius = woodRadius(face);
  if (halfWidth >= radius)
    throw new InputError(
      'stockDiameter',
      'The face is as wide as the stock, so it cannot lie on its wood. Take a slimmer scion or a thicker stock.',
    );
  if (window >= length)
    throw new InputError(
      'window',
      'The window is as long as the face, so nothing of it is under the bark. Push the scion down or measure again.',
    );
  const standOff = radius - Math.sqrt(radius * radius - halfWidth * halfWidth);
  // x runs from the foot, 0 to length - window.
  const edges = intersect([{ from: 0, to: length - window }], closedStretches(hollow, bridging - standOff, length));
  return { edges, halfWidth, standOff };
}

function edgeRuns(edges: Interval[]): LineRun[] {
  return ['edge-left', 'edge-right'].flatMap((line) =>
    edges.map(({ from, to }) => ({ line, from, to, length: to - from })),
  );
}

function sideArcs(face: LaidFace, edges: Interval[], sides: ('left' | 'right')[]): Interval[] {
  const below = face.length - face.window;
  // Edges are measured from the foot, arcs from the rim.
  return sides.flatMap((side) =>
    edges.map(({ from, to }) => arcAt({ from: below - to, to: below - from }, below, side)),
  );
}
