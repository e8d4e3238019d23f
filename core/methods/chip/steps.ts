import { cutOn, footedAt, type Piece, posed, shoot, toppedAt, type Vertex, withKerf } from '../../drawing/workpieces';
import { bindStep, chooseWood, labelStep, step, writeTags } from '../common/steps';
import type { Wood } from '../method';
import { chosen, type Choices } from '../school';
import * as school from '../schools';
import type { Step } from '../step';

export const CHIP_LENGTH = { from: 24, to: 38 };

/** Corners of a bed or a chip: a notch at 45 degrees, then a slice that runs out at the top. */
function profile(length: number, depth: number): Vertex[] {
  return [
    [-length / 2, 0],
    [-length / 2 + depth, depth],
    [length / 2, 0],
  ];
}

/** The chip by itself: what lies in front of the two cuts. */
function chipOf(stick: Piece, length: number, depth: number): Piece {
  return {
    ...cutOn(
      toppedAt(footedAt(stick, -length / 2), length / 2),
      'back',
      profile(length, depth).map(([y, d]): Vertex => [y, stick.diameter - d]),
    ),
    kerfs: [],
  };
}

/** Depth of a bed: through the bark and a little into the wood, 3 to 4 mm on usual stocks, never past the middle. */
function depthOf(diameter: number, bark: number): number {
  return Math.min(diameter / 2, Math.max(3, bark + 1.2));
}

/** What the steps are drawn from, for a choice of schools and a pair of wood; lengths in mm. */
export function cutsOf(choices: Choices, wood: Wood) {
  const { stock, scion } = wood;
  const length = Math.round(wood.length ?? 30);
  const bed = depthOf(stock, wood.stockBark);
  const chip = depthOf(scion, wood.scionBark);
  const budFirst = chosen(choices, school.CUT_FIRST) === 'bud';
  const cover = chosen(choices, school.BUD_COVER);
  const layers = chosen(choices, school.TURNS) === 'layers';
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
      top: length / 2 + 26,
      goesOn: { foot: true, top: true },
      buds: [{ y: length / 2 + 14, side: 'back' }],
    }),
    scion: shoot({
      name: 'bud stick',
      diameter: scion,
      bark: wood.scionBark,
      foot: -length / 2 - 22,
      top: length / 2 + 22,
      goesOn: { foot: true, top: true },
      buds: [
        { y: 0, side: 'front', handle: true },
        { y: length / 2 + 12, side: 'back', handle: true },
      ],
    }),
  };
  return { choices, stock, scion, length, bed, chip, budFirst, cover, layers, aside, start };
}

export type Cuts = ReturnType<typeof cutsOf>;

/** The steps in their order. */
export function stepsOf(cuts: Cuts): Step[] {
  return [...chooseWoods(cuts), ...setChip(cuts)];
}

/** Stock and scion chosen. */
function chooseWoods(cuts: Cuts): Step[] {
  const { stock, scion, budFirst } = cuts;
  return [
    writeTags(),
    chooseWood(
      'Take a bud stick and find which way its buds point: bud above, leaf scar below.',
      'Plump buds from the middle of the stick.',
      { what: 'Buds of the soft tip are used.', looks: 'Thin buds that shrivel in a week.', point: 'wood' },
      [
        { name: 'stock', mm: stock },
        { name: 'bud stick', mm: scion },
      ],
    ),
    step({
      id: 'wipe',
      action: 'Wipe the stock clean where the bed goes, leaves off.',
      noCut: true,
      lookFor: 'No soil where the blade passes.',
      wrong: { what: 'Grit is left on.', looks: 'A nicked blade and a ragged bed.', point: 'clean' },
      apply: (w) => w,
    }),
    ...(budFirst ? [...chipSteps(cuts), ...bedSteps(cuts)] : [...bedSteps(cuts), ...chipSteps(cuts)]),
  ];
}

/** The chip set and wrapped. */
function setChip({ stock, bed, scion, chip, aside, length, cover, layers }: Cuts): Step[] {
  return [
    step({
      id: 'join',
      action: 'Seat the chip in the notch; match both sides, or one side on purpose.',
      joins: true,
      view: 'front',
      caution: 'hands-meet',
      lookFor: 'The chip’s foot is in the notch, green on green at a side at least.',
      wrong: { what: 'A narrow chip is centred.', looks: 'A ring of bare wood all round the chip.', point: 'cambium' },
      apply: (w) => ({
        ...w,
        joined: true,
        scion: posed(w.scion, { u: stock / 2 - bed - (scion / 2 - chip), w: Math.abs(aside) > 0.5 ? -aside : 0 }),
      }),
      spoil: (w) => ({
        ...w,
        joined: true,
        scion: posed(w.scion, { u: stock / 2 - bed - (scion / 2 - chip), w: 0, y: 4 }),
      }),
    }),
    bindStep(-length / 2 - 6, length / 2 + 6, cover === 'film' ? 'film' : 'rubber', {
      action: `Wrap ${cover === 'film' ? 'thin film' : 'rubber'} from below upwards, ${layers ? 'two layers' : 'few turns'}, tight${cover === 'out' ? ', the bud left out' : ', the bud covered'}.`,
    }),
    labelStep(-length / 2 - 10),
  ];
}

/** The bed cut in the stock. */
function bedSteps({ bed, length, stock }: Cuts): Step[] {
  return [
    step({
      id: 'notch',
      action: 'On the stock, cut the notch: short and steep, at 45 degrees.',
      caution: 'bud-cut',
      pull: 'down',
      figures: [{ name: 'deep', mm: Math.round(bed * 10) / 10, range: { from: 3, to: 4 } }],
      lookFor: 'A clean short cut that ends in the wood.',
      wrong: { what: 'It is cut flat.', looks: 'Nothing holds the chip’s foot.', point: 'notch' },
      apply: (w) => ({ ...w, stock: withKerf(w.stock, 'front', [-length / 2, 0], [-length / 2 + bed, bed]) }),
      spoil: (w) => ({
        ...w,
        stock: withKerf(w.stock, 'front', [-length / 2, 0], [-length / 2 + bed * 2.6, bed * 0.7]),
      }),
    }),
    step({
      id: 'bed',
      action: 'From above, slice down to the notch and lift the strip out.',
      caution: 'bud-cut',
      pull: 'down',
      figures: [
        {
          name: 'bed',
          mm: length,
          range: CHIP_LENGTH,
          dimension: {
            piece: 'stock',
            view: 'side',
            from: [stock / 2, -length / 2],
            to: [stock / 2, length / 2],
            off: 5,
          },
        },
      ],
      lookFor: 'A flat bed with a green line all round; deeper is wider.',
      wrong: { what: 'The slice is scooped.', looks: 'The chip rocks on its ends.', point: 'flatness' },
      apply: (w) => ({ ...w, stock: { ...cutOn(w.stock, 'front', profile(length, bed)), kerfs: [] } }),
      spoil: (w) => ({
        ...w,
        stock: cutOn(w.stock, 'front', [
          [-length / 2, 0],
          [-length / 2 + bed, bed],
          [0, bed * 1.5],
          [length / 2, 0],
        ]),
      }),
    }),
  ];
}

/** The chip cut to fit it. */
function chipSteps({ length, chip, scion }: Cuts): Step[] {
  return [
    step({
      id: 'chip-notch',
      action: 'On the bud stick, cut the same notch below the bud.',
      caution: 'bud-cut',
      pull: 'down',
      figures: [{ name: 'below the bud', mm: length / 2, range: { from: 12, to: 19 } }],
      lookFor: 'At the same angle as on the stock.',
      wrong: { what: 'It is cut too near the bud.', looks: 'A chip too short for its bed.' },
      apply: (w) => ({ ...w, scion: withKerf(w.scion, 'front', [-length / 2, 0], [-length / 2 + chip, chip]) }),
    }),
    step({
      id: 'chip',
      action: 'Slice down behind the bud to the notch. Hold the chip by its leaf stub or on the blade.',
      caution: 'bud-cut',
      pull: 'down',
      figures: [
        {
          name: 'chip',
          mm: length,
          range: CHIP_LENGTH,
          dimension: {
            piece: 'scion',
            view: 'side',
            from: [scion / 2, -length / 2],
            to: [scion / 2, length / 2],
            off: 5,
          },
        },
      ],
      lookFor: 'The chip is as long as the bed, a thin sliver of wood behind it.',
      wrong: { what: 'The face is held with the fingers.', looks: 'Skin oil and soil on the green.', point: 'clean' },
      apply: (w) => ({ ...w, scion: { ...chipOf(w.scion, length, chip), name: 'chip' } }),
      spoil: (w) => ({ ...w, scion: { ...chipOf(w.scion, length * 0.62, chip * 0.8), name: 'chip' } }),
    }),
  ];
}
