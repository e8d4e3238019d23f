import { ROUNDING } from '@/core/units/tolerance';
import { SHIELD_MODEL, shieldContact, type ShieldUnion } from '../../contact/shield-contact';
import { shieldGrade } from '../../contact/shield-grade';
import { piecesView } from '../../drawing/pieces-view';
import { shieldView } from '../../drawing/shield-view';
import type { PointGrade } from '../../contact/grade';
import { CAUTIONS } from '../cautions';
import * as field from '../common/fields';
import { joinedPieces } from '../common/joined-pieces';
import { flatnessGrade } from '../common/measured-grades';
import { towards } from '../common/towards';
import type { Figures } from '../measures';
import type { Method } from '../method';
import { BUD_SCHOOLS } from '../common/bud-care';
import { BUD_COVER } from '../schools/of-covering';
import { KNIFE, SECOND_BUD, SLIVER, T_WAY } from '../schools/of-cutting';
import { CITRUS } from '../schools/of-kin';
import { measured, prose } from '../../units/prose';
import { DOWN_CUT, SHIELD_LENGTH } from './cuts';
import { ANCHORS, technique } from './technique';
import { tee } from '../template';
import { chosen } from '../school';
import { FORCED_BUD, SLEEPING_BUD } from '../timetable/usual-rounds';
import { stepFigure } from '../common/step-figure';

/** Whether the bark slipped and which way up the bud stands is seen, not measured: it comes from the marks. */
function unionOf(figures: Figures, marks: Record<string, PointGrade> = {}): ShieldUnion {
  return {
    shieldLength: figures.shieldLength!,
    downCut: figures.downCut!,
    inserted: figures.inserted!,
    hollow: figures.hollow!,
    slips: marks.slip !== 'fatal',
    wayUp: marks['way-up'] !== 'fatal',
  };
}

export const tBud: Method = {
  id: 't-bud',
  name: 'T-bud',
  inSentence: 'a T-bud',
  purpose:
    'One bud on a shield of bark, slid under the bark of a young stock through a T-shaped cut. Quick, and saves wood.',
  use: {
    seasons: [
      { name: 'summer', variant: 'late-summer', phase: 'before-frost', from: '06-15', to: '08-31', wood: ['budwood'] },
      {
        name: 'early summer, forced',
        variant: 'early-summer',
        phase: 'early-summer',
        from: '06-01',
        to: '06-14',
        wood: ['budwood'],
        besides: true,
      },
    ],
    when: 'Summer, the bark slipping, budwood of the season.',
    bark: 'must slip',
    scion: 'budwood, one bud',
    stock: { from: 6, to: 13 },
    ratio: null,
    places: ['field', 'pot'],
    woodLength: 35,
    takes: { piece: 'bud', buds: 1 },
    several: 'along the stem',
    skill: 1,
  },
  contactModel: SHIELD_MODEL,
  prior: { low: 0.8, high: 0.95, weight: 20 },
  fields: [
    field.diameter('stock'),
    field.diameter('scion', 'Stick Ø', "the bud stick's diameter"),
    field.length('shieldLength', 'the length of the shield', 'Shield'),
    field.bark('stock'),
    field.bark('scion'),
    field.further('downCut', 'the down cut', 'Down cut', DOWN_CUT, { least: 1 }),
    {
      ...field.further('inserted', 'how far the shield is in', 'How far it is in', (figures) =>
        Math.min(figures.shieldLength!, figures.downCut!),
      ),
      place: 'picked',
      typed: true,
      keepsPick: true,
      picks: [
        {
          id: 'all',
          words: 'All of it',
          value: (figures) => Math.min(figures.shieldLength!, figures.downCut!),
          usual: true,
        },
        {
          id: 'most',
          words: 'Three quarters',
          value: (figures) => Math.min(0.75 * figures.shieldLength!, figures.downCut!),
        },
        { id: 'half', words: 'Half', value: (figures) => Math.min(0.5 * figures.shieldLength!, figures.downCut!) },
      ],
    },
    field.hollow('hollow', "the hollow of the shield's back", 'Hollow of the back'),
  ],
  example: { stockDiameter: 10, scionDiameter: 8, shieldLength: 30 },
  shownWith: { stock: 10, scion: 8 },
  schools: [CITRUS, SECOND_BUD, T_WAY, SLIVER, KNIFE, BUD_COVER, ...BUD_SCHOOLS],
  technique,
  template: (choices, wood) => [
    tee(
      'T on the stock',
      DOWN_CUT,
      stepFigure(technique(choices, wood), 'cross', 'across'),
      chosen(choices, T_WAY) === 'inverted',
    ),
  ],
  earlySign: 'the leaf stub drops at a touch in 10 to 14 days; the shield is plump and green',
  failureSign: 'the stub withers and clings; the shield is brown and shrunken',
  variants: [
    { id: 'late-summer', words: 'in late summer', ...SLEEPING_BUD },
    { id: 'early-summer', words: 'forced to grow at once', ...FORCED_BUD },
  ],
  callusDays: 14,
  knifeCaution: `${CAUTIONS['bud-cut'].text} ${CAUTIONS['hands-meet'].text} Know where the first-aid kit is; the club’s own rules come first.`,
  thresholds: ['matched', 'hairline', 'open'],
  assess: (figures, marks, thresholds, choices) => {
    const union = unionOf(figures, marks);
    const contact = shieldContact(union);
    const contactGrade = shieldGrade(union, contact, thresholds.matched);
    const share = union.inserted / union.shieldLength;
    const width =
      2 * Math.sqrt(Math.max(1, (figures.scionDiameter! / 2) ** 2 - (figures.scionDiameter! / 2 - 2.2) ** 2));
    return {
      contact,
      contactGrade,
      grades: {
        cambium: contactGrade.grade,
        flatness: flatnessGrade(union.hollow, thresholds),
        'in-place': share >= 0.9 ? 'good' : share >= 0.4 ? 'poor' : 'fatal',
      },
      lines: ({ unit }) => shieldView(union, contact, width, unit),
      side: ({ unit }) =>
        piecesView(joinedPieces(technique, choices, figures, figures.shieldLength), {
          view: 'front',
          unit,
          anchors: ANCHORS,
        }),
      section: null,
      reach: 0,
    };
  },
  best: (figures) =>
    shieldContact({ ...unionOf(figures), hollow: 0, inserted: Math.min(figures.shieldLength!, figures.downCut!) })
      .contact,
  corrections: (measures, figures) => {
    const fits = Math.min(figures.shieldLength!, figures.downCut!);
    return towards(measures, figures, [
      {
        point: 'in-place',
        field: 'inserted',
        target: fits,
        least: 0.5,
        say: (by) => prose`Push the shield ${measured(by)} further in.`,
      },
      // What stands out of a T that is full can only be made shorter.
      {
        point: 'in-place',
        field: 'shieldLength',
        target: Math.min(figures.shieldLength!, Math.max(figures.inserted!, SHIELD_LENGTH.from)),
        least: 0.5,
        say: (by) => prose`Trim the shield ${measured(-by)} shorter, level with the cross cut.`,
      },
      {
        point: 'flatness',
        field: 'hollow',
        target: 0,
        least: ROUNDING,
        say: (by) => prose`Cut the shield in one straight pull: its back is ${measured(-by)} hollow.`,
      },
      {
        point: 'cambium',
        field: 'downCut',
        target: Math.max(figures.downCut!, figures.shieldLength!),
        least: 0.5,
        say: (by) => prose`Make the down cut ${measured(by)} longer, so that the whole shield goes in.`,
      },
    ]);
  },
};
