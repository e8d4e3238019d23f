import { area, line, ring, type Label, type Path, type Point } from './display-list';
import type { Place } from './piece-outline';
import { type PiecesSide, type Cover, type CoverKind, type Piece, type Workpieces, riseOf } from './workpieces';

const WORDS: Record<CoverKind, string> = {
  tape: 'tape',
  rubber: 'rubber',
  film: 'film',
  foil: 'foil',
  bag: 'bag',
  seal: 'seal',
  band: 'band',
  nail: 'nail',
  brace: 'brace',
  tag: 'label',
  driver: 'driver',
  guard: 'guard',
  dot: 'paint dot',
};

type Placers = Record<'stock' | 'scion', (place: Place) => Point>;

interface CoverOptions {
  view: PiecesSide;
  /** Height of the names, mm. */
  lineHeight: number;
  /** Covers that are drawn already, and only named. */
  drawn?: readonly Cover[];
}

/** What is put on, as light overlays, each named beside the wood. */
export function paintCovers(
  pieces: Workpieces,
  at: Placers,
  { view, lineHeight, drawn = [] }: CoverOptions,
): (Path | Label)[] {
  const items: (Path | Label)[] = [];
  const named: { text: string; to: Point }[] = [];
  for (const cover of pieces.covers) {
    const piece = pieces[cover.on];
    const half = Math.max(piece.diameter, cover.on === 'stock' && pieces.joined ? pieces.scion.diameter : 0) / 2 + 0.5;
    if (!drawn.includes(cover)) items.push(...shapeOf(cover, piece, half, at[cover.on], view));
    named.push({ text: WORDS[cover.kind], to: at[cover.on]([-half, (cover.from + cover.to) / 2]) });
  }
  // Names stand in a lane on the left, no two on one line.
  const lane = Math.min(...named.map(({ to }) => to[0])) - 3.4;
  let lowest = -Infinity;
  for (const { text, to } of named.sort((a, b) => a.to[1] - b.to[1])) {
    const y = Math.max(to[1], lowest + lineHeight * 1.1);
    lowest = y;
    items.push(line('dimension', [to[0] - 0.4, to[1]], [lane, y - 1]), {
      kind: 'label',
      role: 'name',
      at: [lane - 0.5, y],
      anchor: 'end',
      text,
    });
  }
  return items;
}

function shapeOf(cover: Cover, piece: Piece, half: number, at: (place: Place) => Point, view: PiecesSide): Path[] {
  const { kind, from, to } = cover;
  const box = (x0: number, x1: number): Point[] =>
    (
      [
        [x0, from],
        [x1, from],
        [x1, to],
        [x0, to],
      ] as Place[]
    ).map(at);
  switch (kind) {
    case 'tape':
    case 'rubber':
    case 'band':
      return [ring('wrap', box(-half, half)), ...turnsOf(cover, half, at)];
    case 'film':
    case 'bag':
      return [filmShape(cover, half, at)];
    case 'foil':
      return [
        area('foil', box(-half - 0.4, half + 0.4)),
        line(
          'outline',
          at([-half, from + (to - from) * 0.3]),
          at([half * 0.2, from + (to - from) * 0.55]),
          at([half, from + (to - from) * 0.4]),
        ),
      ];
    case 'seal':
      return [area('seal', box(-half + 0.3, half - 0.3))];
    case 'nail':
      return [
        line('steel', at([half + 1.5, from]), at([half - 9, from])),
        line('steel', at([half + 1.5, from - 1.2]), at([half + 1.5, from + 1.2])),
      ];
    case 'brace':
    case 'guard':
      return [
        area('tag', box(half + 2, half + 5)),
        ...[0.12, 0.5, 0.85].map((share) =>
          line('wrap', at([-half, from + (to - from) * share]), at([half + 5, from + (to - from) * share])),
        ),
      ];
    case 'dot':
      return [area('tag', box(-half * 0.4, half * 0.4))];
    case 'tag':
      return tagShape(cover, half, at);
    case 'driver':
      return [
        area(
          'steel',
          (
            [
              [-1.6, to],
              [1.6, to],
              [0.5, from],
              [-0.5, from],
            ] as Place[]
          ).map(([x, y]) => at([view === 'front' ? x : x - piece.diameter * 0.22, y])),
        ),
      ];
  }
}

/** The turns of a wrap. */
function turnsOf(cover: Cover, half: number, at: (place: Place) => Point): Path[] {
  const { from, to } = cover;
  const rise = riseOf(cover) ?? to - from;
  const turns: Path[] = [];
  // Half of a turn is seen.
  for (let y = from; y < to; y += rise)
    turns.push(line('wrap', at([-half, y]), at([half, Math.min(to, y + rise / 2)])));
  return turns;
}

/** Film drawn tight, or a bag that stands off. */
function filmShape({ kind, from, to }: Cover, half: number, at: (place: Place) => Point): Path {
  const bulge = kind === 'bag' ? half + 5 : half + 0.4;
  const corners: Place[] = [
    [-half, from],
    [-bulge, from + (to - from) * 0.2],
    [-bulge, to - 3],
    [-bulge * 0.4, to],
    [bulge * 0.4, to],
    [bulge, to - 3],
    [bulge, from + (to - from) * 0.2],
    [half, from],
  ];
  return ring('film', corners.map(at));
}

/** A tag on its wire. */
function tagShape({ from, to }: Cover, half: number, at: (place: Place) => Point): Path[] {
  return [
    line('steel', at([half - 1, to]), at([half + 5, from])),
    area(
      'tag',
      (
        [
          [half + 3, from],
          [half + 10, from],
          [half + 10, from - 5],
          [half + 3, from - 5],
        ] as Place[]
      ).map(at),
    ),
  ];
}
