import { FLATS_MEET } from '../../contact/flap-contact';
import { chord, cutOn, shoot, type Side, type Vertex, type Piece } from '../../drawing/workpieces';
import type { Wood } from '../method';
import type { Choices } from '../school';
import type { Workpieces } from '../../drawing/workpieces';

const SIDES: Side[] = ['front', 'back', 'left', 'right'];

/** Flats on all four sides of the scion's foot. */
export function flatted(scion: Piece, length: number, depth: number, sides: Side[] = SIDES): Piece {
  return sides.reduce<Piece>(
    (piece, side) =>
      cutOn(piece, side, [
        [0, depth],
        [length, depth],
        [length + depth, 0],
      ]),
    scion,
  );
}

/** The stock's bare core between its flaps, up to a height. */
export function bareCore(stock: Piece, length: number, top: number): Piece {
  const corners: Vertex[] = [
    [-length, 0],
    [-length, stock.bark],
    [top, stock.bark],
  ];
  return SIDES.reduce<Piece>((piece, side) => cutOn(piece, side, corners), { ...stock, top, lines: [] });
}

/** What the steps are drawn from, for a choice of schools and a pair of wood; lengths in mm. */
export function cutsOf(choices: Choices, wood: Wood) {
  const { stock, scion } = wood;
  const length = Math.round(wood.length ?? 45);
  const depth = Math.min(wood.scionBark + 0.2, FLATS_MEET * scion);
  const flat = Math.round(2 * chord(scion / 2, scion / 2, depth) * 10) / 10;
  const flap = Math.round(((Math.PI * stock) / 4) * 10) / 10;
  const tip = length + 50;
  const quarter = stock * 0.354;
  return { choices, wood, stock, scion, length, depth, flat, flap, tip, quarter };
}

export type Cuts = ReturnType<typeof cutsOf>;

/** The pieces before the first step. */
export function startOf({ stock, wood, length, scion, tip }: Cuts): Workpieces {
  return {
    joined: false,
    covers: [],
    stock: shoot({
      name: 'stock',
      diameter: stock,
      bark: wood.stockBark,
      foot: -2 * length - 8,
      top: 18,
      goesOn: { foot: true, top: true },
      buds: [
        { y: -length - 18, side: 'front' },
        { y: -length - 30, side: 'back' },
      ],
    }),
    scion: shoot({
      name: 'scion',
      diameter: scion,
      bark: wood.scionBark,
      foot: -9,
      top: tip + 9,
      goesOn: { foot: true, top: true },
      buds: [0, 1, 2].map((i) => ({
        y: length + 8 + 14 * i,
        side: i % 2 === 0 ? ('front' as const) : ('back' as const),
      })),
    }),
  };
}
