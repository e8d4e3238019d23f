import { covered, footedAt, posed, scored, thinner, toppedAt } from '../../drawing/workpieces';
import { bindStep, chooseWood, labelStep, onFace, slipTest, step, writeTags } from '../common/steps';
import { TAPE_WIDTH } from '../common/materials';
import { chosen } from '../school';
import { SUPPORT } from '../schools/of-aftercare';
import { DARK_SEAL } from '../schools/of-covering';
import { KNIFE } from '../schools/of-cutting';
import type { Step } from '../step';
import { flatted, bareCore, type Cuts } from './cuts';

export const FLAP_LENGTH = { from: 40, to: 50 };

/** Wood left standing in the crown of flaps, mm. */
const STUB = 2;

/** The steps in their order. */
export function stepsOf(cuts: Cuts): Step[] {
  return [...prepareStock(cuts), ...openFlaps(cuts), ...cutScion(cuts), ...setScion(cuts)];
}

/** The stock made ready, up to its cut. */
function prepareStock({ stock, length }: Cuts): Step[] {
  return [
    writeTags(),
    slipTest('a piece of the top'),
    step({
      id: 'clear',
      action: 'Clear all shoots below the cut, dead twigs too.',
      view: 'side',
      lookFor: 'A clean stem for two hands’ breadths.',
      caution: 'shears',
      wrong: { what: 'A twig is left inside the band’s way.', looks: 'The band stops half way up.' },
      apply: (p) => ({ ...p, stock: { ...p.stock, buds: [] } }),
    }),
    step({
      id: 'stock-off',
      action: 'Cut the stock square at a smooth place.',
      lookFor: 'Round, straight, no knot within the length of the flaps.',
      caution: 'saw',
      pull: 'down',
      figures: [{ name: 'stock', mm: stock }],
      wrong: { what: 'It is cut above a knot.', looks: 'A flap that tears at the knot.' },
      apply: (p) => ({ ...p, stock: toppedAt(p.stock, 0) }),
    }),
    step({
      id: 'band',
      action: 'Slip a rubber band over the stock now.',
      lookFor: 'It sits below where the flaps will end.',
      wrong: {
        what: 'The band is forgotten.',
        looks: 'Four flaps up, both hands full, and the band in the box.',
        point: 'band',
      },
      blocks: 'Once the flaps are open the band cannot be slipped on any more.',
      apply: (p) => covered(p, { kind: 'band', on: 'stock', from: -length - 5, to: -length - 2 }),
      spoil: (p) => p,
    }),
  ];
}

/** The bark cut into flaps and folded down. */
function openFlaps(cuts: Cuts): Step[] {
  const { length, quarter, stock, flap } = cuts;
  return [
    step({
      id: 'lines',
      action: 'Cut four straight lines down through the bark, evenly round.',
      view: 'front',
      caution: 'bud-cut',
      pull: 'down',
      figures: [
        {
          name: 'long',
          mm: length,
          range: FLAP_LENGTH,
          dimension: {
            piece: 'stock',
            view: 'front',
            from: [quarter, 0],
            to: [quarter, -length],
            off: stock / 2 - quarter + 5,
          },
        },
        { name: 'a quarter of the round', mm: flap },
      ],
      lookFor: 'Four strips of one width.',
      wrong: { what: 'The lines wander.', looks: 'One flap wide, its neighbour narrow.', point: 'flaps' },
      apply: (p) => ({
        ...p,
        stock: {
          ...scored(
            p.stock,
            [
              [-quarter, 0],
              [-quarter, -length],
            ],
            [
              [quarter, 0],
              [quarter, -length],
            ],
          ),
          flaps: { width: flap, length, foot: -length, state: 'cut' },
        },
      }),
      spoil: (p) => ({
        ...p,
        stock: scored(
          p.stock,
          [
            [-quarter, 0],
            [-quarter * 0.4, -length],
          ],
          [
            [quarter, 0],
            [quarter * 1.1, -length],
          ],
        ),
      }),
    }),
    ...bareFlaps(cuts),
  ];
}

/** The flaps folded down and the core taken out. */
function bareFlaps({ length, flap }: Cuts): Step[] {
  return [
    step({
      id: 'peel',
      action: 'Peel the four flaps down.',
      view: 'side',
      caution: 'bud-cut',
      lookFor: 'Whole strips, wet white wood inside.',
      wrong: { what: 'A flap is pulled sideways.', looks: 'It tears at its foot.', point: 'slip' },
      apply: (p) => ({
        ...p,
        stock: { ...bareCore(p.stock, length, 0), flaps: { width: flap, length, foot: -length, state: 'down' } },
      }),
    }),
    step({
      id: 'core',
      action: 'Snip the bared core out at the foot of the flaps.',
      view: 'side',
      caution: 'flap-shears',
      pull: 'down',
      figures: [{ name: 'stub left', mm: STUB }],
      lookFor: 'A square stub at the level where the flaps begin.',
      wrong: { what: 'The stub is left long.', looks: 'The scion stands too high for its flaps.', point: 'core' },
      apply: (p) => ({ ...p, stock: { ...bareCore(p.stock, length, -length + STUB), flaps: p.stock.flaps } }),
      spoil: (p) => ({ ...p, stock: { ...bareCore(p.stock, length, -length + 16), flaps: p.stock.flaps } }),
    }),
  ];
}

/** The scion chosen and cut. */
function cutScion({ choices, scion, tip, length, depth, flat }: Cuts): Step[] {
  return [
    chooseWood({
      action: 'Take a scion of the stock’s thickness and find which way its buds point.',
      lookFor: 'Calipers within a tenth; three or four buds, fully dormant.',
      wrong: { what: 'A thinner scion is taken.', looks: 'Flaps overlap and buckle.' },
      spoil: (p) => ({ ...p, scion: thinner(p.scion, 0.6, 0) }),
      figures: [{ name: 'scion', mm: scion }],
    }),
    step({
      id: 'trim',
      action: 'Trim brown ends off the scion.',
      lookFor: 'Bright green at both ends.',
      caution: 'shears',
      wrong: { what: 'A brown end is left on.', looks: 'A dry foot on the stub.', point: 'wood' },
      apply: (p) => ({ ...p, scion: toppedAt(footedAt(p.scion, 0), tip) }),
    }),
    step({
      id: 'flats',
      action: 'Shave four shallow flats down to the green, and leave the corners.',
      view: 'side',
      caution: 'long-cut',
      pull: 'down',
      figures: [
        {
          name: 'flats',
          mm: length,
          range: FLAP_LENGTH,
          dimension: {
            piece: 'scion',
            view: 'side',
            from: [scion / 2 - depth, 0],
            to: [scion / 2 - depth, length],
            off: depth + 5,
          },
        },
        { name: 'wide', mm: flat },
      ],
      lookFor: onFace('Green flats with a line of bark at each corner.', chosen(choices, KNIFE)),
      wrong: {
        what: 'They are cut to the wood.',
        looks: 'White flats that meet, no bark at the corners.',
        point: 'flats',
      },
      apply: (p) => ({ ...p, scion: flatted(p.scion, length, depth) }),
      spoil: (p) => ({ ...p, scion: flatted(p.scion, length, scion * 0.28) }),
    }),
  ];
}

/** The scion set, held and covered. */
function setScion({ choices, length, scion, depth }: Cuts): Step[] {
  return [
    step({
      id: 'join',
      action: 'Stand the scion on the stub inside the flaps, bring the flaps up and roll the band up over them.',
      joins: true,
      view: 'side',
      caution: 'hands-meet',
      lookFor: 'Each flap lies on its flat.',
      wrong: { what: 'A flap lies on a corner.', looks: 'Bark on bark, nothing to knit.', point: 'cambium' },
      apply: (p) => ({
        ...p,
        joined: true,
        stock: { ...p.stock, flaps: { ...p.stock.flaps!, state: 'up', on: scion / 2 - depth } },
        scion: posed(p.scion, { y: -length + STUB }),
        covers: p.covers.map((cover) =>
          cover.kind === 'band' ? { ...cover, from: -length * 0.55, to: -length * 0.55 + 3 } : cover,
        ),
      }),
      spoil: (p) => ({
        ...p,
        joined: true,
        stock: { ...p.stock, flaps: { ...p.stock.flaps!, state: 'up', on: scion / 2 - depth } },
        scion: posed(p.scion, { y: -length + 14 }),
      }),
    }),
    bindStep(-length - 4, 4, {
      kind: 'tape',
      width: TAPE_WIDTH.dark,
      action: 'Tape it airtight rather than tight, and leave a tail to pull',
      lookFor: 'No air gets in; the tail hangs free.',
    }),
    ...(chosen(choices, SUPPORT) === 'at-once'
      ? [
          step({
            id: 'brace',
            action: 'Tie a splint alongside, above and below the flaps.',
            lookFor: 'The scion cannot be bent.',
            wrong: { what: 'It is tied at one end only.', looks: 'It swings, and works the scion loose.' },
            apply: (p) => covered(p, { kind: 'brace', on: 'stock', from: -length - 12, to: 46 }),
          }),
        ]
      : []),
    step({
      id: 'foil',
      action:
        chosen(choices, DARK_SEAL) === 'foil'
          ? 'Put foil over the dark tape, and tie on bright flagging.'
          : 'Paint the dark tape white, and tie on bright flagging.',
      lookFor: 'No dark tape in the sun.',
      wrong: { what: 'Dark tape is left bare.', looks: 'It burns to the touch at noon.' },
      apply: (p) =>
        covered(p, {
          kind: chosen(choices, DARK_SEAL) === 'foil' ? 'foil' : 'seal',
          on: 'stock',
          from: -length - 4,
          to: 4,
        }),
    }),
    labelStep(-length - 8),
  ];
}
