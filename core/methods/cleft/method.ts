import { ROUNDING } from '@/core/units/tolerance';
import { cleftContact, WEDGE_MODEL } from '../../contact/wedge-contact';
import { wedgeGrade } from '../../contact/wedge-grade';
import { piecesView } from '../../drawing/pieces-view';
import { wedgeView } from '../../drawing/wedge-view';
import { CAUTIONS } from '../cautions';
import * as field from '../common/fields';
import { joinedPieces } from '../common/joined-pieces';
import { flatnessGrade, lengthGrade } from '../common/measured-grades';
import { towards } from '../common/towards';
import { tiltPicks, wedgePlacement, wedgeUnionOf } from '../common/wedge-fields';
import type { Method } from '../method';
import { FIELD_GRAFT_SCHOOLS } from '../common/field-graft';
import { COAT, FILM_WHEN, SEALANT, STUMP, TAPE_OFF_BY } from '../schools/of-covering';
import { BUDS, KNIFE } from '../schools/of-cutting';
import { CLEFT_STUMPS } from '../stump-scions';
import { SPENT_WOOD_WORDS, SWELLING_WORDS } from '../timetable/first-movement';
import { measured, prose } from '../../units/prose';
import { WEDGE_LENGTH } from './steps';
import { ANCHORS, technique } from './technique';
import { wedge } from '../template';
import { OUTDOOR } from '../timetable/usual-rounds';
import { stepFigure } from '../common/step-figure';

export const cleft: Method = {
  id: 'cleft',
  name: 'Cleft',
  inSentence: 'a cleft graft',
  purpose: 'Sets a dormant wedge into a split limb: for limbs much thicker than the scion, before the bark slips.',
  use: {
    seasons: [{ name: 'early spring', phase: 'waking', from: '03-01', to: '04-20', wood: ['dormant'] }],
    when: 'Early spring, the stock’s buds swelling, the scion fully dormant. Bark need not slip.',
    bark: 'need not slip',
    scion: 'dormant, two buds, cut to a wedge',
    stock: { from: 10, to: 60 },
    ratio: { from: 0.2, to: 1 },
    places: ['field'],
    woodLength: 80,
    takes: { piece: 'scion', buds: 2 },
    several: 'around the stump',
    skill: 1,
  },
  contactModel: WEDGE_MODEL,
  prior: { low: 0.75, high: 0.9, weight: 20 },
  fields: [
    field.diameter('stock'),
    field.diameter('scion'),
    field.length('length', 'the length of the wedge', 'Wedge'),
    field.bark('stock'),
    field.bark('scion'),
    wedgePlacement(),
    tiltPicks(),
    field.hollow('hollow', 'the gap of the faces', 'Gap of the faces'),
    field.further('split', 'the depth of the split', 'Split', (figures) => Math.max(40, figures.length ?? 0)),
  ],
  example: { stockDiameter: 26, scionDiameter: 9, length: 34 },
  shownWith: { stock: 26, scion: 9 },
  stumps: CLEFT_STUMPS,
  schools: [BUDS, KNIFE, FILM_WHEN, SEALANT, COAT, STUMP, TAPE_OFF_BY, ...FIELD_GRAFT_SCHOOLS],
  technique,
  template: (choices, wood) => [
    wedge('Wedge of the scion', wood.scion, stepFigure(technique(choices, wood), 'wedge', 'wedge')),
  ],
  earlySign: SWELLING_WORDS,
  failureSign: SPENT_WOOD_WORDS,
  variants: [{ id: 'usual', words: '', ...OUTDOOR }],
  callusDays: 21,
  knifeCaution: `${CAUTIONS.driven.text} ${CAUTIONS['long-cut'].text} Know where the first-aid kit is; the club’s own rules come first.`,
  thresholds: ['matched', 'hairline', 'open', 'lengthTolerance'],
  assess: (figures, _marks, thresholds, choices) => {
    const union = wedgeUnionOf(figures);
    const contact = cleftContact(union);
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
    cleftContact({ ...wedgeUnionOf(figures), inset: figures.stockBark! - figures.scionBark!, tilt: 0, hollow: 0 })
      .contact,
  corrections: (measures, figures) =>
    towards(measures, figures, [
      {
        point: 'cambium',
        field: 'inset',
        target: figures.stockBark! - figures.scionBark!,
        least: 0.2,
        say: (by) =>
          prose`Set the wedge ${measured(Math.abs(by))} further ${by > 0 ? 'in' : 'out'}, until the green lines meet under the bark.`,
      },
      {
        point: 'cambium',
        field: 'tilt',
        target: 0,
        least: 0.5,
        say: (by) =>
          `Stand the wedge up by ${Math.abs(by).toFixed(1)}°, so that the lines run together all the way down.`,
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
        target: Math.max(WEDGE_LENGTH.from, Math.min(WEDGE_LENGTH.to, figures.length!)),
        least: 1,
        say: (by) => prose`Cut the wedge ${measured(Math.abs(by))} ${by > 0 ? 'longer' : 'shorter'}.`,
      },
    ]),
};
