import { cutOn, posed, thinner, withKerf } from '../../drawing/workpieces';
import { prose } from '../../units/prose';
import { BUD_HEIGHT, heightFigure, HIGHER, secondBud } from '../common/bud-place';
import { bindStep, chooseWood, labelStep, onFace, step, writeTags } from '../common/steps';
import { chosen } from '../school';
import { type BudCover, TURNS } from '../schools/of-covering';
import { KNIFE } from '../schools/of-cutting';
import type { Step } from '../step';
import { bedOf, CHIP_LENGTH, chipOf, type Cuts, notchOf, seated, topOf } from './cuts';

/** The steps in their order. */
export function stepsOf(cuts: Cuts): Step[] {
  const cutBoth = cuts.budFirst ? [...chipSteps(cuts), ...bedSteps(cuts)] : [...bedSteps(cuts), ...chipSteps(cuts)];
  return [...chooseWoods(cuts), ...cutBoth, fitStep(cuts), ...setChip(cuts)];
}

/** Stock and scion chosen. */
function chooseWoods({ dormant, stock, scion }: Cuts): Step[] {
  return [
    writeTags(),
    chooseWood({
      action: dormant
        ? 'Take a dormant stick from the cold and find which way its buds point: bud above, leaf scar below.'
        : 'Take a bud stick and find which way its buds point: bud above, leaf scar below.',
      lookFor: dormant
        ? 'Buds still shut, bright green under the bark, from the middle of the stick.'
        : 'Plump buds from the middle of the stick.',
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

/** How a chip is wrapped, by how its bud lies under the wrap. */
const WRAPPED: Record<BudCover, { action: string; lookFor: string }> = {
  out: {
    action: 'Wrap rubber from below upwards, tight, and leave the bud out',
    lookFor: 'Flat turns without a gap above and below the bud; the chip cannot be moved.',
  },
  film: {
    action: 'Stretch thin film from below upwards, tight, one layer over the bud',
    lookFor: 'The film clings; the bud’s shape shows through one layer.',
  },
  rubber: {
    action: 'Wrap rubber from below upwards, tight, over the bud as well',
    lookFor: 'Flat turns without a gap, the bud pressed under them.',
  },
  'film-rubber': {
    action: 'Stretch one layer of film over all, then wrap rubber from below upwards, tight, the bud free of it',
    lookFor: 'The bud’s shape shows through one layer of film, rubber flat above and below it.',
  },
};

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
      ...WRAPPED[cover],
      ...(second === 'above' && !cover.startsWith('film')
        ? { action: `${WRAPPED[cover].action}; film over both chips besides` }
        : {}),
      turns: chosen(choices, TURNS),
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
function chipSteps({ dormant, length, chip, scion }: Cuts): Step[] {
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
      action: dormant
        ? 'Slice down behind the bud to the bottom of the notch. Hold the chip on the blade: it has no stub.'
        : 'Slice down behind the bud to the bottom of the notch. Hold the chip by its leaf stub or on the blade.',
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
