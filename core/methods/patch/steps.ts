import {
  covered,
  cutOn,
  footedAt,
  type Piece,
  posed,
  scored,
  shoot,
  type Spot,
  toppedAt,
  type Vertex,
} from '../../drawing/workpieces';
import { bindStep, chooseWood, labelStep, step, writeTags } from '../common/steps';
import type { Wood } from '../method';
import { chosen, type Choices } from '../school';
import * as school from '../schools';
import type { Step } from '../step';
import type { Workpieces } from '../../drawing/workpieces';

export const PATCH_HEIGHT = { from: 25, to: 35 };

/** Two lines round and two beside the bud, on the front. */
function frame(height: number, width: number): Spot[][] {
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

function patchOf(stick: Piece, height: number, width: number): Piece {
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

/** What the steps are drawn from, for a choice of schools and a pair of wood; lengths in mm. */
export function cutsOf(choices: Choices, wood: Wood) {
  const { stock, scion } = wood;
  const height = Math.round(wood.length ?? 30);
  const width = Math.round(Math.max(8, Math.min(20, scion * 0.85)));
  const top = chosen(choices, school.PATCH_TOP);
  const [h, w] = [height / 2, width / 2];
  const opened: Vertex[] = [
    [-h, 0],
    [-h, wood.stockBark],
    [h, wood.stockBark],
    [h, 0],
  ];
  const seat = (piece: Piece): Piece => posed(piece, { u: stock / 2 - scion / 2 });
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
  return { wood, stock, scion, height, width, top, h, w, opened, seat, tall };
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

/** The steps in their order. */
export function stepsOf(cuts: Cuts): Step[] {
  return [...chooseBud(cuts), ...cutPatch(cuts), ...openWindow(cuts), ...setPatch(cuts)];
}

/** The bud chosen and its stick made ready. */
function chooseBud({ stock, scion }: Cuts): Step[] {
  return [
    writeTags(),
    chooseWood(
      'Take a smooth round stick with fat buds, and find which way they point: bud above, leaf scar below.',
      'The bark of the stick slips as well as the stock’s.',
      { what: 'A ribbed or thin stick is taken.', looks: 'The patch cracks when it is laid on the stock.' },
      [
        { name: 'stock', mm: stock },
        { name: 'bud stick', mm: scion },
      ],
    ),
    step({
      id: 'leaves',
      action: 'Cut the leaf blade off and leave a stub.',
      lookFor: 'A stub to hold the patch by.',
      caution: 'shears',
      wrong: { what: 'The leaf is pulled off.', looks: 'A torn scar under the bud.' },
      apply: (p) => ({ ...p, scion: { ...p.scion, buds: p.scion.buds.map((bud) => ({ ...bud, handle: true })) } }),
    }),
  ];
}

/** The patch cut and slid off. */
function cutPatch({ tall, scion, height, width, w, h }: Cuts): Step[] {
  return [
    step({
      id: 'rings',
      action:
        'With a double-bladed knife, cut two parallel lines round the stick, above and below the bud, to the wood.',
      view: 'front',
      caution: 'bud-cut',
      figures: [tall('scion', scion)],
      lookFor: 'Two clean lines, never into the wood.',
      wrong: { what: 'The blade digs into the wood.', looks: 'The patch splinters when it is moved.' },
      apply: (p) => ({ ...p, scion: scored(p.scion, ...frame(height, width).slice(0, 2)) }),
    }),
    step({
      id: 'sides',
      action: 'Cut two upright lines beside the bud and peel a narrow strip off beside them to make room.',
      view: 'front',
      caution: 'bud-cut',
      pull: 'down',
      figures: [
        {
          name: 'apart',
          mm: width,
          range: { from: 12, to: 25 },
          dimension: { piece: 'scion', view: 'front', from: [-w, -h], to: [w, -h], off: 6 },
        },
      ],
      lookFor: 'Room on one side for the patch to slide.',
      wrong: { what: 'No strip is peeled off.', looks: 'The patch has nowhere to go and is pulled off straight.' },
      apply: (p) => ({
        ...p,
        scion: {
          ...scored(p.scion, ...frame(height, width).slice(2)),
          bared: [{ from: -h, to: h, width: 2.4, at: w + 1.2 }],
        },
      }),
    }),
    step({
      id: 'slide',
      action: 'Loosen the corners, then slide the patch sideways so that the bud’s core shears off with it.',
      view: 'front',
      caution: 'bud-cut',
      lookFor: 'Look at its back: the core is there, a small pip.',
      wrong: {
        what: 'The patch is pulled straight off.',
        looks: 'A hole in its back: green bark, hollow bud.',
        point: 'core',
      },
      blocks: 'A hollow bud cannot be seen any more once the patch is on.',
      figures: [
        {
          name: 'patch',
          mm: height,
          dimension: { piece: 'scion', view: 'side', from: [scion / 2, -h], to: [scion / 2, h], off: 6 },
        },
      ],
      apply: (p) => ({ ...p, scion: { ...patchOf(p.scion, height, width), name: 'patch' } }),
      spoil: (p) => ({ ...p, scion: { ...patchOf(p.scion, height, width), name: 'patch', buds: [] } }),
    }),
  ];
}

/** The window opened in the stock. */
function openWindow({ tall, stock, height, width, opened, h }: Cuts): Step[] {
  return [
    step({
      id: 'window',
      action: 'Cut the same two lines on the stock.',
      view: 'front',
      caution: 'bud-cut',
      figures: [tall('stock', stock)],
      lookFor: 'The same blades, the same height.',
      wrong: { what: 'It is measured by eye.', looks: 'A window taller than its patch.' },
      apply: (p) => ({ ...p, stock: scored(p.stock, ...frame(height, width).slice(0, 2)) }),
      spoil: (p) => ({ ...p, stock: scored(p.stock, ...frame(height + 5, width).slice(0, 2)) }),
    }),
    step({
      id: 'bark-out',
      action: 'Cut the sides and take the bark out.',
      view: 'front',
      caution: 'bud-cut',
      lookFor: 'White wet wood, no shreds.',
      wrong: { what: 'Bark clings and is scraped off.', looks: 'Dull, scratched wood.', point: 'slip' },
      apply: (p) => ({
        ...p,
        stock: { ...cutOn(p.stock, 'front', opened), lines: frame(height, width), bared: [{ from: -h, to: h, width }] },
      }),
      spoil: (p) => ({
        ...p,
        stock: { ...p.stock, lines: frame(height + 5, width), bared: [{ from: -h - 2.5, to: h + 2.5, width }] },
      }),
    }),
  ];
}

/** The patch set, wrapped and left to heal. */
function setPatch({ seat, h, top }: Cuts): Step[] {
  return [
    step({
      id: 'join',
      action: 'Lay the patch in: top and bottom edges touch; a side may go under the bark.',
      joins: true,
      view: 'front',
      caution: 'hands-meet',
      lookFor: 'No wood shows above or below.',
      wrong: {
        what: 'The window is taller than the patch.',
        looks: 'A white line at one end: nothing knits there.',
        point: 'cambium',
      },
      apply: (p) => ({ ...p, joined: true, scion: seat(p.scion) }),
      spoil: (p) => ({ ...p, joined: true, scion: posed(seat(p.scion), { y: 3 }) }),
    }),
    bindStep(-h - 5, h + 5, 'tape', { action: 'Wrap firmly, the bud free, every edge sealed.' }),
    step({
      id: 'foil',
      action: 'In heat, put foil over it for 14 days.',
      lookFor: 'It shades the patch and leaves the bud air.',
      wrong: { what: 'Dark tape bakes in the sun.', looks: 'The patch turns brown within days.' },
      apply: (p) => covered(p, { kind: 'foil', on: 'stock', from: -h - 5, to: h + 5 }),
    }),
    step({
      id: 'splint',
      action: 'Splint the stock at the window.',
      lookFor: 'Wind cannot bend it there.',
      caution: 'perch',
      wrong: { what: 'It is left to stand alone.', looks: 'The stock snaps at the window.' },
      blocks: 'A stock that snaps at its window takes the patch with it.',
      apply: (p) => covered(p, { kind: 'brace', on: 'stock', from: -h - 20, to: h + 20 }),
    }),
    ...(top === 'at-once'
      ? [
          step({
            id: 'top-off',
            action: 'Cut the stock above the patch.',
            caution: 'shears',
            lookFor: 'Cut clear of the patch and sealed.',
            wrong: { what: 'It is cut at the patch’s edge.', looks: 'The cut dries back into the patch.' },
            apply: (p) => ({ ...p, stock: toppedAt(p.stock, h + 22) }),
          }),
        ]
      : []),
    labelStep(-h - 9),
  ];
}
