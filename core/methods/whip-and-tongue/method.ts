import { OUTLINE_MODEL } from '../../contact/outline-union';
import { sideView } from '../../drawing/side-view';
import {
  assessOutline,
  bestOutlineContact,
  outlineCorrections,
  pairOf,
  THROUGH_FIELDS,
} from '../common/outline-method';
import { CAUTIONS } from '../cautions';
import type { Method } from '../method';
import { DARK_SEAL, FILM_WHEN } from '../schools/of-covering';
import { WHIP_PLACE } from '../schools/of-making';
import { BUDS, KNIFE, LINES, SCION_STAGE, TONGUE, WHIP_LENGTH } from '../schools/of-cutting';
import { BLEEDING } from '../schools/of-kin';
import { BENCH_GRAFT_SCHOOLS } from '../common/bench-graft';
import { further } from '../common/fields';
import { lengthFor } from './cuts';
import { slicedSide } from './sliced-side';
import { technique } from './technique';
import { wrapGuide } from '../template';
import { BENCH, OUTDOOR } from '../timetable/usual-rounds';
import { chosen } from '../school';

export const whipAndTongue: Method = {
  id: 'whip-and-tongue',
  name: 'Whip-and-tongue',
  inSentence: 'a whip-and-tongue',
  purpose: 'Joins a dormant scion to a stock of its own thickness. The tongues hold the faces while both hands wrap.',
  use: {
    seasons: [{ name: 'late winter to early spring', phase: 'waking', from: '02-01', to: '04-20', wood: ['dormant'] }],
    when: 'Late winter and early spring, before the scion is in leaf. Bark need not slip.',
    bark: 'need not slip',
    scion: 'dormant, two buds',
    stock: { from: 6, to: 20 },
    ratio: null,
    likeUnderBark: 1,
    places: ['bench', 'field', 'pot'],
    woodLength: 80,
    takes: { piece: 'scion', buds: 2 },
    skill: 1,
  },
  contactModel: OUTLINE_MODEL,
  prior: { low: 0.85, high: 0.95, weight: 20 },
  fields: [
    ...THROUGH_FIELDS,
    further('stockDepth', 'the depth of the slice', 'Stock sliced, depth', (figures) => figures.stockDiameter!, {
      least: 0.1,
      most: 100,
    }),
  ],
  example: { stockDiameter: 10, scionDiameter: 10, stockLength: 35, scionLength: 35 },
  shownWith: { stock: 10, scion: 10 },
  schools: [
    WHIP_PLACE,
    BLEEDING,
    SCION_STAGE,
    BUDS,
    WHIP_LENGTH,
    TONGUE,
    LINES,
    KNIFE,
    FILM_WHEN,
    ...BENCH_GRAFT_SCHOOLS,
    DARK_SEAL,
  ],
  technique,
  template: (choices, wood) => {
    const length = lengthFor(choices, wood).aim;
    const start = chosen(choices, TONGUE) === 'middle' ? 0.5 : 1 / 3;
    return [wrapGuide('Stock', wood.stock, length, start), wrapGuide('Scion', wood.scion, length, start)];
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
      choices: { [WHIP_PLACE.id]: 'outdoors' },
    },
  ],
  callusDays: 14,
  knifeCaution: `${CAUTIONS['long-cut'].text} ${CAUTIONS['hands-meet'].text} Know where the first-aid kit is; the club’s own rules come first.`,
  thresholds: ['matched', 'hairline', 'open', 'lengthTolerance'],
  assess: (figures, _marks, thresholds, choices) =>
    assessOutline(
      figures,
      lengthFor(choices, pairOf(figures)).range,
      (union, options) => (union.stock.depth === undefined ? sideView(union, options) : slicedSide(union, options)),
      thresholds,
      chosen(choices, LINES) === 'cross',
    ),
  best: bestOutlineContact,
  corrections: (measures, figures, { grades }, choices) =>
    outlineCorrections(measures, figures, 'scion', lengthFor(choices, pairOf(figures)), grades),
};
