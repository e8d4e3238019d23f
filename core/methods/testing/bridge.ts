import { healingDays } from '../timetable/trigger';
import { OUTLINE_MODEL } from '../../contact/outline-union';
import { piecesView } from '../../drawing/pieces-view';
import { cutOn, toppedAt } from '../../drawing/workpieces';
import * as field from '../common/fields';
import { joinedPieces } from '../common/joined-pieces';
import { assessOutline, bestOutlineContact, outlineCorrections } from '../common/outline-method';
import { mm, prose } from '../../units/prose';
import * as point from '../common/points';
import { slopingCut } from '../common/sloping-cut';
import { labelStep, step, writeTags } from '../common/steps';
import type { Method, Technique, Wood } from '../method';
import type { Choices } from '../school';

/* A method that nobody practises: it is here to show that a folder and a line are all a new method takes. */

const RANGE = { from: 25, to: 65 };

function technique(_choices: Choices, wood: Wood): Technique {
  const cut = slopingCut(wood, wood.length ?? 40, 1);
  return {
    takes: { pieces: 1, buds: 2 },
    start: cut.start,
    steps: [
      writeTags(),
      step({
        id: 'slope',
        action: 'Cut the plank end of the stock.',
        lookFor: 'A plank end.',
        wrong: { what: 'It is cut blunt.', looks: 'A stump.' },
        caution: 'long-cut',
        pull: 'up',
        apply: (p) => ({ ...p, stock: cutOn(toppedAt(p.stock, cut.rise.stock), 'front', cut.stockCut) }),
      }),
      step({
        id: 'mate',
        action: 'Cut the scion to meet it.',
        lookFor: 'Its mate.',
        wrong: { what: 'It is cut short.', looks: 'A step.' },
        caution: 'long-cut',
        pull: 'down',
        apply: (p) => ({ ...p, scion: cutOn({ ...toppedAt(p.scion, cut.tip), foot: 0 }, 'back', cut.scionCut) }),
      }),
      step({
        id: 'join',
        action: 'Bridge them.',
        joins: true,
        lookFor: 'No daylight.',
        wrong: { what: 'They are let go.', looks: 'They fall.' },
        caution: 'hands-meet',
        apply: (p) => ({ ...p, joined: true, scion: cut.fitted(p.scion) }),
      }),
      labelStep(-9),
    ],
    points: [
      point.sidesCambium(30),
      point.flatness(20),
      point.cutLength(20, prose`${mm(RANGE.from, RANGE.to)} long`),
      point.daylight(10),
      point.wayUp(10),
      point.label(5),
      point.safeHands(5),
    ],
    materials: [],
    tools: [{ id: 'knife', name: 'knife', plural: 'knives', per: 'person' }],
    aftercare: [],
  };
}

export const bridge: Method = {
  id: 'plank-bridge',
  name: 'Plank bridge',
  inSentence: 'a plank bridge',
  purpose: 'A made-up method that joins nothing in earnest.',
  use: {
    seasons: [{ name: 'leap days', phase: 'waking', from: '02-29', to: '02-29', wood: ['dormant'] }],
    when: 'On leap days.',
    bark: 'need not slip',
    scion: 'dormant',
    stock: { from: 5, to: 15 },
    ratio: null,
    places: ['bench'],
    woodLength: 60,
    takes: { piece: 'scion', buds: 2 },
    skill: 3,
  },
  contactModel: OUTLINE_MODEL,
  prior: { low: 0.5, high: 0.6, weight: 20 },
  fields: [
    field.diameter('stock'),
    field.diameter('scion'),
    field.length('stockLength', "the stock's cut", 'Stock cut'),
    field.length('scionLength', "the scion's cut", 'Scion cut'),
    field.bark('stock'),
    field.bark('scion'),
    field.placement(),
    field.hollow('stockHollow', "the stock's hollow", 'Hollow of the stock'),
    field.hollow('scionHollow', "the scion's hollow", 'Hollow of the scion'),
  ],
  example: { stockDiameter: 10, scionDiameter: 10, stockLength: 40, scionLength: 40 },
  shownWith: { stock: 10, scion: 10 },
  schools: [],
  technique,
  earlySign: 'planks sprout',
  failureSign: 'planks warp',
  variants: [
    {
      id: 'usual',
      words: '',
      wayOn: 'bench',
      rounds: [{ milestone: 'healed', trigger: healingDays(14, 18, 21), signs: ['grows'], question: 'grows' }],
    },
  ],
  callusDays: 14,
  knifeCaution: 'Cut away from the body.',
  thresholds: ['matched', 'hairline', 'open', 'lengthTolerance'],
  assess: (figures, _marks, thresholds, choices) =>
    assessOutline(
      figures,
      RANGE,
      (union, { unit }) =>
        piecesView(joinedPieces(technique, choices, figures, union.stock.length), {
          view: 'side',
          unit,
          anchors: ['way-up', 'safe-hands', 'daylight', 'label'],
        }),
      thresholds,
    ),
  best: bestOutlineContact,
  corrections: (measures, figures, { grades }) =>
    outlineCorrections(measures, figures, 'scion', { range: { from: 25, to: 65 } }, grades),
};
