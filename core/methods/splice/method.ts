import { OUTLINE_MODEL } from '../../contact/outline-union';
import { piecesView } from '../../drawing/pieces-view';
import { CAUTIONS } from '../cautions';
import { joinedPieces } from '../common/joined-pieces';
import { assessOutline, bestOutlineContact, outlineCorrections, THROUGH_FIELDS } from '../common/outline-method';
import type { Method } from '../method';
import * as school from '../schools';
import { CUT_LENGTH, cutLengthFor } from './steps';
import { ANCHORS, technique } from './technique';
import { BENCH, OUTDOOR } from '../timetable/usual-rounds';
import { wrapGuide } from '../template';

export const splice: Method = {
  id: 'splice',
  name: 'Splice',
  inSentence: 'a splice',
  purpose: 'Two plain sloping cuts, for wood too thin, soft or pithy to carry a tongue.',
  use: {
    seasons: [{ name: 'late winter to early spring', phase: 'waking', from: '02-01', to: '04-20', wood: ['dormant'] }],
    when: 'Late winter and early spring at the bench, the scion fully dormant. Bark need not slip.',
    bark: 'need not slip',
    scion: 'dormant, two buds',
    stock: { from: 4, to: 12 },
    ratio: { from: 0.9, to: 1.1 },
    places: ['bench'],
    woodLength: 80,
    takes: { piece: 'scion', buds: 2 },
    skill: 2,
  },
  contactModel: OUTLINE_MODEL,
  prior: { low: 0.75, high: 0.9, weight: 20 },
  fields: THROUGH_FIELDS,
  example: { stockDiameter: 8, scionDiameter: 8, stockLength: 32, scionLength: 32 },
  shownWith: { stock: 8, scion: 8 },
  schools: [
    school.BUDS,
    school.WHIP_LENGTH,
    school.SCION_STAGE,
    school.FILM_WHEN,
    school.TURNS,
    school.KNIFE,
    school.SHOOTS_BELOW,
    school.BINDING_OFF,
    school.ROOT_TRIM,
  ],
  technique,
  template: (choices, wood) => [
    wrapGuide('Stock', wood.stock, cutLengthFor(choices, wood), null),
    wrapGuide('Scion', wood.scion, cutLengthFor(choices, wood), null),
  ],
  earlySign: 'a ring of callus along the cut, and the scion holds to a gentle push',
  failureSign: 'a dry line along the cut, and the scion wrinkles',
  variants: [
    { id: 'bench', words: 'at the bench', places: ['bench'], ...BENCH },
    { id: 'outdoors', words: 'outdoors', places: ['field', 'pot'], ...OUTDOOR },
  ],
  callusDays: 14,
  knifeCaution: `${CAUTIONS['long-cut'].text} ${CAUTIONS['hands-meet'].text} Know where the first-aid kit is; the club’s own rules come first.`,
  tools: ['grafting knife', 'secateurs', 'clip or a second pair of hands', 'cut-resistant glove', 'caliper'],
  thresholds: ['matched', 'hairline', 'open', 'lengthTolerance'],
  assess: (figures, _marks, thresholds) =>
    assessOutline(
      figures,
      CUT_LENGTH,
      (union, { unit }) =>
        piecesView(joinedPieces(technique, figures, (union.stock.length + union.scion.length) / 2), {
          view: 'side',
          unit,
          anchors: ANCHORS,
        }),
      thresholds,
    ),
  best: bestOutlineContact,
  corrections: (measures, figures, { grades }, choices) =>
    outlineCorrections(
      measures,
      figures,
      'scion',
      {
        range: CUT_LENGTH,
        aim: cutLengthFor(choices, {
          stock: figures.stockDiameter!,
          scion: figures.scionDiameter!,
          stockBark: figures.stockBark!,
          scionBark: figures.scionBark!,
        }),
      },
      grades,
    ),
};
