import { chord, cutOn, posed, type Piece, shoot, type Vertex, type Workpieces } from '../../drawing/workpieces';
import type { Wood } from '../method';

export interface LaidShape {
  start: Workpieces;
  /** Half-width of the face, on the outside. */
  half: number;
  depth: number;
  tip: number;
}

/** Stock and scion for a face `length` long cut to the middle of the stick; the rim of the stock is at 0, so is the face's top. */
export function laidPieces(
  { stock, scion, stockBark, scionBark }: Wood,
  length: number,
  buds: number,
  tip: number,
): LaidShape {
  const depth = scion / 2;
  return {
    depth,
    tip,
    half: chord(scion / 2, scion / 2, depth),
    start: {
      joined: false,
      covers: [],
      stock: shoot({
        name: 'stock',
        diameter: stock,
        bark: stockBark,
        foot: -length - 20,
        top: 18,
        goesOn: { foot: true, top: true },
      }),
      scion: shoot({
        name: 'scion',
        diameter: scion,
        bark: scionBark,
        foot: -length - 9,
        top: tip + 9,
        goesOn: { foot: true, top: true },
        buds: Array.from({ length: buds }, (_, i) => ({
          y: 7 + 12 * i,
          side: i % 2 === 0 ? ('front' as const) : ('back' as const),
        })),
      }),
    },
  };
}

/** One flat face on the back, down to the middle, with its shoulder at the top. */
export function faced(scion: Piece, length: number, depth: number, hollow = 0): Piece {
  const piece = { ...scion, foot: -length, goesOn: { ...scion.goesOn, foot: false } };
  const curve =
    hollow > 0
      ? Array.from(
          { length: 7 },
          (_, i) => [-length + (length * (i + 1)) / 8, depth + hollow * (1 - ((2 * (i + 1)) / 8 - 1) ** 2)] as const,
        )
      : [];
  return cutOn(piece, 'back', [[-length, depth], ...curve, [0, depth], [depth * 0.8, 0]]);
}

/** A chisel cut on the back of the face's tip, or a second long face for a two-sided wedge. */
export function chiselled(scion: Piece, length: number, depth: number, long: number): Piece {
  return cutOn(scion, 'front', [
    [-length, scion.diameter - depth - 0.7],
    [-length + long, 0],
  ]);
}

/** Both sides of the face shaved to the green. */
export function raked(scion: Piece, length: number): Piece {
  const shaved: Vertex[] = [
    [-length, scion.bark],
    [0, scion.bark],
    [scion.bark * 4, 0],
  ];
  return cutOn(cutOn(scion, 'left', shaved), 'right', shaved);
}

/** Bark off the front of the stock from the rim down, as wide as the face. */
export function opened(stock: Piece, deep: number, width: number): Piece {
  return {
    ...cutOn(stock, 'front', [
      [-deep, 0],
      [-deep, stock.bark],
      [0, stock.bark],
    ]),
    bared: [{ from: -deep, to: 0, width }],
  };
}

/** The face on the bared wood, its window above the rim. */
export function laidOn(scion: Piece, stock: Piece, depth: number, window: number): Piece {
  return {
    ...posed(scion, { u: stock.diameter / 2 - stock.bark + scion.diameter / 2 - depth, y: window }),
    under: true,
  };
}

/** The same scion on the far side of the stump: front and back change places. */
export function acrossTheStump(scion: Piece): Piece {
  const { front, back } = scion.cuts;
  return {
    ...scion,
    cuts: { ...scion.cuts, front: back, back: front },
    buds: scion.buds.map((bud) => ({
      ...bud,
      side: bud.side === 'front' ? ('back' as const) : bud.side === 'back' ? ('front' as const) : bud.side,
    })),
    pose: { ...scion.pose, u: -scion.pose.u, lean: -scion.pose.lean },
  };
}
