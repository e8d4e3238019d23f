import type { Point } from '../method';

type Weighted = (weight: number) => Point;

/* Points that several methods are judged by. Each takes its weight; the weights of a method add up to 100. */

const judged =
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
export const flatness = measured({
  id: 'flatness',
  letter: 'f',
  name: 'Flat faces',
  good: 'no light under a straight edge',
  correction: 'Pull the blade straight, from the elbow.',
  faults: [
    { grade: 'poor', words: 'a hairline of light' },
    { grade: 'fatal', words: 'hollow over half the face' },
  ],
});
export const cutLength = measured({
  id: 'cut-length',
  letter: 'e',
  name: 'Cut length',
  good: 'in range and alike',
  correction: 'Cut both faces to one length.',
  faults: [{ grade: 'poor', words: 'short, or unequal' }],
});
export const windowShown = measured({
  id: 'window',
  letter: 'o',
  name: 'Window',
  good: '6 to 13 mm of face shows',
  correction: 'Leave 6 to 13 mm of the face above the rim.',
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
export const bind = judged({
  id: 'bind',
  letter: 'b',
  name: 'Binding',
  stage: 'wrapped',
  good: 'tight, flat, upward, whole cut covered',
  correction: 'Wrap from below upwards, each turn over the last.',
  faults: [
    { grade: 'poor', words: 'ribboned, or open at an end' },
    { grade: 'fatal', words: 'loose enough to turn' },
  ],
});
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
export const seal = judged({
  id: 'seal',
  letter: 'a',
  name: 'Seal',
  stage: 'keeper',
  good: 'scion tip and every open cut',
  correction: 'Seal the scion tip as soon as it is bound.',
  faults: [
    { grade: 'poor', words: 'one missed' },
    { grade: 'fatal', words: 'all missed' },
  ],
});
export const dormantWood = judged({
  id: 'wood',
  letter: 'w',
  name: 'Wood',
  good: 'green, dormant, straight, fitting',
  correction: 'Trim the ends back to green and take the straight middle of the stick.',
  faults: [
    { grade: 'poor', words: 'brown ends, a curve, or buds just moving' },
    { grade: 'fatal', words: 'dead or leafed out' },
  ],
});
export const budWood = judged({
  id: 'wood',
  letter: 'w',
  name: 'Budwood',
  good: 'green, plump, from the middle of the stick',
  correction: 'Take a plump bud from the middle of the stick and keep the stick moist.',
  faults: [
    { grade: 'poor', words: 'thin, or from the soft tip' },
    { grade: 'fatal', words: 'dead, or already moving' },
  ],
});
export const tipWood = judged({
  id: 'wood',
  letter: 'w',
  name: 'Tip',
  good: 'hardened, its bud fat and closed',
  correction: 'Choose a tip whose end bud is fat but has not opened.',
  faults: [
    { grade: 'poor', words: 'soft, or thin' },
    { grade: 'fatal', words: 'bud already open' },
  ],
});
export const budPiece = judged({
  id: 'bud',
  letter: 'y',
  name: 'Bud',
  good: 'unbruised, core behind it',
  correction: 'Hold it by the stub, never by the face, and cut under the bud without lifting.',
  faults: [
    { grade: 'poor', words: 'bruised' },
    { grade: 'fatal', words: 'hollow, or popped out' },
  ],
});
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
