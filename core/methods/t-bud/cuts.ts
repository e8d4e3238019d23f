import {
  chord,
  cutOn,
  footedAt,
  type Piece,
  posed,
  shoot,
  toppedAt,
  type Vertex,
  type Workpieces,
} from '../../drawing/workpieces';
import type { Wood } from '../method';
import { chosen, type Choices } from '../school';
import { BUD_COVER } from '../schools/of-covering';
import { SECOND_BUD, SLIVER, T_WAY } from '../schools/of-cutting';
import { CITRUS } from '../schools/of-kin';

export const SHIELD_LENGTH = { from: 24, to: 38 };

/** Length of the down cut, mm. */
export const DOWN_CUT = 38;

/** Depth of a shield behind its bud, mm: bark and a thin sliver. */
const SHIELD_DEPTH = 2.2;

/** A shield as it comes off its stick, its back hollow by so much. */
export function shieldOf(stick: Piece, length: number, depth: number, hollow = 0): Piece {
  const curve = Array.from({ length: 13 }, (_, i): Vertex => {
    const share = (2 * i) / 12 - 1;
    return [(share * length) / 2, stick.diameter - depth * (1 - share ** 2) + hollow * (1 - share ** 2)];
  });
  return { ...cutOn(toppedAt(footedAt(stick, -length / 2), length / 2), 'back', curve), kerfs: [] };
}

/** Lips and wrap press a shield's back onto the wood, its thin ends too; it stays as pointed as it was cut. */
function pressedFlat(shield: Piece): Piece {
  const radius = shield.diameter / 2;
  const back = Math.min(...shield.cuts.back.map(([, depth]) => depth));
  const sides = shield.cuts.back.map(([y, depth]): Vertex => [
    y,
    radius - chord(radius, radius, Math.min(radius, shield.diameter - depth)),
  ]);
  const flat = cutOn(shield, 'back', [
    [shield.foot, back],
    [shield.top, back],
  ]);
  return cutOn(cutOn(flat, 'left', sides), 'right', sides);
}

/** What the steps are drawn from, for a choice of schools and a pair of wood; lengths in mm. */
export function cutsOf(choices: Choices, wood: Wood) {
  const { stock, scion } = wood;
  const length = Math.round(wood.length ?? 30);
  const inverted = chosen(choices, T_WAY) === 'inverted';
  const depth = Math.min(scion / 2, Math.max(SHIELD_DEPTH, wood.scionBark + 0.4));
  const flick = chosen(choices, SLIVER) === 'flick';
  const cover = chosen(choices, BUD_COVER);
  const citrus = chosen(choices, CITRUS) === 'citrus';
  const second = chosen(choices, SECOND_BUD);
  // A second shield above needs a T of its own.
  const room = second === 'above' ? DOWN_CUT + 14 : 0;
  const cross = stock * 0.36;
  // The cross cut is at 0; the down cut runs below an upright T and above an inverted one.
  const way = inverted ? 1 : -1;
  const far = way * DOWN_CUT;
  const opening = { from: Math.min(0, far), to: Math.max(0, far) };
  const wide = Math.min(stock * 0.7, 2 * Math.sqrt(Math.max(1, (scion / 2) ** 2 - (scion / 2 - depth) ** 2)) + 1);
  const centre = way * (length / 2 + 1.5);
  const seat = (piece: Piece): Piece => ({
    ...posed(pressedFlat(piece), { u: stock / 2 - wood.stockBark - (scion / 2 - depth), y: centre }),
    under: true,
  });
  return {
    choices,
    wood,
    stock,
    scion,
    length,
    inverted,
    depth,
    flick,
    cover,
    citrus,
    second,
    room,
    cross,
    way,
    far,
    opening,
    wide,
    seat,
  };
}

export type Cuts = ReturnType<typeof cutsOf>;

/** The pieces before the first step. */
export function startOf({ stock, wood, opening, scion, length, room }: Cuts): Workpieces {
  return {
    joined: false,
    covers: [],
    stock: shoot({
      name: 'stock',
      diameter: stock,
      bark: wood.stockBark,
      foot: opening.from - 22,
      top: opening.to + 22 + room,
      goesOn: { foot: true, top: true },
      buds: [
        { y: opening.to + 8 + room, side: 'back', handle: true },
        { y: opening.from - 10, side: 'front', handle: true },
      ],
    }),
    scion: shoot({
      name: 'bud stick',
      diameter: scion,
      bark: wood.scionBark,
      foot: -length / 2 - 20,
      top: length / 2 + 20,
      goesOn: { foot: true, top: true },
      buds: [
        { y: 0, side: 'front', handle: true },
        { y: length / 2 + 11, side: 'back', handle: true },
      ],
    }),
  };
}
