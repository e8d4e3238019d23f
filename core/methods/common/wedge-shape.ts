import { cutOn, posed, type Piece, shoot, type Spot, type Workpieces } from '../../drawing/workpieces';
import type { Wood } from '../method';
import { LENGTHS } from './wood-shown';

/** Thickness left at the wedge's foot, mm. */
const EDGE = 0.8;

/** Stock and scion for a wedge `length` long; the rim of the cut stock is at 0. */
export function wedgePieces(
  { stock, scion, stockBark, scionBark }: Wood,
  length: number,
  split: number,
  buds: number,
): { start: Workpieces; tip: number } {
  const tip = 10 + 11 * buds;
  return {
    tip,
    start: {
      joined: false,
      covers: [],
      stock: shoot({
        name: 'stock',
        diameter: stock,
        bark: stockBark,
        foot: -Math.max(LENGTHS.stock + 10, split + 14),
        top: 22,
        goesOn: { foot: true, top: true },
      }),
      scion: shoot({
        name: 'scion',
        diameter: scion,
        bark: scionBark,
        foot: -length - 10,
        top: tip + 10,
        goesOn: { foot: true, top: true },
        buds: Array.from({ length: buds }, (_, i) => ({
          y: 4 + 11 * i,
          side: i % 2 === 0 ? ('front' as const) : ('back' as const),
        })),
      }),
    },
  };
}

/** A two-faced wedge at the scion's foot. */
export function wedged(scion: Piece, length: number, blunt = false): Piece {
  const deep = (scion.diameter - EDGE) / 2;
  const cut = blunt
    ? ([
        [-length, deep],
        [-length * 0.55, deep * 0.35],
        [0, 0],
      ] as const)
    : ([
        [-length, deep],
        [0, 0],
      ] as const);
  return cutOn(
    cutOn({ ...scion, foot: -length, goesOn: { ...scion.goesOn, foot: false } }, 'left', [...cut]),
    'right',
    [...cut],
  );
}

/** The wedge in its split: its outer surface `inset` inside the stock's, at the front or the back. */
export function inSplit(scion: Piece, stock: Piece, inset: number, side: 1 | -1 = 1): Piece {
  return posed(scion, { u: side * (stock.diameter / 2 - inset - scion.diameter / 2) });
}

/** The split held open as wide as the wedge is thick at the rim, seen from the front. */
export function splitOpen(stock: Piece, split: number, wide: number): Piece {
  return gaping(stock, [
    [-wide / 2, 0],
    [wide / 2, 0],
    [0, -split],
  ]);
}

/** The split closed on its wedge: its walls lie on both faces, and close below the wedge's edge. */
export function splitOn(stock: Piece, split: number, scion: Piece): Piece {
  const [half, foot] = [scion.diameter / 2, scion.foot];
  const edge: Spot[] = [
    [EDGE / 2, foot],
    [-EDGE / 2, foot],
  ];
  const below: Spot[] = -foot < split - 1 ? [[0, Math.max(-split, foot - EDGE)]] : [];
  const closed = gaping(stock, [[-half, 0], [half, 0], edge[0]!, ...below, edge[1]!]);
  return below.length > 0 ? { ...closed, lines: [[below[0]!, [0, -split]]] } : closed;
}

function gaping(stock: Piece, gap: Spot[]): Piece {
  return { ...stock, gaps: [gap], lines: [] };
}
