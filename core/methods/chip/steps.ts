import {
  cutOn,
  footedAt,
  type Piece,
  posed,
  shoot,
  thinner,
  toppedAt,
  type Vertex,
  withKerf,
} from '../../drawing/workpieces';
import { prose } from '../../units/prose';
import { BUD_HEIGHT, heightFigure, HIGHER, secondBud } from '../common/bud-place';
import { bindStep, chooseWood, labelStep, onFace, step, writeTags } from '../common/steps';
import type { Wood } from '../method';
import { chosen, type Choices } from '../school';
import { CHIP_COVER, TURNS } from '../schools/of-covering';
import { CUT_FIRST, KNIFE, SECOND_BUD } from '../schools/of-cutting';
import type { Step } from '../step';

export const CHIP_LENGTH = { from: 24, to: 38 };

/** The notch: from the bark down into the wood at 45 degrees, so that its lip holds the chip's foot. */
function notchOf(length: number, depth: number): [Vertex, Vertex] {
  return [
    [-length / 2 + depth, 0],
    [-length / 2, depth],
  ];
}

/** Height at which a slice `length` long runs out at the bark. */
function topOf(length: number, depth: number): number {
  return Math.sqrt(Math.max(0, length ** 2 - depth ** 2)) - length / 2;
}

/** Corners of a bed: the notch, then a slice that runs out at the top. */
function bedOf(length: number, depth: number): Vertex[] {
  return [...notchOf(length, depth), [topOf(length, depth), 0]];
}

/** The chip by itself: what lies in front of the slice, its foot cut to the notch. */
function chipOf(stick: Piece, length: number, depth: number): Piece {
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
function seated(chipPiece: Piece, stock: Piece, length: number, bed: number, chip: number): Piece {
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
        { y: 0, side: 'front', handle: true },
        { y: length / 2 + 12, side: 'back', handle: true },
      ],
    }),
  };
  return { choices, stock, scion, length, bed, chip, budFirst, cover, second, room, aside, start };
}

export type Cuts = ReturnType<typeof cutsOf>;

/** The steps in their order. */
export function stepsOf(cuts: Cuts): Step[] {
  const cutBoth = cuts.budFirst ? [...chipSteps(cuts), ...bedSteps(cuts)] : [...bedSteps(cuts), ...chipSteps(cuts)];
  return [...chooseWoods(cuts), ...cutBoth, fitStep(cuts), ...setChip(cuts)];
}

/** Stock and scion chosen. */
function chooseWoods({ stock, scion }: Cuts): Step[] {
  return [
    writeTags(),
    chooseWood({
      action: 'Take a bud stick and find which way its buds point: bud above, leaf scar below.',
      lookFor: 'Plump buds from the middle of the stick.',
      wrong: { what: 'Buds of the soft tip are used.', looks: 'Thin buds that shrivel in a week.', point: 'wood' },
      figures: [
        { name: 'stock', mm: stock },
        { name: 'bud stick', mm: scion },
      ],
    }),
    step({
      id: 'wipe',
      action: 'Choose a straight smooth place on the stock and wipe it clean, leaves off.',
      noCut: true,
      signs: [{ sign: 'rub', on: 'stock' }],
      lookFor: prose`No soil where the blade passes, and clear of the stock’s own buds.${HIGHER}`,
      figures: [heightFigure(BUD_HEIGHT)],
      wrong: { what: 'Grit is left on.', looks: 'A nicked blade and a ragged bed.', point: 'clean' },
      apply: (w) => w,
    }),
  ];
}

/** One piece fitted to the other, whichever was cut first. */
function fitStep({ budFirst }: Cuts): Step {
  return step({
    id: 'fit',
    action: budFirst
      ? 'Hold the chip to its bed and pare the bed until they are alike.'
      : 'Trim the chip’s foot and sides to the bed.',
    noCut: true,
    signs: [{ sign: 'rub', on: budFirst ? 'stock' : 'scion' }],
    caution: 'bud-cut',
    lookFor: 'Chip and bed alike in length and width; strokes of fitting are not counted.',
    wrong: { what: 'A long foot is pressed in.', looks: 'The chip bows and stands off its bed.', point: 'cut-length' },
    apply: (w) => w,
  });
}

/** The chip set and wrapped. */
function setChip({ choices, bed, chip, aside, length, cover, second, room }: Cuts): Step[] {
  return [
    step({
      id: 'join',
      action: 'Push the chip’s foot behind the lip of the notch; match both sides, or one side on purpose.',
      joins: true,
      view: 'front',
      caution: 'hands-meet',
      lookFor: 'The lip holds the chip’s foot; green on green at a side at least.',
      wrong: { what: 'A narrow chip is centred.', looks: 'A ring of bare wood all round the chip.', point: 'cambium' },
      apply: (w) => ({
        ...w,
        joined: true,
        scion: {
          ...posed(seated(w.scion, w.stock, length, bed, chip), { w: Math.abs(aside) > 0.5 ? -aside : 0 }),
          tucked: true,
        },
      }),
      spoil: (w) => ({
        ...w,
        joined: true,
        // A narrower chip than its bed, with a ring of bare wood round it.
        scion: {
          ...thinner(posed(seated(w.scion, w.stock, length, bed, chip), { w: 0 }), 0.7, w.scion.diameter - chip),
          tucked: true,
        },
      }),
    }),
    ...secondBud(second, 'chip', room),
    bindStep(-length / 2 - 6, length / 2 + 6 + room, {
      kind: cover === 'film' ? 'film' : 'rubber',
      bud: cover === 'out' ? 'clear' : 'covered',
      action: {
        out: 'Wrap rubber from below upwards, tight, and leave the bud out',
        film: 'Stretch thin film from below upwards, tight, one layer over the bud',
        rubber: 'Wrap rubber from below upwards, tight, over the bud as well',
        'film-rubber':
          'Stretch one layer of film over all, then wrap rubber from below upwards, tight, the bud free of it',
      }[cover],
      turns: chosen(choices, TURNS),
      lookFor: {
        out: 'Flat turns without a gap above and below the bud; the chip cannot be moved.',
        film: 'The film clings; the bud’s shape shows through one layer.',
        rubber: 'Flat turns without a gap, the bud pressed under them.',
        'film-rubber': 'The bud’s shape shows through one layer of film, rubber flat above and below it.',
      }[cover],
    }),
    labelStep(-length / 2 - 10),
  ];
}

/** The bed cut in the stock. */
function bedSteps({ choices, bed, length, stock }: Cuts): Step[] {
  return [
    step({
      id: 'notch',
      action: 'On the stock, cut the notch: blade in at the bark and down into the wood, at 45 degrees.',
      caution: 'bud-cut',
      pull: 'down',
      figures: [{ name: 'deep', mm: Math.round(bed * 10) / 10, range: { from: 3, to: 4 } }],
      lookFor: 'A clean short cut under a lip of bark and wood.',
      wrong: { what: 'It is cut too flat.', looks: 'A thin lip that does not hold the chip’s foot.', point: 'notch' },
      apply: (w) => ({ ...w, stock: withKerf(w.stock, 'front', ...notchOf(length, bed)) }),
      spoil: (w) => ({
        ...w,
        stock: withKerf(w.stock, 'front', [-length / 2 + bed * 2.6, 0], [-length / 2, bed * 0.7]),
      }),
    }),
    step({
      id: 'bed',
      action: 'From above, slice down to the bottom of the notch and lift the strip out.',
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
            from: [stock / 2 - bed, -length / 2],
            to: [stock / 2, topOf(length, bed)],
            off: 5,
          },
        },
      ],
      lookFor: onFace(
        'A flat bed with a green line all round; deeper is wider, so fit its depth to the bud.',
        chosen(choices, KNIFE),
      ),
      wrong: { what: 'The slice is scooped.', looks: 'The chip rocks on its ends.', point: 'flatness' },
      apply: (w) => ({ ...w, stock: { ...cutOn(w.stock, 'front', bedOf(length, bed)), kerfs: [] } }),
      spoil: (w) => ({
        ...w,
        stock: cutOn(w.stock, 'front', [...notchOf(length, bed), [0, bed * 1.5], [topOf(length, bed), 0]]),
      }),
    }),
  ];
}

/** The chip cut to fit it. */
function chipSteps({ length, chip, scion }: Cuts): Step[] {
  return [
    step({
      id: 'chip-notch',
      action: 'On the bud stick, cut the same notch below the bud, down and in.',
      caution: 'bud-cut',
      pull: 'down',
      figures: [{ name: 'below the bud', mm: length / 2, range: { from: 12, to: 19 } }],
      lookFor: 'At the same angle as on the stock.',
      wrong: { what: 'It is cut too near the bud.', looks: 'A chip too short for its bed.' },
      apply: (w) => ({ ...w, scion: withKerf(w.scion, 'front', ...notchOf(length, chip)) }),
    }),
    step({
      id: 'chip',
      action: 'Slice down behind the bud to the bottom of the notch. Hold the chip by its leaf stub or on the blade.',
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
            from: [scion / 2 - chip, -length / 2],
            to: [scion / 2, topOf(length, chip)],
            off: 5,
          },
        },
      ],
      lookFor: 'The chip is as long as the bed or a little longer, a thin sliver of wood behind it.',
      wrong: { what: 'The face is held with the fingers.', looks: 'Skin oil and soil on the green.', point: 'clean' },
      apply: (w) => ({ ...w, scion: { ...chipOf(w.scion, length, chip), name: 'chip' } }),
      spoil: (w) => ({ ...w, scion: { ...chipOf(w.scion, length * 0.62, chip * 0.8), name: 'chip' } }),
    }),
  ];
}
