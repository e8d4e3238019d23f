import { ROUNDING } from '@/core/units/tolerance';
import { topWedgeContact, WEDGE_MODEL } from '../../contact/wedge-contact';
import { wedgeGrade } from '../../contact/wedge-grade';
import { piecesView } from '../../drawing/pieces-view';
import { wedgeView } from '../../drawing/wedge-view';
import { CAUTIONS } from '../cautions';
import * as field from '../common/fields';
import { joinedPieces } from '../common/joined-pieces';
import { flatnessGrade, lengthGrade } from '../common/measured-grades';
import { towards } from '../common/towards';
import { tiltPicks, wedgeUnionOf } from '../common/wedge-fields';
import type { Field } from '../field';
import type { Figures } from '../measures';
import type { Method } from '../method';
import { SHOOTS_WHEN, SUPPORT_LATER } from '../schools/of-aftercare';
import { RUBBER_OFF } from '../schools/of-covering';
import { KNIFE } from '../schools/of-cutting';
import { measured, prose } from '../../units/prose';
import { SLIT, WEDGE_LENGTH } from './steps';
import { ANCHORS, technique } from './technique';
import { wedge } from '../template';
import { TIP } from '../timetable/usual-rounds';
import { stepFigure } from '../common/step-figure';

/** Inset at which the outer lines, or the inner ones, meet. */
const outerMet = (figures: Figures): number => figures.stockBark! - figures.scionBark!;
const innerMet = (figures: Figures): number => figures.stockDiameter! - figures.scionDiameter! - outerMet(figures);

const INSET: Field = {
  id: 'inset',
  name: 'how far the wedge is set in',
  short: 'How the wedge is set',
  unit: 'mm',
  least: -50,
  most: 50,
  place: 'picked',
  typed: true,
  keepsPick: true,
  lies: 'inward',
  picks: [
    {
      id: 'middle',
      words: 'Middle',
      value: (figures) => (figures.stockDiameter! - figures.scionDiameter!) / 2,
      usual: true,
    },
    { id: 'outer', words: 'Outer lines met', value: outerMet },
    { id: 'inner', words: 'Inner lines met', value: innerMet },
  ],
};

export const topWedge: Method = {
  id: 'top-wedge',
  name: 'Top wedge',
  inSentence: 'a top wedge',
  purpose:
    'A small cleft of green wood on a growing tip. On a grown tree it brings a young plant to fruit years sooner.',
  use: {
    seasons: [
      { name: 'active growth, warm', phase: 'warm-growth', from: '05-15', to: '08-31', wood: ['tip', 'tip-open'] },
    ],
    when: 'Active growth, warm. Bark need not slip.',
    bark: 'need not slip',
    scion: 'a green tip, leaves off, wrapped in film first',
    stock: { from: 5, to: 12 },
    ratio: { from: 0.9, to: 1.1 },
    places: ['field'],
    woodLength: 60,
    takes: { piece: 'tip', buds: 1 },
    skill: 2,
    tropics: true,
  },
  contactModel: WEDGE_MODEL,
  prior: { low: 0.7, high: 0.9, weight: 20 },
  fields: [
    field.diameter('stock'),
    field.diameter('scion'),
    field.length('length', 'the length of the wedge', 'Wedge'),
    field.bark('stock'),
    field.bark('scion'),
    INSET,
    tiltPicks(),
    field.hollow('hollow', 'the gap of the faces', 'Gap of the faces'),
    field.further('split', 'the depth of the slit', 'Slit', (figures) => Math.max(SLIT, figures.length ?? 0)),
  ],
  example: { stockDiameter: 8, scionDiameter: 8, length: 19 },
  shownWith: { stock: 8, scion: 8 },
  schools: [KNIFE, RUBBER_OFF, SHOOTS_WHEN, SUPPORT_LATER],
  technique,
  template: (choices, wood) => [
    wedge('Wedge of the scion', wood.scion, stepFigure(technique(choices, wood), 'wedge', 'wedge')),
  ],
  earlySign: 'the tip stays plump under its film and swells within three to four weeks',
  failureSign: 'the tip blackens or wrinkles under the film',
  variants: [{ id: 'usual', words: '', ...TIP }],
  callusDays: 21,
  knifeCaution: `${CAUTIONS['bud-cut'].text} ${CAUTIONS['hands-meet'].text} Know where the first-aid kit is; the club’s own rules come first.`,
  thresholds: ['matched', 'hairline', 'open', 'lengthTolerance'],
  assess: (figures, _marks, thresholds, choices) => {
    const union = wedgeUnionOf(figures);
    const contact = topWedgeContact(union);
    const contactGrade = wedgeGrade(union, contact, thresholds.matched);
    return {
      contact,
      contactGrade,
      grades: {
        cambium: contactGrade.grade,
        flatness: flatnessGrade(union.hollow, thresholds),
        'cut-length': lengthGrade([union.length], WEDGE_LENGTH, thresholds),
      },
      lines: ({ unit }) => wedgeView(union, contact, unit),
      side: ({ unit }) =>
        piecesView(joinedPieces(technique, choices, figures, union.length), { view: 'front', unit, anchors: ANCHORS }),
      section: null,
      reach: 0,
    };
  },
  best: (figures) =>
    Math.max(
      ...[outerMet(figures), innerMet(figures), (figures.stockDiameter! - figures.scionDiameter!) / 2].map(
        (inset) => topWedgeContact({ ...wedgeUnionOf(figures), inset, tilt: 0, hollow: 0 }).contact,
      ),
    ),
  corrections: (measures, figures) =>
    towards(measures, figures, [
      {
        point: 'cambium',
        field: 'inset',
        target: outerMet(figures),
        least: 0.2,
        say: (by) =>
          prose`Set the wedge ${measured(Math.abs(by))} further ${by > 0 ? 'in' : 'out'}, until the outer green lines meet.`,
      },
      {
        point: 'cambium',
        field: 'tilt',
        target: 0,
        least: 0.5,
        say: (by) => `Stand the wedge up by ${Math.abs(by).toFixed(1)}°.`,
      },
      {
        point: 'flatness',
        field: 'hollow',
        target: 0,
        least: ROUNDING,
        say: (by) => prose`Recut the wedge in straight pulls: its faces stand ${measured(-by)} open.`,
      },
      {
        point: 'cut-length',
        field: 'length',
        target: SLIT,
        least: 2,
        say: (by) =>
          prose`Cut the wedge ${measured(Math.abs(by))} ${by > 0 ? 'longer' : 'shorter'}, to the slit's depth.`,
      },
    ]),
};
