import type { SchoolQuestion } from './school';

/* Questions on which practitioners differ. The first option is the one that stands unless a workshop chooses. */

const question = (
  id: string,
  text: string,
  ...options: [id: string, words: string, reason: string][]
): SchoolQuestion => ({
  id,
  question: text,
  options: options.map(([option, words, reason]) => ({ id: option, words, reason })),
});

export const TONGUE = question(
  'tongue',
  'Where the tongue starts',
  ['third', 'a third down from the tip', 'Locks hard and holds the pieces while both hands wrap.'],
  [
    'middle',
    'in the middle, about 6 mm, shallow',
    'Lets the pieces slide sideways until the lines meet, which unequal calipers need.',
  ],
);
export const WHIP_LENGTH = question(
  'whip-length',
  'How long the sloping cut is',
  ['ratio', 'three to four times the diameter', 'Keeps one slope whatever the caliper, so the hand learns one angle.'],
  ['short', 'short, about 25 mm', 'Quick, and easier to keep flat.'],
  ['long', 'long, about 65 mm', 'More line to meet; for vigorous nut trees.'],
);
export const BUDS = question(
  'buds',
  'Buds on a scion',
  ['two', 'two', 'One to grow and one to spare.'],
  ['one', 'one', 'Saves wood, and a pruning job next winter.'],
  ['three', 'three', 'Spreads the risk; they share the stock’s strength.'],
);
export const T_WAY = question(
  't-way',
  'Which way up the T stands',
  ['upright', 'upright', 'The crossbar on top; common where summers are dry.'],
  ['inverted', 'inverted', 'Rain cannot run in, and what flows down in the bark reaches the bud.'],
);
export const SCION_STAGE = question(
  'scion-stage',
  'Stage of the scion',
  ['dormant', 'wholly dormant', 'It waits until the union can feed it.'],
  ['waking', 'both pieces just waking', 'Callus starts at once; only for wood joined within hours.'],
  [
    'pushing',
    'a pushing bud, wrapped over',
    'For wood that could not be kept cold; the film has to hold the moisture.',
  ],
);
export const FILM_WHEN = question(
  'film',
  'When the film goes on the scion',
  ['after', 'after joining', 'The hand feels the wood while it cuts.'],
  ['before', 'before cutting', 'The scion never dries, and no one forgets it.'],
);
export const SCION_END = question(
  'scion-end',
  'How the scion’s end is cut',
  ['chisel', 'one long face and a chisel cut on the back', 'One face to keep flat.'],
  ['wedge', 'a two-sided wedge', 'Shows green to the wood and to the flap.'],
);
export const OUTER_BARK = question(
  'outer-bark',
  'Outer bark of the scion towards the flap',
  ['left', 'left on', 'Fewer cuts.'],
  ['pared', 'pared to the green', 'Living tissue meets the flap as well.'],
);
export const ROUGH_BARK = question(
  'rough-bark',
  'Rough bark of the stock',
  ['thinned', 'shaved thin, not through', 'The slot bends instead of cracking, and the tape bites.'],
  ['left', 'left thick', 'Nothing is opened that need not be.'],
);
export const CUT_FIRST = question(
  'cut-first',
  'Which is cut first',
  ['bed', 'the bed on the stock', 'The piece that dries fast is cut last.'],
  ['bud', 'the bud', 'The bed is fitted to the bud that is there.'],
);
export const TURNS = question(
  'turns',
  'Turns of the wrap',
  ['few', 'few, so that callus shows through', 'One looks instead of guessing.'],
  ['layers', 'two layers, up and back', 'More pressure, and it holds longer.'],
);
export const HEAD_BACK = question(
  'head-back',
  'How far above the bud the stock is cut',
  ['snag', '12 mm above', 'The snag may die back without harming the bud.'],
  ['close', 'as close as possible', 'Heals over in one season.'],
);
export const HEAD_BACK_PACE = question(
  'head-back-pace',
  'How fast the stock is headed back',
  ['whole', 'whole at once', 'One visit.'],
  ['stages', 'in stages, as the shoot grows', 'Leaves feed the roots until the bud can.'],
);
export const KNIFE = question(
  'knife',
  'The knife',
  [
    'single',
    'a grafting knife, bevelled on one side',
    'The flat side rides on the wood and keeps the face flat; left-handed people need a left-handed one.',
  ],
  ['any', 'any blade that shaves', 'Sharpness does more than shape.'],
);
export const STUMP = question(
  'stump',
  'Stump and split',
  ['sealed', 'sealed', 'Keeps water out of the open wood.'],
  ['left', 'left open', 'Sealants crack and hold water underneath.'],
);
export const BUD_COVER = question(
  'bud-cover',
  'The bud under the wrap',
  ['out', 'left peeping out', 'It can grow without anyone coming by.'],
  ['film', 'covered with thin stretch film', 'Nothing dries, and the bud grows through.'],
  ['rubber', 'covered by rubber until spring', 'For dormant chips: warm, dark and pressed.'],
);
export const SLITS = question(
  'slits',
  'How the bark is opened',
  ['one', 'one slit, the scion slid under the bark', 'Least cutting; the bark presses the scion.'],
  ['three', 'three slits for two scions', 'Heals a mid-sized stump from two sides.'],
);
export const INLAY_FIX = question(
  'inlay-fix',
  'How the inlay is fixed',
  ['tape', 'tape', 'Nothing stays in the tree.'],
  ['nail', 'one fine 19 mm nail', 'Sits at once, on thick bark as well.'],
  ['driven', 'strong cloth tape, the scion driven tight last', 'The tape pulls the face on to the wood.'],
);
export const PATCH_TOP = question(
  'patch-top',
  'Top of the stock after patching',
  ['later', 'left 7 to 10 days, then cut if the patch is green', 'The leaves feed the patch while it knits.'],
  ['at-once', 'cut at once', 'Pushes the bud soonest.'],
  ['grown', 'cut only when the shoot has grown some centimetres', 'Nothing is lost if the patch fails.'],
);
export const SHOOTS_BELOW = question(
  'shoots-below',
  'Shoots below the union',
  ['all-off', 'all removed', 'Young stocks: everything goes into the scion.'],
  ['nurse', 'a nurse limb kept', 'Established trees: the roots need leaves.'],
  ['short-low', 'short low leaves until the scion grows', 'A middle way; shortened if the scion is slow.'],
);
export const NURSE_LIMB = {
  ...SHOOTS_BELOW,
  options: [SHOOTS_BELOW.options[1]!, SHOOTS_BELOW.options[0]!, SHOOTS_BELOW.options[2]!],
};
export const BINDING_OFF = question(
  'binding-off',
  'How the binding comes off',
  ['look', 'look, and take off what lingers', 'Stretch and degradable film may outlast a dull summer.'],
  ['unwind', 'cut the knot and unwind', 'No blade near the bark.'],
  ['slit', 'slit on the side away from the bud', 'Quick in a nursery row.'],
  ['perforate', 'perforate in several places and let growth burst it', 'Nobody has to come back.'],
);
export const ROOT_TRIM = question(
  'root-trim',
  'Roots at potting',
  ['half', 'trimmed by half', 'Fits the pot and branches anew.'],
  ['hard', 'trimmed hard', 'For small pots and strong stocks.'],
  ['leave', 'left long', 'Most reserves, where there is room.'],
);
export const SLIVER = question(
  'sliver',
  'Sliver of wood behind the bud',
  ['leave', 'left in', 'The bud’s core stays safe.'],
  ['flick', 'flicked out', 'Bark lies on wood over its whole back; it may pull the core.'],
);
export const COVER = question(
  'cover',
  'Cover against drying',
  ['foil-bag', 'foil, shiny side out, and a bag tied over the foil', 'Moist for weeks, and the sun is turned away.'],
  ['shellac', 'shellac over all', 'Nothing to take off later.'],
  ['film', 'film only', 'Enough where summers are damp.'],
);
export const DARK_SEAL = question(
  'dark-seal',
  'Dark sealant in the sun',
  ['paint', 'white paint over it', 'Keeps the cambium below 32 °C.'],
  ['foil', 'foil over it', 'Goes on at once and comes off again.'],
);
