import { mm, type Prose, prose } from '../../units/prose';
import type { Point } from '../method';
import type { AnswerTo } from '../school';
import type { BINDING, COAT, SEALANT, STUMP, TURNS } from '../schools/of-covering';
import type { KNIFE, SCION_STAGE } from '../schools/of-cutting';

type Weighted = (weight: number) => Point;

/*
 * Points that several methods are judged by. Each takes its weight, and the answer of a school where the point follows
 * one; the weights of a method add up to 100.
 */

export const judged =
  (point: Omit<Point, 'measured' | 'weight' | 'stage'> & { stage?: Point['stage'] }): Weighted =>
  (weight) => ({ stage: 'joined', ...point, measured: false, weight });
const measured =
  (point: Omit<Point, 'measured' | 'weight' | 'stage'>): Weighted =>
  (weight) => ({ ...point, stage: 'joined', measured: true, weight });

export const sidesCambium = measured({
  id: 'cambium',
  letter: 'c',
  name: 'Cambium',
  good: 'both sides match, or the one the pair allows',
  correction: 'Match under the bark before binding.',
  faults: [
    { grade: 'poor', words: 'one side, or crossing' },
    { grade: 'fatal', words: 'matches nowhere' },
  ],
});
/** Where crossing lines are held to be enough. */
export const crossingCambium = (weight: number): Point => ({
  ...sidesCambium(weight),
  good: 'both sides match, or the lines cross',
  correction: 'Set the scion a little askew, so that the green lines cross on both sides.',
  faults: [
    { grade: 'poor', words: 'part of one side only' },
    { grade: 'fatal', words: 'matches nowhere' },
  ],
});
export const edgeCambium = measured({
  id: 'cambium',
  letter: 'c',
  name: 'Cambium',
  good: 'green line on green line',
  correction: 'Set the wedge in until the green lines meet under the bark.',
  faults: [
    { grade: 'poor', words: 'part of the wedge' },
    { grade: 'fatal', words: 'matches nowhere' },
  ],
});
/** Callus forms all over bared wood, so these are poor at most. */
export const laidCambium = measured({
  id: 'cambium',
  letter: 'c',
  name: 'Cambium',
  good: 'edges lie on the wood',
  correction: 'Lay the face on the flattest spot of the wood.',
  faults: [{ grade: 'poor', words: 'edges stand off' }],
});
const STRAIGHT: Record<AnswerTo<typeof KNIFE>, string> = {
  single: 'Pull the blade straight, from the elbow, its flat side on the wood.',
  any: 'Strop the blade until it shaves, then pull it straight, from the elbow.',
};
export const flatness = (weight: number, knife: AnswerTo<typeof KNIFE> = 'single'): Point =>
  measured({
    id: 'flatness',
    letter: 'f',
    name: 'Flat faces',
    good: 'no light under a straight edge',
    correction: STRAIGHT[knife],
    faults: [
      { grade: 'poor', words: 'a hairline of light' },
      { grade: 'fatal', words: 'hollow over half the face' },
    ],
  })(weight);
/** Length of the cut, in the words of the school or the sheet. */
export const cutLength = (weight: number, wanted: Prose, alike = true): Point =>
  measured({
    id: 'cut-length',
    letter: 'e',
    name: 'Cut length',
    good: alike ? prose`${wanted}, both alike` : wanted,
    correction: alike ? prose`Cut both faces ${wanted}.` : prose`Cut the face ${wanted}.`,
    faults: [{ grade: 'poor', words: alike ? 'outside that, or unequal' : 'outside that' }],
  })(weight);
export const windowShown = measured({
  id: 'window',
  letter: 'o',
  name: 'Window',
  good: prose`${mm(6, 13)} of face shows`,
  correction: prose`Leave ${mm(6, 13)} of the face above the rim.`,
  faults: [{ grade: 'poor', words: 'none, or too long' }],
});
export const slip = judged({
  id: 'slip',
  letter: 'p',
  name: 'Bark slips',
  good: 'lifts clean, lips whole',
  correction: 'Try the bark on a piece that comes off anyway; if it clings, water and wait.',
  faults: [
    { grade: 'poor', words: 'lips frayed' },
    { grade: 'fatal', words: 'forced, or torn through' },
  ],
});
export const hold = judged({
  id: 'hold',
  letter: 'h',
  name: 'Hold',
  good: 'stays when turned over and shaken once',
  correction: 'Push it home until the faces close, then shake it once.',
  faults: [
    { grade: 'poor', words: 'slides' },
    { grade: 'fatal', words: 'drops' },
  ],
});
export const LOOSE: Point['faults'] = [
  { grade: 'poor', words: 'ribboned, or open at an end' },
  { grade: 'fatal', words: 'loose enough to turn' },
];
/** Ties press at three places, and film keeps the rest. */
const TIED = judged({
  id: 'bind',
  letter: 'b',
  name: 'Binding',
  stage: 'wrapped',
  good: 'three ties tight, the whole cut under film',
  correction: 'Pull a tie tight at either end of the cut and one across its middle, then wrap film over all.',
  faults: [
    { grade: 'poor', words: 'a tie missing, or the cut not covered' },
    { grade: 'fatal', words: 'loose enough to turn' },
  ],
});
export const bind = (
  weight: number,
  turns: AnswerTo<typeof TURNS> = 'few',
  binding: AnswerTo<typeof BINDING> = 'stretch',
): Point => (binding === 'ties' ? TIED(weight) : wrappedWell(weight, turns));
const wrappedWell = (weight: number, turns: AnswerTo<typeof TURNS>): Point =>
  judged({
    id: 'bind',
    letter: 'b',
    name: 'Binding',
    stage: 'wrapped',
    good: turns === 'few' ? 'tight, flat, upward, whole cut covered' : 'tight, flat, two layers, whole cut covered',
    correction:
      turns === 'few'
        ? 'Wrap from below upwards, each turn over the last.'
        : 'Wrap from below upwards and back down again, each turn over the last.',
    faults:
      turns === 'few' ? LOOSE : [{ grade: 'poor', words: 'one layer only, ribboned, or open at an end' }, LOOSE[1]!],
  })(weight);
export const daylight = judged({
  id: 'daylight',
  letter: 'd',
  name: 'Daylight',
  good: 'none between the faces',
  correction: 'Hold it to the sky before binding and recut whichever face shows light.',
  faults: [
    { grade: 'poor', words: 'a sliver' },
    { grade: 'fatal', words: 'through the middle' },
  ],
});
export const strokes = judged({
  id: 'strokes',
  letter: 'k',
  name: 'Strokes',
  strokesGood: 2,
  good: 'one stroke, two at most',
  correction: 'Make the long cut in one pull; do not whittle.',
  faults: [
    { grade: 'poor', words: 'two more than that' },
    { grade: 'recut', words: 'whittled: a recut' },
  ],
});
export const seal = (
  weight: number,
  stump: AnswerTo<typeof STUMP> = 'sealed',
  coat: AnswerTo<typeof COAT> = 'film',
  by: AnswerTo<typeof SEALANT> = 'tin',
): Point =>
  judged({
    id: 'seal',
    letter: 'a',
    name: 'Seal',
    stage: 'keeper',
    good: `${stump === 'sealed' ? 'scion tip and every open cut' : 'scion tip; the stump is left open'}${coat === 'coat' ? '; an even coat over wrap and film' : ''}`,
    correction:
      by === 'wax'
        ? 'Brush warm wax over the scion tip as soon as it is bound.'
        : 'Seal the scion tip as soon as it is bound.',
    faults:
      stump === 'sealed'
        ? [
            { grade: 'poor', words: 'one missed' },
            { grade: 'fatal', words: 'all missed' },
          ]
        : [
            { grade: 'poor', words: 'tip thinly covered' },
            { grade: 'fatal', words: 'tip missed' },
          ],
  })(weight);
const STAGE_OF_WOOD: Record<AnswerTo<typeof SCION_STAGE>, { good: string; poor: string; correction: string }> = {
  dormant: {
    good: 'green, dormant, straight, fitting',
    poor: 'brown ends, a curve, or buds just moving',
    correction: 'Trim the ends back to green and take the straight middle of the stick.',
  },
  waking: {
    good: 'green, just waking like the stock, straight, fitting',
    poor: 'brown ends, a curve, or one piece still asleep',
    correction: 'Take pieces that wake alike, trim the ends back to green, and join them within hours.',
  },
  pushing: {
    good: 'green, a bud pushing and wrapped over, straight, fitting',
    poor: 'brown ends, a curve, or the pushing bud left bare',
    correction: 'Trim the ends back to green and wrap the pushing bud over before it dries.',
  },
};
export const dormantWood = (weight: number, stage: AnswerTo<typeof SCION_STAGE> = 'dormant'): Point =>
  judged({
    id: 'wood',
    letter: 'w',
    name: 'Wood',
    good: STAGE_OF_WOOD[stage].good,
    correction: STAGE_OF_WOOD[stage].correction,
    faults: [
      { grade: 'poor', words: STAGE_OF_WOOD[stage].poor },
      { grade: 'fatal', words: 'dead or leafed out' },
    ],
  })(weight);
export const clean = judged({
  id: 'clean',
  letter: 'n',
  name: 'Clean',
  good: 'faces untouched, blade wiped',
  correction: 'Keep fingers off the faces and wipe the blade before the last cut.',
  faults: [
    { grade: 'poor', words: 'faces touched' },
    { grade: 'fatal', words: 'disease risk ignored (citrus kin)' },
  ],
});
export const wayUp = judged({
  id: 'way-up',
  letter: 'u',
  name: 'Way up',
  good: 'buds point away from the roots',
  correction: 'Find which way the buds point before the scion is cut.',
  faults: [{ grade: 'fatal', words: 'upside down' }],
});
export const label = judged({
  id: 'label',
  letter: 'g',
  name: 'Label',
  stage: 'keeper',
  good: 'variety, stock, date, grafter',
  correction: 'Write the tag before the first cut.',
  faults: [
    { grade: 'poor', words: 'part missing' },
    { grade: 'fatal', words: 'none' },
  ],
});
export const safeHands = judged({
  id: 'safe-hands',
  letter: 's',
  name: 'Safe hands',
  good: 'the safe grip for this cut',
  correction: 'Close the knife or lay it down before both hands meet.',
  faults: [
    { grade: 'fatal', words: 'stopped for safety' },
    { grade: 'poor', words: 'reminded once' },
  ],
});
/** Noted and never weighed unless a club gives it a weight. */
export const time = judged({
  id: 'time',
  letter: 'm',
  name: 'Time',
  good: 'joined within a minute of the last cut',
  correction: 'Have the second piece ready before the last cut.',
  faults: [],
})(0);
