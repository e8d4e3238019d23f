import {
  cutOn,
  footedAt,
  type Piece,
  posed,
  shoot,
  type Spot,
  toppedAt,
  type Vertex,
  type Workpieces,
} from '../../drawing/workpieces';
import type { Wood } from '../method';
import { chosen, type Choices } from '../school';
import { PATCH_TOP } from '../schools/of-aftercare';
import { FIG } from '../schools/of-kin';
import { PATCH_WOOD } from '../schools/of-making';

export const PATCH_HEIGHT = { from: 25, to: 35 };

/** Two lines round and two beside the bud, on the front. */
export function frame(height: number, width: number): Spot[][] {
  const [h, w] = [height / 2, width / 2];
  return [
    [
      [-w, h],
      [w, h],
    ],
    [
      [-w, -h],
      [w, -h],
    ],
    [
      [-w, -h],
      [-w, h],
    ],
    [
      [w, -h],
      [w, h],
    ],
  ];
}

/** A patch as it comes off its stick. */
export function patchOf(stick: Piece, height: number, width: number): Piece {
  const back = stick.diameter - stick.bark;
  return {
    ...cutOn(toppedAt(footedAt(stick, -height / 2), height / 2), 'back', [
      [-height / 2, back],
      [height / 2, back],
    ]),
    lines: [],
    bared: [],
    halfWidth: Math.min(width / 2, stick.diameter / 2),
  };
}

/** Bark lies on the wood it is tied to, and takes its round. */
function pressedOn(patch: Piece, wood: number, height: number): Piece {
  const diameter = 2 * (wood + patch.bark);
  const back = diameter - patch.bark;
  const laid: Vertex[] = [
    [-height / 2, back],
    [height / 2, back],
  ];
  return posed(cutOn({ ...patch, diameter }, 'back', laid), { u: 0 });
}

/** What the steps are drawn from, for a choice of schools and a pair of wood; lengths in mm. */
export function cutsOf(choices: Choices, wood: Wood) {
  const { stock, scion } = wood;
  const height = Math.round(wood.length ?? 30);
  const width = Math.round(Math.max(8, Math.min(20, scion * 0.85)));
  const top = chosen(choices, PATCH_TOP);
  const lifts = chosen(choices, FIG) === 'lifts';
  const lastYear = chosen(choices, PATCH_WOOD) === 'last-year';
  const [h, w] = [height / 2, width / 2];
  const opened: Vertex[] = [
    [-h, 0],
    [-h, wood.stockBark],
    [h, wood.stockBark],
    [h, 0],
  ];
  const seat = (piece: Piece): Piece => pressedOn(piece, stock / 2 - wood.stockBark, height);
  const tall = (piece: 'stock' | 'scion', diameter: number) => ({
    name: 'between the blades',
    mm: height,
    range: PATCH_HEIGHT,
    dimension: {
      piece,
      view: 'front' as const,
      from: [w, -h] as const,
      to: [w, h] as const,
      off: diameter / 2 - w + 5,
    },
  });
  return { choices, wood, stock, scion, height, width, top, lifts, lastYear, h, w, opened, seat, tall };
}

export type Cuts = ReturnType<typeof cutsOf>;

/** The pieces before the first step. */
export function startOf({ stock, wood, h, scion }: Cuts): Workpieces {
  return {
    joined: false,
    covers: [],
    stock: shoot({
      name: 'stock',
      diameter: stock,
      bark: wood.stockBark,
      foot: -h - 30,
      top: h + 30,
      goesOn: { foot: true, top: true },
    }),
    scion: shoot({
      name: 'bud stick',
      diameter: scion,
      bark: wood.scionBark,
      foot: -h - 20,
      top: h + 20,
      goesOn: { foot: true, top: true },
      buds: [{ y: 0, side: 'front' }],
    }),
  };
}
