import { ROUNDING, TOLERANCE } from '@/core/units/tolerance';
import { inlayContact, LAID_FACE_MODEL } from '../../contact/laid-face-contact';
import { laidFaceGrade } from '../../contact/laid-face-grade';
import { BRIDGING_DISTANCE } from '../../contact/limits';
import { laidFaceSection, laidFaceView } from '../../drawing/laid-face-view';
import { piecesView } from '../../drawing/pieces-view';
import { CAUTIONS } from '../cautions';
import * as common from '../common/fields';
import { joinedPieces } from '../common/joined-pieces';
import { inlayFaceOf, LAID_FIELDS } from '../common/laid-face-fields';
import { flatnessGrade, lengthGrade, windowGrade } from '../common/measured-grades';
import { towards } from '../common/towards';
import type { Field } from '../field';
import type { Method } from '../method';
import {
  COVER_OPEN,
  NURSE_LIMB,
  SCIONS_KEPT,
  SECOND_SHOOT,
  SHOOTS_WHEN,
  SUPPORT,
  TAPE_OFF,
} from '../schools/of-aftercare';
import { COVER, INLAY_FIX, TAPE_OFF_BY } from '../schools/of-covering';
import { BUDS, KNIFE, OUTER_BARK, ROUGH_BARK, SCION_END } from '../schools/of-cutting';
import { BARK_STUMPS } from '../stump-scions';
import { SPENT_WOOD_WORDS, SWELLING_WORDS } from '../timetable/first-movement';
import { measured, mm, prose } from '../../units/prose';
import { ANCHORS, FACE_LENGTH, technique } from './technique';
import { slots } from '../template';
import { COVERED } from '../timetable/usual-rounds';
import { stepFigure } from '../common/step-figure';

const SIDE: Field = {
  id: 'side',
  name: 'where it lies in its slot',
  short: 'Where it lies in its slot',
  unit: 'mm',
  least: -1,
  most: 1,
  place: 'picked',
  keepsPick: true,
  picks: [
    { id: 'left', words: 'Left', value: -1 },
    { id: 'centre', words: 'Middle', value: 0, usual: true },
    { id: 'right', words: 'Right', value: 1 },
  ],
};
const RAKED: Field = {
  id: 'raked',
  name: 'whether the sides are raked',
  short: 'Sides',
  unit: 'mm',
  least: 0,
  most: 1,
  place: 'picked',
  keepsPick: true,
  picks: [
    { id: 'raked', words: 'Raked to the green', value: 1, usual: true },
    { id: 'square', words: 'Left square', value: 0 },
  ],
};

export const inlay: Method = {
  id: 'inlay',
  name: 'Inlay',
  inSentence: 'an inlay graft',
  purpose:
    'Fits a scion into a slot traced from it: green meets green on the face and on both flanks. For thick limbs.',
  use: {
    seasons: [{ name: 'spring, leaves out', phase: 'leaves-out', from: '04-15', to: '06-20', wood: ['dormant'] }],
    when: 'Spring with the leaves out and the bark slipping, the scion fully dormant.',
    bark: 'must slip',
    scion: prose`dormant, about ${mm(150)} long`,
    stock: { from: 25, to: 100, bestFrom: 40 },
    ratio: { from: 0.1, to: 0.4 },
    places: ['field'],
    woodLength: 150,
    takes: { piece: 'scion', buds: 2 },
    several: 'around the stump',
    skill: 3,
  },
  contactModel: LAID_FACE_MODEL,
  prior: { low: 0.7, high: 0.85, weight: 20 },
  fields: [
    ...LAID_FIELDS.slice(0, 3),
    common.length('slotWidth', 'the width of the slot', 'Slot width'),
    ...LAID_FIELDS.slice(3),
    SIDE,
    RAKED,
  ],
  example: { stockDiameter: 45, scionDiameter: 10, length: 50, slotWidth: 8.2 },
  shownWith: { stock: 45, scion: 10 },
  stumps: BARK_STUMPS,
  schools: [
    BUDS,
    SCION_END,
    OUTER_BARK,
    ROUGH_BARK,
    KNIFE,
    INLAY_FIX,
    COVER,
    COVER_OPEN,
    TAPE_OFF_BY,
    TAPE_OFF,
    NURSE_LIMB,
    SHOOTS_WHEN,
    SECOND_SHOOT,
    SCIONS_KEPT,
    SUPPORT,
  ],
  technique,
  template: (choices, wood) => [
    slots(
      'Slots',
      'Lay the rim line on the rim, on the flat spot; then check against the scion itself.',
      stepFigure(technique(choices, wood), 'slots', 'apart'),
      stepFigure(technique(choices, wood), 'slots', 'slots'),
      2,
    ),
  ],
  earlySign: SWELLING_WORDS,
  failureSign: SPENT_WOOD_WORDS,
  variants: [{ id: 'usual', words: '', ...COVERED }],
  callusDays: 21,
  knifeCaution: `${CAUTIONS.saw.text} ${CAUTIONS['long-cut'].text} Know where the first-aid kit is; the club’s own rules come first.`,
  thresholds: ['matched', 'hairline', 'open', 'lengthTolerance', 'windowFrom', 'windowTo'],
  assess: (figures, _marks, thresholds, choices) => {
    const face = inlayFaceOf(figures);
    const contact = inlayContact(face);
    const contactGrade = laidFaceGrade(face, contact, thresholds.matched);
    const loose = Math.max(contact.flankGaps!.left, contact.flankGaps!.right) > BRIDGING_DISTANCE + TOLERANCE;
    return {
      contact,
      contactGrade,
      grades: {
        cambium: contactGrade.grade,
        flatness: flatnessGrade(face.hollow, thresholds),
        'cut-length': lengthGrade([face.length], FACE_LENGTH, thresholds),
        window: windowGrade(face.window, thresholds),
        slots: loose ? 'poor' : 'good',
      },
      lines: ({ unit }) => laidFaceView(face, contact, unit),
      side: ({ unit }) =>
        piecesView(joinedPieces(technique, choices, figures, face.length), { view: 'side', unit, anchors: ANCHORS }),
      section: (_level, unit) => laidFaceSection(face, contact, unit),
      reach: 0,
    };
  },
  best: (figures) => {
    const face = inlayFaceOf(figures);
    const { halfWidth } = inlayContact(face);
    return inlayContact({ ...face, hollow: 0, side: 'centre', raked: true, slotWidth: 2 * halfWidth }).contact;
  },
  corrections: (measures, figures) => {
    const { halfWidth } = inlayContact(inlayFaceOf(figures));
    return towards(measures, figures, [
      {
        point: 'slots',
        field: 'slotWidth',
        target: figures.raked! > 0 ? Math.ceil(2 * halfWidth * 10) / 10 : Math.ceil(figures.scionDiameter! * 10) / 10,
        least: 0.3,
        say: (by) =>
          prose`Trace the slots ${measured(Math.abs(by))} ${by < 0 ? 'narrower' : 'wider'}, to the width of the face.`,
      },
      {
        point: 'flatness',
        field: 'hollow',
        target: 0,
        least: ROUNDING,
        say: (by) => prose`Recut the face straight: it is ${measured(-by)} hollow.`,
      },
      {
        point: 'window',
        field: 'window',
        target: Math.max(6, Math.min(13, figures.window!)),
        least: 0.5,
        say: (by) =>
          prose`${by > 0 ? 'Draw the scion up' : 'Drive the scion down'} ${measured(Math.abs(by))}, so that ${mm(6, 13)} of face shows.`,
      },
      {
        point: 'cut-length',
        field: 'length',
        target: Math.max(FACE_LENGTH.from, Math.min(FACE_LENGTH.to, figures.length!)),
        least: 1,
        say: (by) => prose`Cut the face ${measured(Math.abs(by))} ${by > 0 ? 'longer' : 'shorter'}.`,
      },
    ]);
  },
};
