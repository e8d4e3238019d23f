import {
  FLAP_MODEL,
  FLATS_MEET,
  flapContact,
  flatDepth,
  type FlapUnion,
  NARROW_FLAT,
  type Strip,
} from '../../contact/flap-contact';
import { flapGrade } from '../../contact/flap-grade';
import { assumedBark } from '../../contact/cut-face';
import { flapView } from '../../drawing/flap-view';
import { piecesView } from '../../drawing/pieces-view';
import { CAUTIONS } from '../cautions';
import * as field from '../common/fields';
import { joinedPieces } from '../common/joined-pieces';
import { towards } from '../common/towards';
import type { Field } from '../field';
import type { Figures } from '../measures';
import type { Method } from '../method';
import { SECOND_SHOOT, SUPPORT } from '../schools/of-aftercare';
import { DARK_SEAL } from '../schools/of-covering';
import { KNIFE } from '../schools/of-cutting';
import { SPENT_WOOD_WORDS, SWELLING_WORDS } from '../timetable/first-movement';
import { measured, prose } from '../../units/prose';
import { ANCHORS, technique } from './technique';
import { slots } from '../template';
import { COVERED } from '../timetable/usual-rounds';
import { stepFigure } from '../common/step-figure';

/** One side that differs from the others; like them unless given. */
const ownSide = (i: number): Field[] => [
  field.further(`flapWidth${i}`, `the width of flap ${i}`, `Flap ${i} width`, (figures) => figures.flapWidth!, {
    least: 0.1,
  }),
  field.further(`flatWidth${i}`, `the width of flat ${i}`, `Flat ${i} width`, (figures) => figures.flatWidth!, {
    least: 0.1,
  }),
];

function unionOf(figures: Figures): FlapUnion {
  const strips = (what: 'flap' | 'flat'): Strip[] =>
    [1, 2, 3, 4].map((i) => ({ width: figures[`${what}Width${i}`]!, length: figures[`${what}Length`]! }));
  return { flaps: strips('flap'), flats: strips('flat'), scionDiameter: figures.scionDiameter! };
}

export const fourFlap: Method = {
  id: 'four-flap',
  name: 'Four-flap',
  inSentence: 'a four-flap graft',
  purpose:
    'Four strips of the stock’s bark laid on four flats of a scion just as thick. For nuts and other slow callusers.',
  use: {
    seasons: [{ name: 'late spring', phase: 'leaves-out', from: '05-01', to: '06-20', wood: ['dormant'] }],
    when: 'Late spring, the bark slipping freely, the scion fully dormant.',
    bark: 'must slip',
    scion: 'dormant, of the stock’s thickness, three or four buds',
    stock: { from: 10, to: 35 },
    ratio: { from: 0.9, to: 1.1 },
    places: ['field'],
    woodLength: 100,
    takes: { piece: 'scion', buds: 3 },
    skill: 2,
  },
  contactModel: FLAP_MODEL,
  prior: { low: 0.7, high: 0.85, weight: 20 },
  fields: [
    field.diameter('stock'),
    field.diameter('scion'),
    field.length('flapWidth', 'the width of the flaps', 'Flap width'),
    field.length('flatWidth', 'the width of the flats', 'Flat width'),
    field.further('flapLength', 'the length of the flaps', 'Flap length', 45, { least: 1 }),
    field.further('flatLength', 'the length of the flats', 'Flat length', (figures) => figures.flapLength!, {
      least: 1,
    }),
    field.bark('stock'),
    field.bark('scion'),
    ...[1, 2, 3, 4].flatMap(ownSide),
  ],
  example: { stockDiameter: 16, scionDiameter: 16, flapWidth: 12, flatWidth: 10.5 },
  shownWith: { stock: 16, scion: 16 },
  schools: [KNIFE, DARK_SEAL, SECOND_SHOOT, SUPPORT],
  technique,
  template: (choices, wood) => [
    slots(
      'Flaps, to wrap round the stock',
      'Wrap it round with the rim line at the rim: the first and the last line fall on one another.',
      (Math.PI * wood.stock) / 4,
      stepFigure(technique(choices, wood), 'lines', 'long'),
      5,
    ),
  ],
  earlySign: SWELLING_WORDS,
  failureSign: SPENT_WOOD_WORDS,
  variants: [{ id: 'usual', words: '', ...COVERED }],
  callusDays: 21,
  knifeCaution: `${CAUTIONS['long-cut'].text} ${CAUTIONS['flap-shears'].text} Know where the first-aid kit is; the club’s own rules come first.`,
  thresholds: ['matched'],
  assess: (figures, marks, thresholds, choices) => {
    const union = unionOf(figures);
    const contact = flapContact(union);
    const graded = flapGrade(contact, thresholds.matched);
    const narrowFlaps = union.flaps.some((flap, i) => flap.width < union.flats[i]!.width - 0.5);
    const uneven =
      Math.min(...union.flaps.map(({ width }) => width)) < 0.8 * Math.max(...union.flaps.map(({ width }) => width));
    const flatsPoor =
      contact.narrow.length > 0 ||
      union.flats.some(
        ({ width }) => flatDepth(width, figures.scionDiameter!) > assumedBark(figures.scionDiameter!) + 0.8,
      );
    const tornOff = marks.flaps === 'fatal';
    return {
      contact,
      contactGrade: tornOff
        ? {
            ...graded,
            grade: 'fatal',
            words: 'a flap is torn off',
            cause: { code: 'flap-torn' },
          }
        : graded,
      grades: {
        cambium: graded.grade,
        flaps: narrowFlaps || uneven ? 'poor' : 'good',
        flats: flatsPoor ? 'poor' : 'good',
      },
      lines: ({ unit }) => flapView(union, contact, unit),
      side: ({ unit }) =>
        piecesView(joinedPieces(technique, choices, figures, figures.flapLength), {
          view: 'side',
          unit,
          anchors: ANCHORS,
        }),
      section: null,
      reach: 0,
    };
  },
  best: (figures) => {
    const union = unionOf(figures);
    const width = Math.min(
      ...union.flaps.map((flap) => flap.width),
      2 * Math.sqrt(FLATS_MEET * (1 - FLATS_MEET)) * figures.scionDiameter! * 0.999,
    );
    return flapContact({ ...union, flats: union.flaps.map((flap) => ({ width, length: flap.length })) }).contact;
  },
  corrections: (measures, figures) => [
    ...towards(measures, figures, [
      {
        point: 'cambium',
        field: 'flatLength',
        target: figures.flapLength!,
        least: 1,
        say: (by) =>
          prose`Cut the flats ${measured(Math.abs(by))} ${by > 0 ? 'longer' : 'shorter'}, to the flaps' length.`,
      },
    ]),
    ...(figures.flapWidth! < figures.flatWidth! - 0.5
      ? towards(measures, figures, [
          {
            point: 'flaps',
            field: 'flatWidth',
            target: figures.flapWidth!,
            least: 0.3,
            say: (by) => prose`Shave the flats ${measured(-by)} narrower, to the width of the flaps.`,
          },
        ])
      : []),
    ...(figures.flatWidth! < NARROW_FLAT * figures.flapWidth!
      ? towards(measures, figures, [
          {
            point: 'flats',
            field: 'flatWidth',
            target: NARROW_FLAT * figures.flapWidth! * 1.5,
            least: 0.3,
            say: (by) => prose`Shave the flats ${measured(by)} wider, down to the green.`,
          },
        ])
      : []),
  ],
};
