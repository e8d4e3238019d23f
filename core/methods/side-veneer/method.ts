import { OUTLINE_MODEL } from '../../contact/outline-union';
import { piecesView } from '../../drawing/pieces-view';
import { CAUTIONS } from '../cautions';
import * as field from '../common/fields';
import { joinedPieces } from '../common/joined-pieces';
import { assessOutline, bestOutlineContact, outlineCorrections } from '../common/outline-method';
import { assumedDepth, slicePlacement } from '../common/slice-fields';
import type { Figures } from '../measures';
import type { Method } from '../method';
import { SHOOTS_WHEN, SUPPORT_LATER, TAPE_OFF } from '../schools/of-aftercare';
import { TAPE_OFF_BY, TURNS } from '../schools/of-covering';
import { KNIFE } from '../schools/of-cutting';
import { mm, prose } from '../../units/prose';
import { CUT_LENGTH } from './steps';
import { ANCHORS, technique } from './technique';
import { slice } from '../template';
import { chord } from '../../drawing/workpieces';
import { TIP } from '../timetable/usual-rounds';
import { stepFigure } from '../common/step-figure';

/** A shallow slice: the core just showing. */
const depth =
  (piece: 'stock' | 'scion') =>
  (figures: Figures): number =>
    assumedDepth(piece, 0.23 * (figures[`${piece}Diameter`] ?? 0), 0.6)(figures);

export const sideVeneer: Method = {
  id: 'side-veneer',
  name: 'Side veneer',
  inSentence: 'a side veneer',
  purpose:
    'Lays a hardened tip on the side of a growing potted stock, which keeps its leaves until the tip has joined.',
  use: {
    seasons: [{ name: 'active growth, warm', phase: 'warm-growth', from: '05-01', to: '08-31', wood: ['tip'] }],
    when: 'Active growth, warm. Slipping bark helps and is not needed.',
    bark: 'helpful',
    scion: prose`a hardened tip about ${mm(100)} long, its end bud fat and closed`,
    stock: { from: 8, to: 20 },
    ratio: { from: 0.7, to: 1 },
    places: ['pot'],
    woodLength: 100,
    takes: { piece: 'tip', buds: 1 },
    several: 'along the stem',
    skill: 2,
    tropics: true,
  },
  contactModel: OUTLINE_MODEL,
  prior: { low: 0.7, high: 0.9, weight: 20 },
  fields: [
    field.diameter('stock'),
    field.diameter('scion'),
    field.length('stockLength', "the stock's cut", 'Stock cut'),
    field.length('scionLength', "the scion's cut", 'Scion cut'),
    field.bark('stock'),
    field.bark('scion'),
    field.further('stockDepth', "the depth of the stock's cut", 'Stock cut depth', depth('stock')),
    field.further('scionDepth', "the depth of the scion's cut", 'Scion cut depth', depth('scion')),
    slicePlacement('How the scion is set'),
    field.hollow('stockHollow', "the stock's hollow", 'Hollow of the stock'),
    field.hollow('scionHollow', "the scion's hollow", 'Hollow of the scion'),
    field.LIFT,
    field.TURN,
  ],
  example: { stockDiameter: 11, scionDiameter: 10, stockLength: 38, scionLength: 38 },
  shownWith: { stock: 12, scion: 10 },
  schools: [KNIFE, TURNS, TAPE_OFF_BY, TAPE_OFF, SHOOTS_WHEN, SUPPORT_LATER],
  technique,
  template: (choices, wood) => [
    slice(
      'Bed and face',
      stepFigure(technique(choices, wood), 'face', 'cut'),
      chord(wood.scion / 2, wood.scion / 2, stepFigure(technique(choices, wood), 'face', 'deep')),
    ),
  ],
  earlySign: 'the tip swells under its cover by day 30',
  failureSign: 'the tip blackens',
  variants: [{ id: 'usual', words: '', ...TIP }],
  callusDays: 30,
  knifeCaution: `${CAUTIONS['long-cut'].text} ${CAUTIONS['hands-meet'].text} Know where the first-aid kit is; the club’s own rules come first.`,
  thresholds: ['matched', 'hairline', 'open', 'lengthTolerance'],
  assess: (figures, _marks, thresholds, choices) =>
    assessOutline(
      figures,
      CUT_LENGTH,
      (_union, { unit }) =>
        piecesView(joinedPieces(technique, choices, figures, figures.stockLength), {
          view: 'side',
          unit,
          anchors: ANCHORS,
        }),
      thresholds,
    ),
  best: bestOutlineContact,
  corrections: (measures, figures, { grades }) =>
    outlineCorrections(measures, figures, 'scion', { range: CUT_LENGTH }, grades),
};
