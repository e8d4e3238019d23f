import { NARROW_PATCH, PATCH_MODEL, patchContact, type PatchUnion } from '../../contact/patch-contact';
import { patchGrade } from '../../contact/patch-grade';
import { patchView } from '../../drawing/patch-view';
import { piecesView } from '../../drawing/pieces-view';
import { CAUTIONS } from '../cautions';
import * as field from '../common/fields';
import { joinedPieces } from '../common/joined-pieces';
import { towards } from '../common/towards';
import type { Figures } from '../measures';
import type { Method } from '../method';
import { PATCH_TOP, SHOOTS_WHEN, SUPPORT_LATER, TAPE_OFF } from '../schools/of-aftercare';
import { TAPE_OFF_BY } from '../schools/of-covering';
import { KNIFE } from '../schools/of-cutting';
import { FIG } from '../schools/of-kin';
import { PATCH_WOOD } from '../schools/of-making';
import { measured, prose } from '../../units/prose';
import { ANCHORS, technique } from './technique';
import { rectangle } from '../template';
import { SLEEPING_PATCH, SPRING_PATCH } from '../timetable/usual-rounds';
import { stepFigure } from '../common/step-figure';

/** Bark is thin at the ends of a patch: they touch within so much, mm, and not within what wood can bridge. A guess. */
const ENDS_TOUCH = 0.3;

function unionOf(figures: Figures): PatchUnion {
  return {
    bridging: ENDS_TOUCH,
    patchHeight: figures.patchHeight!,
    windowHeight: figures.windowHeight!,
    patchWidth: figures.patchWidth!,
    windowWidth: figures.windowWidth!,
    set: figures.set! > 0 ? 'top' : figures.set! < 0 ? 'bottom' : 'centre',
  };
}

export const patch: Method = {
  id: 'patch',
  name: 'Patch bud',
  inSentence: 'a patch bud',
  purpose: 'A rectangle of bark with one bud, laid into a window of the same height. For thick bark and nut kin.',
  use: {
    seasons: [
      { name: 'late spring', variant: 'spring', phase: 'leaves-out', from: '05-01', to: '06-30', wood: ['budwood'] },
      {
        name: 'late spring, with dormant wood warmed until its bark slips',
        variant: 'spring',
        phase: 'leaves-out',
        from: '05-01',
        to: '06-30',
        wood: ['dormant'],
        besides: true,
      },
      {
        name: 'early autumn, into new wood',
        variant: 'autumn',
        phase: 'before-frost',
        from: '09-01',
        to: '09-30',
        wood: ['budwood'],
      },
    ],
    when: 'Late spring, or early autumn into new wood; the bark must slip on both pieces.',
    bark: 'must slip',
    scion: 'smooth round budwood, one bud',
    stock: { from: 12, to: 60, thicker: true, guessed: true },
    ratio: null,
    places: ['field'],
    woodLength: 40,
    takes: { piece: 'bud', buds: 1 },
    several: 'along the stem',
    skill: 3,
  },
  contactModel: PATCH_MODEL,
  prior: { low: 0.65, high: 0.85, weight: 20 },
  fields: [
    field.diameter('stock'),
    field.diameter('scion', 'Stick Ø', "the bud stick's diameter"),
    field.length('patchHeight', 'the height of the patch', 'Patch height'),
    field.length('windowHeight', 'the height of the window', 'Window height'),
    field.further('patchWidth', 'the width of the patch', 'Patch width', 15, { least: 1 }),
    field.further('windowWidth', 'the width of the window', 'Window width', (figures) => figures.patchWidth!, {
      least: 1,
    }),
    field.bark('stock'),
    field.bark('scion'),
    {
      id: 'set',
      name: 'where the patch lies',
      short: 'Where the patch lies',
      unit: 'mm',
      least: -1,
      most: 1,
      place: 'picked',
      keepsPick: true,
      picks: [
        { id: 'top', words: 'Against the top', value: 1 },
        { id: 'centre', words: 'Middle', value: 0, usual: true },
        { id: 'bottom', words: 'Against the bottom', value: -1 },
      ],
    },
  ],
  example: { stockDiameter: 22, scionDiameter: 18, patchHeight: 30, windowHeight: 30 },
  shownWith: { stock: 22, scion: 18 },
  schools: [PATCH_WOOD, FIG, KNIFE, PATCH_TOP, TAPE_OFF_BY, TAPE_OFF, SHOOTS_WHEN, SUPPORT_LATER],
  technique,
  template: (choices, wood) => [
    rectangle(
      'Patch and window',
      'Cut it out and cut round it, on the stick and on the stock alike.',
      stepFigure(technique(choices, wood), 'sides', 'apart'),
      stepFigure(technique(choices, wood), 'slide', 'patch'),
    ),
  ],
  earlySign:
    'the patch is green and its edges callus; in spring the bud is fat in two to four weeks, in autumn it sleeps',
  failureSign: 'the patch is green and the bud hollow: the bark lives, nothing will grow',
  variants: [
    { id: 'spring', words: 'to grow at once', ...SPRING_PATCH, choices: { [PATCH_WOOD.id]: 'last-year' } },
    { id: 'autumn', words: 'in autumn', ...SLEEPING_PATCH },
  ],
  callusDays: 14,
  knifeCaution: `${CAUTIONS['bud-cut'].text} ${CAUTIONS.sap.text} Know where the first-aid kit is; the club’s own rules come first.`,
  thresholds: [],
  assess: (figures, _marks, _thresholds, choices) => {
    const union = unionOf(figures);
    const contact = patchContact(union);
    const contactGrade = patchGrade(union, contact);
    return {
      contact,
      contactGrade,
      grades: {
        cambium: contactGrade.grade,
        width: union.patchWidth < NARROW_PATCH * union.windowWidth ? 'poor' : 'good',
      },
      lines: ({ unit }) => patchView(union, contact, unit),
      side: ({ unit }) =>
        piecesView(joinedPieces(technique, choices, figures, figures.patchHeight), {
          view: 'front',
          unit,
          anchors: ANCHORS,
        }),
      section: null,
      reach: 0,
    };
  },
  best: (figures) => patchContact({ ...unionOf(figures), windowHeight: figures.patchHeight! }).contact,
  corrections: (measures, figures) =>
    towards(measures, figures, [
      {
        point: 'cambium',
        field: 'windowHeight',
        target: figures.patchHeight!,
        least: 0.3,
        say: (by) =>
          prose`Cut the window ${measured(Math.abs(by))} ${by < 0 ? 'shorter' : 'taller'}, to the patch's height: use one pair of blades for both.`,
      },
      {
        point: 'width',
        field: 'patchWidth',
        target: Math.max(figures.patchWidth!, NARROW_PATCH * figures.windowWidth! + 1),
        least: 0.3,
        say: (by) => prose`Cut the patch ${measured(by)} wider.`,
      },
    ]),
};
