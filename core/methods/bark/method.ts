import { ROUNDING } from '@/core/units/tolerance';
import { barkContact, LAID_FACE_MODEL } from '../../contact/laid-face-contact';
import { laidFaceGrade } from '../../contact/laid-face-grade';
import { laidFaceSection, laidFaceView } from '../../drawing/laid-face-view';
import { piecesView } from '../../drawing/pieces-view';
import { CAUTIONS } from '../cautions';
import { joinedPieces } from '../common/joined-pieces';
import { LAID_FIELDS, laidFaceOf } from '../common/laid-face-fields';
import { flatnessGrade, lengthGrade, windowGrade } from '../common/measured-grades';
import { towards } from '../common/towards';
import type { Method } from '../method';
import { FIELD_GRAFT_SCHOOLS } from '../common/field-graft';
import { TAPE_OFF } from '../schools/of-aftercare';
import { COAT, FILM_WHEN, SEALANT, STUMP, TAPE_OFF_BY } from '../schools/of-covering';
import { BUDS, KNIFE, OUTER_BARK, SCION_END, SLITS } from '../schools/of-cutting';
import { BARK_STUMPS } from '../stump-scions';
import { SPENT_WOOD_WORDS, SWELLING_WORDS } from '../timetable/first-movement';
import { measured, mm, prose } from '../../units/prose';
import { FACE_LENGTH } from './cuts';
import { ANCHORS, technique } from './technique';
import { slots } from '../template';
import { COVERED } from '../timetable/usual-rounds';
import { stepFigure } from '../common/step-figure';

export const bark: Method = {
  id: 'bark',
  name: 'Bark graft',
  inSentence: 'a bark graft',
  purpose: 'Slides a thin scion under the slipping bark of a thick stock through one slit.',
  use: {
    seasons: [
      { name: 'spring, leaves out', phase: 'leaves-out', from: '04-15', to: '06-20', wood: ['dormant'] },
      {
        name: 'indoors, on stocks warmed until the bark slips',
        phase: 'warmed',
        from: '02-15',
        to: '04-14',
        wood: ['dormant'],
        places: ['bench'],
        besides: true,
      },
    ],
    when: 'Spring with the leaves out, or indoors on stocks warmed until the bark slips. The scion fully dormant.',
    bark: 'must slip',
    scion: 'dormant, one to three buds',
    stock: { from: 12, atBench: 8, to: 100 },
    ratio: { from: 0.1, to: 0.6 },
    places: ['bench', 'field'],
    woodLength: 70,
    takes: { piece: 'scion', buds: 2 },
    several: 'around the stump',
    skill: 1,
  },
  contactModel: LAID_FACE_MODEL,
  prior: { low: 0.7, high: 0.9, weight: 20 },
  fields: LAID_FIELDS,
  example: { stockDiameter: 30, scionDiameter: 7, length: 35 },
  shownWith: { stock: 30, scion: 8 },
  stumps: BARK_STUMPS,
  schools: [
    BUDS,
    SLITS,
    SCION_END,
    OUTER_BARK,
    KNIFE,
    FILM_WHEN,
    SEALANT,
    COAT,
    STUMP,
    TAPE_OFF_BY,
    TAPE_OFF,
    ...FIELD_GRAFT_SCHOOLS,
  ],
  technique,
  template: (choices, wood) => [
    slots(
      'Slit',
      'Lay the rim line on the rim and prick through.',
      wood.scion,
      stepFigure(technique(choices, wood), 'slit', 'slit'),
      1,
    ),
  ],
  earlySign: SWELLING_WORDS,
  failureSign: SPENT_WOOD_WORDS,
  variants: [{ id: 'usual', words: '', ...COVERED }],
  callusDays: 21,
  knifeCaution: `${CAUTIONS['long-cut'].text} ${CAUTIONS['bud-cut'].text} Know where the first-aid kit is; the club’s own rules come first.`,
  thresholds: ['matched', 'hairline', 'open', 'lengthTolerance', 'windowFrom', 'windowTo'],
  assess: (figures, _marks, thresholds, choices) => {
    const face = laidFaceOf(figures);
    const contact = barkContact(face);
    const contactGrade = laidFaceGrade(face, contact, thresholds.matched);
    return {
      contact,
      contactGrade,
      grades: {
        cambium: contactGrade.grade,
        flatness: flatnessGrade(face.hollow, thresholds),
        'cut-length': lengthGrade([face.length], FACE_LENGTH, thresholds),
        window: windowGrade(face.window, thresholds),
      },
      lines: ({ unit }) => laidFaceView(face, contact, unit),
      side: ({ unit }) =>
        piecesView(joinedPieces(technique, choices, figures, face.length), { view: 'side', unit, anchors: ANCHORS }),
      section: (_level, unit) => laidFaceSection(face, contact, unit),
      reach: 0,
    };
  },
  best: (figures) => barkContact({ ...laidFaceOf(figures), hollow: 0 }).contact,
  corrections: (measures, figures) =>
    towards(measures, figures, [
      {
        point: 'flatness',
        field: 'hollow',
        target: 0,
        least: ROUNDING,
        say: (by) => prose`Recut the face in one straight pull: it is ${measured(-by)} hollow.`,
      },
      {
        point: 'window',
        field: 'window',
        target: Math.max(6, Math.min(13, figures.window!)),
        least: 0.5,
        say: (by) =>
          prose`${by > 0 ? 'Draw the scion up' : 'Push the scion down'} ${measured(Math.abs(by))}, so that ${mm(6, 13)} of face shows.`,
      },
      {
        point: 'cut-length',
        field: 'length',
        target: Math.max(FACE_LENGTH.from, Math.min(FACE_LENGTH.to, figures.length!)),
        least: 1,
        say: (by) => prose`Cut the face ${measured(Math.abs(by))} ${by > 0 ? 'longer' : 'shorter'}.`,
      },
      {
        point: 'cambium',
        field: 'depth',
        target: shallower(figures),
        least: 0.2,
        say: (by) =>
          prose`Cut the face ${measured(Math.abs(by))} shallower, so that its edges lie closer to the round of the wood.`,
      },
    ]),
};

/** A face no deeper than lies on the wood: three quarters of what it is, and still through the bark. */
function shallower(figures: Record<string, number>): number {
  return Math.max(figures.scionBark! + 0.5, figures.depth! * 0.75);
}
