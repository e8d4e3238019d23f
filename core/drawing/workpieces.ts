import { ROUNDING } from '@/core/units/tolerance';
/** Which way a side of a piece looks. The front is the side the join is seen from; in a side view it lies to the right. */
export type Side = 'front' | 'back' | 'left' | 'right';

/** From where pieces are looked at: along the cut, or onto it. */
export type PiecesSide = 'side' | 'front';

/** A corner of a cut: height on the piece, and depth below its surface on the side it is cut from, mm. */
export type Vertex = readonly [y: number, depth: number];

/** A place on the front of a piece: across, right is positive, and up, mm. */
export type Spot = readonly [across: number, y: number];

export interface Bud {
  y: number;
  side: Side;
  /** The stub of its leaf, left as a handle. */
  handle?: boolean;
  /** On wood that is held the wrong way up: its leaf was above it. */
  upsideDown?: boolean;
}

/** Four strips of bark around the stock's end. */
export interface Flaps {
  width: number;
  length: number;
  /** Height they hang from. */
  foot: number;
  state: 'cut' | 'down' | 'up';
  /** How far from the axis the flats are that they lie on again. */
  on?: number;
}

/** A lip or strip of bark lifted off the front. */
export interface Lip {
  from: number;
  to: number;
  /** Across, where it is still attached, and how far it folds out (negative: to the left). */
  hinge: number;
  fold: number;
  /** Which way it points from its hinge where it lies on a piece, degrees from the front towards the right. */
  points?: number;
  /** The way its inner side takes where it lies over a piece: outwards from the axis, and up, mm. */
  over?: Spot[];
  /** Bent round the piece it lies on: that piece's radius and axis, how far from its middle the edge ends, and its heights. */
  coat?: { radius: number; u: number; w: number; edge: number; foot: number; top: number };
}

/** One piece of wood: a round shoot with what has been cut off it. Lengths mm, y upwards. */
export interface Piece {
  name: string;
  diameter: number;
  bark: number;
  foot: number;
  top: number;
  /** Whether the shoot goes on beyond its ends, or was cut there. */
  goesOn: { foot: boolean; top: boolean };
  /** What is cut away, as corners from the foot upwards; nothing where a side is untouched. */
  cuts: Record<Side, Vertex[]>;
  /** Corners of a tongue, put into the long cut of this side before its last corner. */
  tongue: { side: Side; corners: Vertex[] } | null;
  /** Cuts that took nothing off: a split, a notch, the slit of a tongue. */
  kerfs: { side: Side; line: Vertex[]; /** The foot of a split from the top down, right through. */ split?: true }[];
  /** Knife lines through the bark of the front. */
  lines: Spot[][];
  /** Openings one sees through from the front: a split held apart. */
  gaps: Spot[][];
  /** Where bark is off the front and wood shows; `at` is its middle, across. */
  bared: { from: number; to: number; width: number; at?: number }[];
  lips: Lip[];
  flaps: Flaps | null;
  buds: Bud[];
  /** Half the width, where the piece is narrower than round: a patch, a shield. */
  halfWidth: number | null;
  /** Place in the joined union: u towards the front, w to the right, y upwards, and lean to the front in degrees. */
  pose: { u: number; w: number; y: number; lean: number };
  /** Lies under the stock's bark rather than on it. */
  under: boolean;
  /** Its foot is behind a lip of the stock, so that the cut on the front of its foot is not seen. */
  tucked?: boolean;
}

export type CoverKind =
  'tape' | 'rubber' | 'film' | 'foil' | 'bag' | 'seal' | 'band' | 'nail' | 'brace' | 'tag' | 'driver' | 'guard' | 'dot';

/** Something put on: a stretch of the union it covers. */
export interface Cover {
  kind: CoverKind;
  on: 'stock' | 'scion';
  from: number;
  to: number;
  /** By how much each turn of a wrap rises, mm; where nobody said, as usual ones do. */
  rise?: number;
}

/** Usual rises of a turn, mm: of tape 12 mm wide and of a budding rubber of 6, each half over; a band is one turn. */
const RISES: Partial<Record<CoverKind, number>> = { tape: 6, rubber: 3, band: 3 };

/** By how much each turn of a cover rises, mm; null where it has no turns. */
export function riseOf({ kind, rise }: Cover): number | null {
  const usual = RISES[kind];
  return usual === undefined ? null : (rise ?? usual);
}

/** What lies on the bench at one moment of a method. */
export interface Workpieces {
  stock: Piece;
  scion: Piece;
  /** A second scion of the same union. */
  second?: Piece;
  joined: boolean;
  covers: Cover[];
}

export interface ShootOptions {
  name: string;
  diameter: number;
  bark: number;
  foot: number;
  top: number;
  goesOn?: { foot?: boolean; top?: boolean };
  buds?: Bud[];
}

/** An uncut shoot. */
export function shoot({ name, diameter, bark, foot, top, goesOn = {}, buds = [] }: ShootOptions): Piece {
  return {
    name,
    diameter,
    bark,
    foot,
    top,
    buds,
    goesOn: { foot: goesOn.foot ?? false, top: goesOn.top ?? false },
    cuts: { front: [], back: [], left: [], right: [] },
    tongue: null,
    kerfs: [],
    lines: [],
    gaps: [],
    bared: [],
    lips: [],
    flaps: null,
    halfWidth: null,
    pose: { u: 0, w: 0, y: 0, lean: 0 },
    under: false,
  };
}

/** Cut square at a height; what was above, buds too, is gone. */
export function toppedAt(piece: Piece, y: number): Piece {
  return { ...piece, top: y, goesOn: { ...piece.goesOn, top: false }, buds: piece.buds.filter((bud) => bud.y < y) };
}

/** Cut off at a height from below. */
export function footedAt(piece: Piece, y: number): Piece {
  return { ...piece, foot: y, goesOn: { ...piece.goesOn, foot: false }, buds: piece.buds.filter((bud) => bud.y > y) };
}

/** The wrong way up, turned about its middle. */
export function turnedOver(piece: Piece): Piece {
  const over = (y: number): number => piece.foot + piece.top - y;
  const corners = (cut: Vertex[]): Vertex[] => cut.map(([y, depth]): Vertex => [over(y), depth]).reverse();
  const { front, back, left, right } = piece.cuts;
  return {
    ...piece,
    goesOn: { foot: piece.goesOn.top, top: piece.goesOn.foot },
    cuts: { front: corners(front), back: corners(back), left: corners(left), right: corners(right) },
    buds: piece.buds.map((bud) => ({ ...bud, y: over(bud.y), upsideDown: !bud.upsideDown })),
  };
}

/** Slimmer by a share of its thickness, its face where it was; `face` is how deep that lies under its back, mm. */
export function thinner(piece: Piece, share: number, face: number): Piece {
  const slim = (cut: Vertex[]): Vertex[] => cut.map(([y, depth]): Vertex => [y, depth * share]);
  const { front, back, left, right } = piece.cuts;
  const moved = (1 - share) * (piece.diameter / 2 - face);
  return {
    ...piece,
    diameter: piece.diameter * share,
    bark: piece.bark * share,
    halfWidth: piece.halfWidth === null ? null : piece.halfWidth * share,
    cuts: { front: slim(front), back: slim(back), left: slim(left), right: slim(right) },
    pose: { ...piece.pose, u: piece.pose.u - moved },
  };
}

/** With wood cut away on one side. */
export function cutOn(piece: Piece, side: Side, corners: Vertex[]): Piece {
  return { ...piece, cuts: { ...piece.cuts, [side]: corners } };
}

export function withKerf(piece: Piece, side: Side, ...line: Vertex[]): Piece {
  return { ...piece, kerfs: [...piece.kerfs, { side, line }] };
}

/** Split from its top down to a height, through the middle. */
export function withSplit(piece: Piece, foot: number): Piece {
  const line: Vertex[] = [
    [foot, 0],
    [foot, piece.diameter],
  ];
  const open: Spot[] = [
    [0, piece.top],
    [0, foot],
  ];
  return { ...scored(piece, open), kerfs: [...piece.kerfs, { side: 'front', line, split: true }] };
}

/** With knife lines through the bark of the front. */
export function scored(piece: Piece, ...lines: Spot[][]): Piece {
  return { ...piece, lines: [...piece.lines, ...lines] };
}

export function posed(piece: Piece, pose: Partial<Piece['pose']>): Piece {
  return { ...piece, pose: { ...piece.pose, ...pose } };
}

/** With one more thing put on. */
export function covered(pieces: Workpieces, ...covers: Cover[]): Workpieces {
  return { ...pieces, covers: [...pieces.covers, ...covers] };
}

/** Depth of a cut at a height, the deepest where a lip hangs over it; 0 beyond its ends. */
export function depthAt(corners: Vertex[], y: number): number {
  let deepest = 0;
  for (let i = 1; i < corners.length; i++) {
    const [y0, d0] = corners[i - 1]!;
    const [y1, d1] = corners[i]!;
    if (y < Math.min(y0, y1) - ROUNDING || y > Math.max(y0, y1) + ROUNDING) continue;
    deepest = Math.max(deepest, y1 === y0 ? Math.max(d0, d1) : d0 + ((d1 - d0) * (y - y0)) / (y1 - y0));
  }
  return deepest;
}

/** Height at which a cut begins at the bark and goes down into the wood, under a lip; null for one that does not. */
export function lipTop(corners: Vertex[]): number | null {
  const [first, second] = corners;
  return first && second && first[1] < ROUNDING && second[0] < first[0] - ROUNDING ? first[0] : null;
}

/** Half-width of the flat that a cut `depth` deep leaves on a round of radius `radius`, seen against an outer radius. */
export function chord(outer: number, radius: number, depth: number): number {
  return Math.sqrt(Math.max(0, radius * radius - (outer - depth) ** 2));
}

/** Whether a scion's cut face looks away: in the hand it is turned round then, so that the face shows. */
export function faceAway({ joined, stock }: Workpieces, piece: Piece): boolean {
  const last = piece.cuts.back.at(-1);
  return !joined && piece !== stock && last !== undefined && last[0] < piece.top - ROUNDING;
}
