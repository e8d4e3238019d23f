import { cutOn, footedAt, type Piece, posed, scored, shoot, toppedAt, type Vertex } from '../../drawing/workpieces';
import { bindStep, chooseWood, labelStep, step, writeTags } from '../common/steps';
import type { Wood } from '../method';
import { chosen, type Choices } from '../school';
import * as school from '../schools';
import type { Step } from '../step';
import type { Workpieces } from '../../drawing/workpieces';

export const SHIELD_LENGTH = { from: 24, to: 38 };

/** Length of the down cut, mm. */
export const DOWN_CUT = 38;

/** Depth of a shield behind its bud, mm: bark and a thin sliver. */
const SHIELD_DEPTH = 2.2;

function shieldOf(stick: Piece, length: number, depth: number, hollow = 0): Piece {
  const curve = Array.from({ length: 13 }, (_, i): Vertex => {
    const share = (2 * i) / 12 - 1;
    return [(share * length) / 2, stick.diameter - depth * (1 - share ** 4) + hollow * (1 - share ** 2)];
  });
  return { ...cutOn(toppedAt(footedAt(stick, -length / 2), length / 2), 'back', curve), kerfs: [] };
}

/** What the steps are drawn from, for a choice of schools and a pair of wood; lengths in mm. */
export function cutsOf(choices: Choices, wood: Wood) {
  const { stock, scion } = wood;
  const length = Math.round(wood.length ?? 30);
  const inverted = chosen(choices, school.T_WAY) === 'inverted';
  const depth = Math.min(scion / 2, Math.max(SHIELD_DEPTH, wood.scionBark + 0.4));
  const flick = chosen(choices, school.SLIVER) === 'flick';
  const cover = chosen(choices, school.BUD_COVER);
  const cross = stock * 0.36;
  // The cross cut is at 0; the down cut runs below an upright T and above an inverted one.
  const way = inverted ? 1 : -1;
  const far = way * DOWN_CUT;
  const opening = { from: Math.min(0, far), to: Math.max(0, far) };
  const wide = Math.min(stock * 0.7, 2 * Math.sqrt(Math.max(1, (scion / 2) ** 2 - (scion / 2 - depth) ** 2)) + 1);
  const centre = way * (length / 2 + 1.5);
  const seat = (piece: Piece): Piece => ({
    ...posed(piece, { u: stock / 2 - wood.stockBark - (scion / 2 - depth), y: centre }),
    under: true,
  });
  return { choices, wood, stock, scion, length, inverted, depth, flick, cover, cross, way, far, opening, wide, seat };
}

export type Cuts = ReturnType<typeof cutsOf>;

/** The pieces before the first step. */
export function startOf({ stock, wood, opening, scion, length }: Cuts): Workpieces {
  return {
    joined: false,
    covers: [],
    stock: shoot({
      name: 'stock',
      diameter: stock,
      bark: wood.stockBark,
      foot: opening.from - 22,
      top: opening.to + 22,
      goesOn: { foot: true, top: true },
      buds: [
        { y: opening.to + 8, side: 'back', handle: true },
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

/** The steps in their order. */
export function stepsOf(cuts: Cuts): Step[] {
  return [...prepareStock(cuts), ...openBark(cuts), ...cutShield(cuts), ...setShield(cuts)];
}

/** The stock made ready, up to its cut. */
function prepareStock({ stock, scion }: Cuts): Step[] {
  return [
    writeTags(),
    step({
      id: 'slip-test',
      action: 'Try whether the bark slips, on a twig that comes off anyway.',
      noCut: true,
      lookFor: 'It lifts clean and wet.',
      blocks: 'A stock that is opened cannot wait for rain.',
      wrong: { what: 'The stock is opened on the chance.', looks: 'Shreds of bark stay on the wood.' },
      apply: (w) => w,
    }),
    step({
      id: 'wipe',
      action: 'Wipe the stock clean; leaves and thorns off.',
      lookFor: 'A hand’s breadth of bare clean stem.',
      wrong: { what: 'Grit is left on.', looks: 'A nicked blade.', point: 'clean' },
      figures: [{ name: 'stock', mm: stock, range: { from: 6, to: 13 } }],
      apply: (w) => ({ ...w, stock: { ...w.stock, buds: [] } }),
    }),
    chooseWood(
      'Take a bud stick and find which way its buds point: bud above, leaf scar below.',
      'Plump buds in the middle of the stick, a leaf stub as a handle.',
      { what: 'The stick lay in the sun.', looks: 'Wrinkled bark that will not pull.' },
      [{ name: 'bud stick', mm: scion }],
    ),
  ];
}

/** The bark opened. */
function openBark(cuts: Cuts): Step[] {
  const { inverted, far, stock, cross } = cuts;
  return [
    step({
      id: 'down',
      action: 'Make the down cut, through the bark only.',
      view: 'front',
      caution: 'bud-cut',
      pull: inverted ? 'up' : 'down',
      figures: [
        {
          name: 'down cut',
          mm: DOWN_CUT,
          dimension: { piece: 'stock', view: 'front', from: [0, 0], to: [0, far], off: stock / 2 + 4 },
        },
      ],
      lookFor: 'A straight line; the blade stops at the wood.',
      wrong: { what: 'The blade goes into the wood.', looks: 'It drags; the shield will rest on a groove.' },
      apply: (w) => ({
        ...w,
        stock: scored(w.stock, [
          [0, 0],
          [0, far],
        ]),
      }),
    }),
    step({
      id: 'cross',
      action: inverted
        ? 'Make the cross cut at the foot, the blade angled up.'
        : 'Make the cross cut at the top, the blade angled down.',
      view: 'front',
      caution: 'bud-cut',
      lookFor: 'The two cuts meet; the corners can be lifted.',
      wrong: { what: 'It rings half the stock.', looks: 'The stock snaps there in wind.' },
      figures: [
        {
          name: 'across',
          mm: Math.round(2 * cross * 10) / 10,
          dimension: { piece: 'stock', view: 'front', from: [-cross, 0], to: [cross, 0], off: inverted ? 6 : -6 },
        },
      ],
      apply: (w) => ({
        ...w,
        stock: scored(w.stock, [
          [-cross, 0],
          [cross, 0],
        ]),
      }),
      spoil: (w) => ({
        ...w,
        stock: scored(w.stock, [
          [-stock / 2, 0.8],
          [stock / 2, -0.8],
        ]),
      }),
    }),
    ...liftBark(cuts),
  ];
}

/** The bark lifted on both sides. */
function liftBark({ opening, wood, wide }: Cuts): Step[] {
  return [
    step({
      id: 'lift',
      action: 'Lift the lips with the blunt of the knife.',
      view: 'front',
      lookFor: 'Both lips whole, white wood between them.',
      caution: 'bud-cut',
      wrong: { what: 'They are prised with the edge.', looks: 'Frayed lips that dry.', point: 'slip' },
      apply: (w) => ({
        ...w,
        stock: {
          ...cutOn(w.stock, 'front', [
            [opening.from, 0],
            [opening.from, wood.stockBark],
            [opening.to, wood.stockBark],
            [opening.to, 0],
          ]),
          bared: [{ ...opening, width: wide }],
          lips: [
            { ...opening, hinge: -wide / 2, fold: -2.2 },
            { ...opening, hinge: wide / 2, fold: 2.2 },
          ],
        },
      }),
    }),
  ];
}

/** The shield cut from its stick. */
function cutShield({ length, scion, depth, flick }: Cuts): Step[] {
  return [
    step({
      id: 'shield',
      action: 'Cut the shield in one shallow straight pull, from below the bud to above it. Hold it by its stub.',
      caution: 'bud-cut',
      pull: 'up',
      figures: [
        {
          name: 'shield',
          mm: length,
          range: SHIELD_LENGTH,
          dimension: {
            piece: 'scion',
            view: 'side',
            from: [scion / 2, -length / 2],
            to: [scion / 2, length / 2],
            off: 6,
          },
        },
      ],
      lookFor: 'A flat back, a thin sliver of wood behind the bud.',
      wrong: {
        what: 'The blade follows the swelling of the bud.',
        looks: 'The back is hollow; it lies on its ends.',
        point: 'flatness',
      },
      apply: (w) => ({ ...w, scion: { ...shieldOf(w.scion, length, depth), name: 'shield' } }),
      spoil: (w) => ({ ...w, scion: { ...shieldOf(w.scion, length, depth + 0.6, 1.6), name: 'shield' } }),
    }),
    ...(flick
      ? [
          step({
            id: 'flick',
            action: 'Flick the sliver of wood out from behind the bud.',
            noCut: true,
            lookFor: 'The bud’s core is still there, a small green pip.',
            caution: 'bud-cut',
            wrong: { what: 'The core comes out with it.', looks: 'A pit behind the bud: nothing will grow.' },
            apply: (w) => w,
          }),
        ]
      : []),
  ];
}

/** The shield set and wrapped. */
function setShield({ seat, way, opening, cover }: Cuts): Step[] {
  return [
    step({
      id: 'join',
      action: `Slide the shield in at once, right way up, its bud about the middle; trim what sticks out level with the cross cut.`,
      joins: true,
      view: 'front',
      caution: 'hands-meet',
      lookFor: 'The shield lies under both lips, nothing stands out.',
      wrong: { what: 'It goes in upside down.', looks: 'The leaf stub stands above the bud.', point: 'way-up' },
      apply: (w) => ({ ...w, joined: true, scion: seat(w.scion) }),
      spoil: (w) => ({ ...w, joined: true, scion: posed(seat(w.scion), { y: -way * 4 }) }),
    }),
    bindStep(opening.from - 4, opening.to + 4, 'rubber', {
      action: `Wrap below and above, ${cover === 'out' ? 'the bud out' : 'the bud covered'}; pressure, without popping the shield.`,
    }),
    labelStep(opening.from - 7),
  ];
}
