import { OUTLINE_MODEL } from '../../contact/outline-union';
import { piecesView } from '../../drawing/pieces-view';
import { CAUTIONS } from '../cautions';
import { joinedPieces } from '../common/joined-pieces';
import {
  assessOutline,
  bestOutlineContact,
  outlineCorrections,
  pairOf,
  THROUGH_FIELDS,
} from '../common/outline-method';
import type { Method } from '../method';
import { BENCH_GRAFT_SCHOOLS } from '../common/bench-graft';
import { DARK_SEAL, FILM_WHEN } from '../schools/of-covering';
import { SPLICE_PLACE } from '../schools/of-making';
import { BUDS, KNIFE, SCION_STAGE, WHIP_LENGTH } from '../schools/of-cutting';
import { lengthFor } from './steps';
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
    when: 'Late winter and early spring at the bench, before the scion is in leaf. Bark need not slip.',
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
  schools: [SPLICE_PLACE, SCION_STAGE, BUDS, WHIP_LENGTH, KNIFE, FILM_WHEN, ...BENCH_GRAFT_SCHOOLS, DARK_SEAL],
  technique,
  template: (choices, wood) => {
    const { aim } = lengthFor(choices, wood);
    return [wrapGuide('Stock', wood.stock, aim, null), wrapGuide('Scion', wood.scion, aim, null)];
  },
  earlySign: 'a ring of callus along the cut, and the scion holds to a gentle push',
  failureSign: 'a dry line along the cut, and the scion wrinkles',
  variants: [
    { id: 'bench', words: 'at the bench', places: ['bench'], ...BENCH },
    {
      id: 'outdoors',
      words: 'outdoors',
      places: ['field', 'pot'],
      ...OUTDOOR,
      choices: { [SPLICE_PLACE.id]: 'outdoors' },
    },
  ],
  callusDays: 14,
  knifeCaution: `${CAUTIONS['long-cut'].text} ${CAUTIONS['hands-meet'].text} Know where the first-aid kit is; the club’s own rules come first.`,
  thresholds: ['matched', 'hairline', 'open', 'lengthTolerance'],
  assess: (figures, _marks, thresholds, choices) =>
    assessOutline(
      figures,
      lengthFor(choices, pairOf(figures)).range,
      (union, { unit }) =>
        piecesView(joinedPieces(technique, choices, figures, (union.stock.length + union.scion.length) / 2), {
          view: 'side',
          unit,
          anchors: ANCHORS,
        }),
      thresholds,
    ),
  best: bestOutlineContact,
  corrections: (measures, figures, { grades }, choices) =>
    outlineCorrections(measures, figures, 'scion', lengthFor(choices, pairOf(figures)), grades),
};
