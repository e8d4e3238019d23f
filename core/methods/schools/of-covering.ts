import { mm, prose } from '../../units/prose';
import { type AnswerTo, question, usually } from '../school';

/* Questions of binding, sealing and covering on which practitioners differ. Source: usual practice, where practitioners disagree. */

export const FILM_WHEN = question(
  'film',
  'cover',
  'When the film goes on the scion',
  ['after', 'after joining', 'The hand feels the wood while it cuts.'],
  ['before', 'before cutting', 'The scion never dries, and no one forgets it.'],
);
export const BINDING = question(
  'binding',
  'cover',
  'What binds it',
  ['stretch', 'stretch grafting tape', 'It gives as the stem swells.'],
  [
    'paper',
    'paper tape, which nobody has to cut',
    'It rots away in a season; film over it keeps it dry for long enough.',
  ],
  ['duct', 'duct tape', 'Every shed has it, and it holds hard. It has to come off after two months.'],
  ['ties', 'narrow plastic ties', 'Pulled tight with one hand. They neither give nor rot: off after two months.'],
);
export const SEALANT = question(
  'sealant',
  'cover',
  'What open cuts are sealed with',
  ['tin', 'tree sealant from a tin', 'Brushed on cold, and even.'],
  [
    'wax',
    'home-made wax: by weight four parts rosin, two parts beeswax, one part tallow',
    'Cheap, and it bends with the wood. Hot wax burns: melt it in a water bath, away from flame.',
  ],
);
export const TURNS = question(
  'turns',
  'cover',
  'Turns of the wrap',
  ['few', 'few, so that callus shows through', 'One looks instead of guessing.'],
  ['layers', 'two layers, up and back', 'More pressure, and it holds longer.'],
);
export const STUMP = question(
  'stump',
  'cover',
  'Stump and split',
  ['sealed', 'sealed', 'Keeps water out of the open wood.'],
  ['left', 'left open', 'Sealants crack and hold water underneath.'],
);
export const BUD_COVER = question(
  'bud-cover',
  'cover',
  'The bud under the wrap',
  ['out', 'left peeping out', 'It can grow without anyone coming by.'],
  ['film', 'covered with thin stretch film', 'Nothing dries, and the bud grows through.'],
  ['rubber', 'covered by rubber until spring', 'For dormant chips: warm, dark and pressed.'],
);
/** The chip has a question of its own: covered is its usual answer, and a bud under bark still peeps out. */
export const CHIP_COVER = question(
  'chip-cover',
  'cover',
  'The chip’s bud under the wrap',
  ['film', 'covered with thin stretch film', 'Nothing dries, and the bud grows through.'],
  ['out', 'left peeping out of the rubber', 'It can grow without anyone coming by.'],
  ['rubber', 'covered by rubber until spring', 'For dormant chips: warm, dark and pressed.'],
  ['film-rubber', 'thin film, and rubber over it beside the bud', 'Film keeps it moist, rubber presses it.'],
);
/** How a bud lies under its wrap. */
export type BudCover = AnswerTo<typeof BUD_COVER> | AnswerTo<typeof CHIP_COVER>;
export const INLAY_FIX = question(
  'inlay-fix',
  'cover',
  'How the inlay is fixed',
  ['tape', 'tape', 'Nothing stays in the tree.'],
  ['nail', prose`one fine ${mm(19)} nail`, 'Sits at once, on thick bark as well.'],
  ['driven', 'strong cloth tape, the scion driven tight last', 'The tape pulls the face on to the wood.'],
);
export const COVER = question(
  'cover',
  'cover',
  'Cover against drying',
  ['foil-bag', 'foil, shiny side out, and a bag tied over the foil', 'Moist for weeks, and the sun is turned away.'],
  ['shellac', 'shellac over scion and cuts, then foil and bag besides', 'Dry cuts stay shut when the bag is opened.'],
  ['film', 'film only', 'Enough where summers are damp.'],
);
export const COAT = question(
  'coat',
  'cover',
  'A coat over the film',
  ['film', 'film alone', 'One thing less to dry and to crack.'],
  ['coat', 'sealant over wrap and film', 'Lasts until midsummer, rain or shine.'],
);
export const DARK_SEAL = question(
  'dark-seal',
  'cover',
  'Dark sealant in the sun',
  ['paint', 'white paint over it', 'Keeps the cambium from overheating.'],
  ['foil', 'foil over it', 'Goes on at once and comes off again.'],
);
const BINDING_OFF = question(
  'binding-off',
  'aftercare',
  'How the binding comes off',
  ['look', 'look, and take off what lingers', 'Stretch and degradable film may outlast a dull summer.'],
  ['unwind', 'cut the knot and unwind', 'No blade near the bark.'],
  ['slit', 'slit on the side away from the bud', 'Quick in a nursery row.'],
  ['perforate', 'perforate in several places and let growth burst it', 'Nobody has to come back.'],
);
/** Of stretch tape, which gives; of rubber, which may rot; of tape that neither gives nor rots. */
export const STRETCH_OFF = usually(BINDING_OFF, 'look', 'unwind', 'slit', 'perforate');
export const RUBBER_OFF = usually(BINDING_OFF, 'slit', 'unwind', 'look');
export const TAPE_OFF_BY = usually(BINDING_OFF, 'unwind', 'slit');
