import { OUTLINE_MODEL } from '../../contact/outline-union';
import { piecesView } from '../../drawing/pieces-view';
import { CAUTIONS } from '../cautions';
import * as field from '../common/fields';
import { joinedPieces } from '../common/joined-pieces';
import { assessOutline, bestOutlineContact, outlineCorrections } from '../common/outline-method';
import { assumedDepth, slicePlacement } from '../common/slice-fields';
import type { Method } from '../method';
import { BUD_SCHOOLS } from '../common/bud-care';
import { KNIT_SEEN } from '../schools/of-aftercare';
import { CHIP_COVER, TURNS } from '../schools/of-covering';
import { CUT_FIRST, KNIFE, SECOND_BUD } from '../schools/of-cutting';
import { BUD_WOOD } from '../schools/of-making';
import { CHIP_LENGTH } from './cuts';
import { ANCHORS, technique } from './technique';
import { slice } from '../template';
import { chord } from '../../drawing/workpieces';
import { FORCED_BUD, SLEEPING_BUD, SPRING_CHIP } from '../timetable/usual-rounds';
import { stepFigure } from '../common/step-figure';

export const chip: Method = {
  id: 'chip',
  name: 'Chip bud',
  inSentence: 'a chip bud',
  purpose: 'One bud on a chip of wood, set into a bed of its own shape. Needs no slipping bark and little wood.',
  use: {
    seasons: [
      {
        name: 'late summer',
        variant: 'late-summer',
        phase: 'before-frost',
        from: '08-01',
        to: '08-31',
        wood: ['budwood'],
      },
      {
        name: 'early September',
        variant: 'late-summer',
        phase: 'before-frost',
        from: '09-01',
        to: '09-20',
        wood: ['budwood'],
        besides: true,
      },
      {
        name: 'spring, with stored dormant wood',
        variant: 'spring',
        phase: 'waking',
        from: '04-01',
        to: '05-10',
        wood: ['dormant'],
        besides: true,
      },
      {
        name: 'early summer',
        variant: 'early-summer',
        phase: 'early-summer',
        from: '06-01',
        to: '07-31',
        wood: ['budwood'],
        besides: true,
      },
    ],
    when: 'Late summer with budwood of the season; also spring with stored dormant wood, and early summer. Bark need not slip.',
    bark: 'need not slip',
    scion: 'budwood, one bud',
    stock: { from: 6, to: 25, thicker: true },
    ratio: null,
    // Mostly on growing stocks where they stand; at the bench with dormant wood.
    places: ['field', 'bench', 'pot'],
    woodLength: 35,
    takes: { piece: 'bud', buds: 1 },
    several: 'along the stem',
    skill: 1,
  },
  contactModel: OUTLINE_MODEL,
  prior: { low: 0.85, high: 0.95, weight: 20 },
  fields: [
    field.diameter('stock'),
    field.diameter('scion', 'Stick Ø', "the bud stick's diameter"),
    field.length('stockLength', 'the length of the bed', 'Bed'),
    field.length('scionLength', 'the length of the chip', 'Chip'),
    field.bark('stock'),
    field.bark('scion'),
    field.further('stockDepth', 'the depth of the bed', 'Bed depth', assumedDepth('stock', 3, 1.2)),
    field.further('scionDepth', 'the depth of the chip', 'Chip depth', assumedDepth('scion', 3, 1.2)),
    slicePlacement('How the chip is set'),
    field.hollow('stockHollow', "the bed's hollow", 'Hollow of the bed'),
    field.hollow('scionHollow', "the chip's hollow", 'Hollow of the chip'),
    field.LIFT,
    field.TURN,
  ],
  example: { stockDiameter: 10, scionDiameter: 10, stockLength: 30, scionLength: 30 },
  shownWith: { stock: 12, scion: 9 },
  schools: [BUD_WOOD, SECOND_BUD, CUT_FIRST, KNIFE, TURNS, KNIT_SEEN, CHIP_COVER, ...BUD_SCHOOLS],
  technique,
  template: (choices, wood) => [
    slice(
      'Bed and chip',
      stepFigure(technique(choices, wood), 'bed', 'bed'),
      chord(wood.stock / 2, wood.stock / 2, stepFigure(technique(choices, wood), 'notch', 'deep')),
    ),
  ],
  earlySign: 'the leaf stub drops at a touch in 10 to 14 days; the chip is plump and green',
  failureSign: 'the stub withers and clings; the chip is brown and shrunken',
  variants: [
    { id: 'late-summer', words: 'in late summer', ...SLEEPING_BUD },
    { id: 'spring', words: 'with dormant wood in spring', ...SPRING_CHIP, choices: { [BUD_WOOD.id]: 'dormant' } },
    { id: 'early-summer', words: 'forced to grow at once', ...FORCED_BUD },
  ],
  callusDays: 14,
  knifeCaution: `${CAUTIONS['bud-cut'].text} ${CAUTIONS['hands-meet'].text} Know where the first-aid kit is; the club’s own rules come first.`,
  thresholds: ['matched', 'hairline', 'open', 'lengthTolerance'],
  assess: (figures, _marks, thresholds, choices) =>
    assessOutline(
      figures,
      CHIP_LENGTH,
      (_union, { unit }) =>
        piecesView(joinedPieces(technique, choices, figures, figures.stockLength), {
          view: 'front',
          unit,
          anchors: ANCHORS,
        }),
      thresholds,
    ),
  best: bestOutlineContact,
  corrections: (measures, figures, { grades }) =>
    outlineCorrections(measures, figures, 'chip', { range: CHIP_LENGTH }, grades),
};
