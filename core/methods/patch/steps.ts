import { covered, cutOn, type Piece, scored, toppedAt } from '../../drawing/workpieces';
import { bindStep, chooseWood, labelStep, slipTest, step, writeTags } from '../common/steps';
import { chosen } from '../school';
import { KNIFE } from '../schools/of-cutting';
import type { Step } from '../step';
import { type Cuts, frame, patchOf } from './cuts';

/** The steps in their order. */
export function stepsOf(cuts: Cuts): Step[] {
  return [...chooseBud(cuts), ...cutPatch(cuts), ...openWindow(cuts), ...setPatch(cuts)];
}

/** The bud chosen and its stick made ready. */
function chooseBud({ lastYear, stock, scion, lifts }: Cuts): Step[] {
  return [
    writeTags(),
    chooseWood({
      action: lastYear
        ? 'Take a smooth round shoot of last year with a bud that still sleeps behind those that have pushed, and find which way it points: bud above, leaf scar below.'
        : 'Take a smooth round stick with fat buds, and find which way they point: bud above, leaf scar below.',
      lookFor: 'The bark of the stick slips as well as the stock’s.',
      wrong: { what: 'A ribbed or thin stick is taken.', looks: 'The patch cracks when it is laid on the stock.' },
      figures: [
        { name: 'stock', mm: stock },
        { name: 'bud stick', mm: scion },
      ],
    }),
    slipTest('a twig of the stock and the end of the stick'),
    ...(lastYear ? [] : [leavesOff(lifts)]),
  ];
}

/** A shoot of this season keeps the stub of its leaf as a handle; last year's has no leaf. */
function leavesOff(lifts: boolean): Step {
  return step({
    id: 'leaves',
    action: lifts
      ? 'Cut the leaf blade off and leave a stub; gloves on, the sap irritates.'
      : 'Cut the leaf blade off and leave a stub.',
    lookFor: 'A stub to hold the patch by.',
    caution: lifts ? 'sap' : null,
    wrong: { what: 'The leaf is pulled off.', looks: 'A torn scar under the bud.' },
    apply: (p) => ({ ...p, scion: { ...p.scion, buds: p.scion.buds.map((bud) => ({ ...bud, handle: true })) } }),
  });
}

/** The patch cut and slid off. */
function cutPatch({ choices, tall, scion, height, width, w, h, lifts }: Cuts): Step[] {
  return [
    step({
      id: 'rings',
      action:
        'With a double-bladed knife, cut two parallel lines round the stick, above and below the bud, to the wood.',
      view: 'front',
      caution: 'bud-cut',
      figures: [tall('scion', scion)],
      lookFor:
        chosen(choices, KNIFE) === 'any'
          ? 'Two clean lines, never into the wood; both blades are stropped until they shave.'
          : 'Two clean lines, never into the wood.',
      wrong: { what: 'The blade digs into the wood.', looks: 'The patch splinters when it is moved.' },
      apply: (p) => ({ ...p, scion: scored(p.scion, ...frame(height, width).slice(0, 2)) }),
    }),
    step({
      id: 'sides',
      action: lifts
        ? 'Cut two upright lines beside the bud, and slit the bark once opposite it.'
        : 'Cut two upright lines beside the bud and peel a narrow strip off beside them to make room.',
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
      lookFor: lifts ? 'The ring of bark opens at the back.' : 'Room on one side for the patch to slide.',
      wrong: lifts
        ? { what: 'The back is left whole.', looks: 'The patch tears when it is lifted.' }
        : { what: 'No strip is peeled off.', looks: 'The patch has nowhere to go and is pulled off straight.' },
      apply: (p) => ({
        ...p,
        scion: {
          ...scored(p.scion, ...frame(height, width).slice(2)),
          ...(lifts ? {} : { bared: [{ from: -h, to: h, width: 2.4, at: w + 1.2 }] }),
        },
      }),
    }),
    step({
      id: 'slide',
      action: lifts
        ? 'Lift the patch gently all round with the blunt of the knife, from the back to the bud, until its core comes free.'
        : 'Loosen the corners, then slide the patch sideways so that the bud’s core shears off with it.',
      view: 'front',
      caution: 'bud-cut',
      lookFor: 'Look at its back: the core is there, a small pip.',
      wrong: {
        what: lifts ? 'The patch is levered up at the bud.' : 'The patch is pulled straight off.',
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
      // A window cut too tall, the patch against its lower end.
      spoil: (p) => ({ ...p, joined: true, scion: seat(p.scion), stock: tallerWindow(p.stock, TOO_TALL) }),
    }),
    bindStep(-h - 5, h + 5, {
      kind: 'tape',
      bud: 'clear',
      action: 'Wrap vinyl firmly, the bud free, every edge covered',
      lookFor: 'No edge of the patch shows; the bud stands free.',
    }),
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
      wrong: { what: 'It is left to stand alone.', looks: 'The stock snaps at the window.' },
      blocks: 'A stock that snaps at its window takes the patch with it.',
      apply: (p) => covered(p, { kind: 'brace', on: 'stock', from: -h - 20, to: h + 20 }),
    }),
    ...(top === 'at-once'
      ? [
          step({
            id: 'top-off',
            action: 'Cut the stock above the patch, seal the cut and paint it white.',
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

/** How much taller than its patch a window is that was measured by eye, mm. */
const TOO_TALL = 3;

function tallerWindow(stock: Piece, by: number): Piece {
  const { front } = stock.cuts;
  const high = Math.max(...front.map(([y]) => y));
  return {
    ...cutOn(
      stock,
      'front',
      front.map(([y, depth]) => [y === high ? y + by : y, depth] as const),
    ),
    bared: stock.bared.map((strip) => ({ ...strip, to: strip.to + by })),
  };
}
