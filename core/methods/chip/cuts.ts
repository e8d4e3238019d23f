import { cutOn, footedAt, type Piece, posed, shoot, toppedAt, type Vertex } from '../../drawing/workpieces';
import type { Wood } from '../method';
import { chosen, type Choices } from '../school';
import { CHIP_COVER } from '../schools/of-covering';
import { BUD_WOOD } from '../schools/of-making';
import { CUT_FIRST, SECOND_BUD } from '../schools/of-cutting';

export const CHIP_LENGTH = { from: 24, to: 38 };

/** The notch: from the bark down into the wood at 45 degrees, so that its lip holds the chip's foot. */
export function notchOf(length: number, depth: number): [Vertex, Vertex] {
  return [
    [-length / 2 + depth, 0],
    [-length / 2, depth],
  ];
}

/** Height at which a slice `length` long runs out at the bark. */
export function topOf(length: number, depth: number): number {
  return Math.sqrt(Math.max(0, length ** 2 - depth ** 2)) - length / 2;
}

/** Corners of a bed: the notch, then a slice that runs out at the top. */
export function bedOf(length: number, depth: number): Vertex[] {
  return [...notchOf(length, depth), [topOf(length, depth), 0]];
}

/** The chip by itself: what lies in front of the slice, its foot cut to the notch. */
export function chipOf(stick: Piece, length: number, depth: number): Piece {
  const top = topOf(length, depth);
  const ended = toppedAt(footedAt(stick, -length / 2), top);
  const sliced = cutOn(ended, 'back', [
    [-length / 2, stick.diameter - depth],
    [top, stick.diameter],
  ]);
  return { ...cutOn(sliced, 'front', notchOf(length, depth).reverse()), kerfs: [] };
}

/** Depth of a bed: through the bark and a little into the wood, 3 to 4 mm on usual stocks, never past the middle. */
function depthOf(diameter: number, bark: number): number {
  return Math.min(diameter / 2, Math.max(3, bark + 1.2));
}

/** The chip in its bed: corner in corner, slice on slice; a shallower one leans by the difference of the slopes. */
export function seated(chipPiece: Piece, stock: Piece, length: number, bed: number, chip: number): Piece {
  const slope = (depth: number): number => Math.asin(Math.min(1, depth / length));
  const lean = slope(bed) - slope(chip);
  const [u, y] = [chipPiece.diameter / 2 - chip, -length / 2];
  return posed(chipPiece, {
    lean: (lean * 180) / Math.PI,
    u: stock.diameter / 2 - bed - u * Math.cos(lean) - y * Math.sin(lean),
    y: -length / 2 + u * Math.sin(lean) - y * Math.cos(lean),
  });
}

/** What the steps are drawn from, for a choice of schools and a pair of wood; lengths in mm. */
export function cutsOf(choices: Choices, wood: Wood) {
  const { stock, scion } = wood;
  const length = Math.round(wood.length ?? 30);
  const bed = depthOf(stock, wood.stockBark);
  const chip = depthOf(scion, wood.scionBark);
  const dormant = chosen(choices, BUD_WOOD) === 'dormant';
  const budFirst = chosen(choices, CUT_FIRST) === 'bud';
  const cover = chosen(choices, CHIP_COVER);
  const second = chosen(choices, SECOND_BUD);
  // A second chip above needs as much stem again.
  const room = second === 'above' ? length + 14 : 0;
  const bare = stock / 2 - wood.stockBark;
  const p = (radius: number, depth: number, outer: number): number =>
    Math.sqrt(Math.max(0, radius ** 2 - (outer - depth) ** 2));
  const aside = p(bare, bed, stock / 2) - p(scion / 2 - wood.scionBark, chip, scion / 2);
  const start = {
    joined: false,
    covers: [],
    stock: shoot({
      name: 'stock',
      diameter: stock,
      bark: wood.stockBark,
      foot: -length / 2 - 26,
      top: length / 2 + 26 + room,
      goesOn: { foot: true, top: true },
      buds: [{ y: length / 2 + 14 + room, side: 'back' }],
    }),
    scion: shoot({
      name: 'bud stick',
      diameter: scion,
      bark: wood.scionBark,
      foot: -length / 2 - 22,
      top: length / 2 + 22,
      goesOn: { foot: true, top: true },
      buds: [
        { y: 0, side: 'front', handle: !dormant },
        { y: length / 2 + 12, side: 'back', handle: !dormant },
      ],
    }),
  };
  return { choices, dormant, stock, scion, length, bed, chip, budFirst, cover, second, room, aside, start };
}

export type Cuts = ReturnType<typeof cutsOf>;
