import { mm, prose } from '../../units/prose';
import { type AnswerTo, question } from '../school';

/* Questions of wood and of the cut on which practitioners differ. Source: usual practice, where practitioners disagree. */

export const TONGUE = question(
  'tongue',
  'cut',
  'Where the tongue starts',
  ['third', 'a third down from the tip', 'Locks hard and holds the pieces while both hands wrap.'],
  [
    'middle',
    prose`in the middle, about ${mm(6)}, shallow`,
    'Lets the pieces slide sideways until the lines meet, which unequal calipers need.',
  ],
);
export const WHIP_LENGTH = question(
  'whip-length',
  'cut',
  'How long the sloping cut is',
  ['ratio', 'three to four times the diameter', 'Keeps one slope whatever the caliper, so the hand learns one angle.'],
  ['short', prose`short, about ${mm(25)}`, 'Quick, and easier to keep flat.'],
  ['long', prose`long, about ${mm(65)}`, 'More line to meet; for vigorous nut trees.'],
);
export const LINES = question(
  'lines',
  'cut',
  'How the green lines have to meet',
  ['along', 'along one side at least, from end to end', 'The most callus meets, and it heals soonest.'],
  ['cross', 'it is enough that they cross', 'A scion that is set a little askew crosses the line whatever the bark.'],
);
export const BUDS = question(
  'buds',
  'wood',
  'Buds on a scion',
  ['two', 'two', 'One to grow and one to spare.'],
  ['one', 'one', 'Saves wood, and a pruning job next winter.'],
  ['three', 'three', 'Spreads the risk; they share the stock’s strength.'],
);
export const SECOND_BUD = question(
  'second-bud',
  'wood',
  'A second bud as insurance',
  ['none', 'none', 'One bud a stock; the stick lasts longer.'],
  ['above', 'one above the other, under one wrap', 'One spare, on one side, clear of the stock’s own buds.'],
  ['opposite', 'on the opposite side, marked with a paint dot', 'One spare that a scorched side does not take along.'],
);
export const T_WAY = question(
  't-way',
  'cut',
  'Which way up the T stands',
  ['upright', 'upright', 'The crossbar on top; common where summers are dry.'],
  ['inverted', 'inverted', 'Rain cannot run in, and what flows down in the bark reaches the bud.'],
);
export const SCION_STAGE = question(
  'scion-stage',
  'wood',
  'Stage of the scion',
  ['dormant', 'wholly dormant', 'It waits until the union can feed it.'],
  ['waking', 'both pieces just waking', 'Callus starts at once; only for wood joined within hours.'],
  [
    'pushing',
    'a pushing bud, wrapped over',
    'For wood that could not be kept cold; the film has to hold the moisture.',
  ],
);
export const SCION_END = question(
  'scion-end',
  'cut',
  'How the scion’s end is cut',
  ['chisel', 'one long face and a chisel cut on the back', 'One face to keep flat.'],
  ['wedge', 'a two-sided wedge', 'Shows green to the wood and to the flap.'],
);
export const OUTER_BARK = question(
  'outer-bark',
  'cut',
  'Outer bark of the scion towards the flap',
  ['left', 'left on', 'Fewer cuts.'],
  ['pared', 'pared to the green', 'Living tissue meets the flap as well.'],
);
export const ROUGH_BARK = question(
  'rough-bark',
  'cut',
  'Rough bark of the stock',
  ['thinned', 'shaved thin, not through', 'The slot bends instead of cracking, and the tape bites.'],
  ['left', 'left thick', 'Nothing is opened that need not be.'],
);
export const CUT_FIRST = question(
  'cut-first',
  'cut',
  'Which is cut first',
  ['bed', 'the bed on the stock', 'The piece that dries fast is cut last.'],
  ['bud', 'the bud', 'The bed is fitted to the bud that is there.'],
);
export const KNIFE = question(
  'knife',
  'cut',
  'The knife',
  [
    'single',
    'a grafting knife, bevelled on one side',
    'The flat side rides on the wood and keeps the face flat; left-handed people need a left-handed one.',
  ],
  ['any', 'any blade that shaves', 'Sharpness does more than shape, and either hand can use it.'],
);
export const SLITS = question(
  'slits',
  'cut',
  'How the bark is opened',
  ['one', 'one slit, the scion slid under the bark', 'Least cutting; the bark presses the scion.'],
  ['three', 'three slits round the stump, a scion under two of the strips', 'Heals a mid-sized stump from two sides.'],
);
export const SLIVER = question(
  'sliver',
  'cut',
  'Sliver of wood behind the bud',
  ['leave', 'left in', 'The bud’s core stays safe.'],
  ['flick', 'flicked out', 'Bark lies on wood over its whole back; it may pull the core.'],
);
export const ROOT_TRIM = question(
  'root-trim',
  'wood',
  'Roots at potting',
  ['half', 'trimmed by half', 'Fits the pot and branches anew.'],
  ['hard', 'trimmed hard', 'For small pots and strong stocks.'],
  ['leave', 'left long', 'Most reserves, where there is room.'],
);
const WHORL = 'any root above the main whorl comes off entirely';
/** What is done with the roots, by that answer. */
export const ROOTS_AT_POTTING: Record<AnswerTo<typeof ROOT_TRIM>, string> = {
  half: `Trim the roots by half, to fit the pot; ${WHORL}`,
  hard: `Trim the roots hard, to fit a small pot; ${WHORL}`,
  leave: `Pot with the roots left long; ${WHORL}`,
};
