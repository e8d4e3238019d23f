import type { Point } from '../method';

const none: Point['faults'] = [];

/** What a whip-and-tongue is judged by. The weights add up to 100. */
export const points: Point[] = [
  {
    id: 'cambium', letter: 'c', name: 'Cambium', weight: 30, stage: 'joined', measured: true,
    good: 'both sides match', correction: 'Match under the bark before binding.',
    faults: [{ grade: 'poor', words: 'one side, or crossing' }, { grade: 'fatal', words: 'matches nowhere' }],
  },
  {
    id: 'flatness', letter: 'f', name: 'Flat faces', weight: 12, stage: 'joined', measured: true,
    good: 'no light under a straight edge', correction: 'Pull the blade straight, from the elbow.',
    faults: [{ grade: 'poor', words: 'a hairline of light' }, { grade: 'fatal', words: 'hollow over half the face' }],
  },
  {
    id: 'cut-length', letter: 'e', name: 'Cut length', weight: 8, stage: 'joined', measured: true,
    good: 'in range and alike', correction: 'Cut both faces to one length.',
    faults: [{ grade: 'poor', words: 'short, or unequal' }],
  },
  {
    id: 'tongue', letter: 't', name: 'Tongue', weight: 8, stage: 'joined', measured: false,
    good: 'starts a third down, follows the grain, locks', correction: 'Start the tongue a third down from the tip and rock the blade in along the grain.',
    faults: [{ grade: 'poor', words: 'loose, overshoots or splits' }, { grade: 'fatal', words: 'split runs out of the wood' }],
  },
  {
    id: 'hold', letter: 'h', name: 'Hold', weight: 8, stage: 'joined', measured: false,
    good: 'stays when turned over and shaken once', correction: 'Push the tongues home until the faces close, then turn it over.',
    faults: [{ grade: 'poor', words: 'slides' }, { grade: 'fatal', words: 'drops' }],
  },
  {
    id: 'bind', letter: 'b', name: 'Binding', weight: 8, stage: 'wrapped', measured: false,
    good: 'tight, flat, upward, whole cut covered', correction: 'Wrap from below upwards, each turn over the last.',
    faults: [{ grade: 'poor', words: 'ribboned, or open at an end' }, { grade: 'fatal', words: 'loose enough to turn' }],
  },
  {
    id: 'daylight', letter: 'd', name: 'Daylight', weight: 6, stage: 'joined', measured: false,
    good: 'none between the faces', correction: 'Hold it to the sky before binding and recut whichever face shows light.',
    faults: [{ grade: 'poor', words: 'a sliver' }, { grade: 'fatal', words: 'through the middle' }],
  },
  {
    id: 'strokes', letter: 'k', name: 'Strokes', weight: 4, stage: 'joined', measured: false,
    good: 'one stroke, two at most', correction: 'Make the long cut in one pull; do not whittle.',
    faults: [{ grade: 'poor', words: 'two more than that' }, { grade: 'recut', words: 'whittled: a recut' }],
  },
  {
    id: 'seal', letter: 'a', name: 'Seal', weight: 4, stage: 'keeper', measured: false,
    good: 'scion tip and every open cut', correction: 'Seal the scion tip as soon as it is bound.',
    faults: [{ grade: 'poor', words: 'one missed' }, { grade: 'fatal', words: 'all missed' }],
  },
  {
    id: 'wood', letter: 'w', name: 'Wood', weight: 3, stage: 'joined', measured: false,
    good: 'green, dormant, straight, fitting', correction: 'Trim the ends back to green and take the straight middle of the stick.',
    faults: [{ grade: 'poor', words: 'brown ends, a curve, or buds just moving' }, { grade: 'fatal', words: 'dead or leafed out' }],
  },
  {
    id: 'clean', letter: 'n', name: 'Clean', weight: 3, stage: 'joined', measured: false,
    good: 'faces untouched, blade wiped', correction: 'Keep fingers off the faces and wipe the blade before the last cut.',
    faults: [{ grade: 'poor', words: 'faces touched' }, { grade: 'fatal', words: 'disease risk ignored (citrus kin)' }],
  },
  {
    id: 'way-up', letter: 'u', name: 'Way up', weight: 2, stage: 'joined', measured: false,
    good: 'buds point away from the roots', correction: 'Find which way the buds point before the scion is cut.',
    faults: [{ grade: 'fatal', words: 'upside down' }],
  },
  {
    id: 'label', letter: 'g', name: 'Label', weight: 2, stage: 'keeper', measured: false,
    good: 'variety, stock, date, grafter', correction: 'Write the tag before the first cut.',
    faults: [{ grade: 'poor', words: 'part missing' }, { grade: 'fatal', words: 'none' }],
  },
  {
    id: 'safe-hands', letter: 's', name: 'Safe hands', weight: 2, stage: 'joined', measured: false,
    good: 'cuts away from the body, elbows locked', correction: 'Close the knife or lay it down before both hands meet.',
    faults: [{ grade: 'fatal', words: 'stopped for safety' }, { grade: 'poor', words: 'reminded once' }],
  },
  {
    id: 'time', letter: 'm', name: 'Time', weight: 0, stage: 'joined', measured: false,
    good: 'joined within a minute of the last cut', correction: 'Have the second piece ready before the last cut.',
    faults: none,
  },
];
