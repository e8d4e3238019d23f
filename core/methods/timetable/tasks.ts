import type { AftercareTask } from './aftercare-task';
import {
  AT_ONCE,
  calendarDays,
  event,
  EVERY_VISIT,
  EVERY_YEAR,
  growth,
  healingDays,
  phase,
  type Trigger,
} from './trigger';

/* Aftercare of several methods, by the trade handbook's table. Days are days since the union, lengths mm of new growth. */

const task = (
  id: string,
  name: string,
  trigger: Trigger,
  missed: string | null,
  every: number | null = null,
): AftercareTask => ({ id, name, trigger, every, missed });

export const WATER = task('water', 'Water in; keep the packing or the soil moist', AT_ONCE, 'It dries out.', 7);
export const WARM = task(
  'warm',
  'Keep warm for 14 days at the species’ temperature, then cool; open one of the batch to see callus before moving it',
  healingDays(0, 0, 14),
  'No callus, or leaves too early.',
);
export const RESEAL = task(
  'reseal',
  'Look at the seal and close cracks',
  calendarDays(6, 7, 8),
  'Water gets in, and the graft dies later in summer.',
);
export const STILL_DORMANT = task(
  'still-dormant',
  'See through the cover that the buds still sleep; do not open it',
  healingDays(6, 7, 8),
  'Wood that grew in week one is spent: saw off and graft again.',
);
export const PLUMP = task(
  'plump',
  'Touch the leaf stub if one was left, else look for a plump green bud',
  healingDays(10, 12, 14),
  'A failure goes unseen and the season for a second try is lost.',
);
export const CALLUS_SEEN = task('callus-seen', 'Look for callus through the thin wrap', healingDays(10, 14, 14), null);
export const SWELL = task('swell', 'Look for swelling buds', healingDays(14, 21, 28), null);
export const HANDS_OFF = (from: number, to: number): AftercareTask =>
  task('hands-off', `Open nothing; longer when it is cold`, healingDays(from, to, to), 'Opened too early, it dries.');
export const BAG_OPEN = task(
  'bag-open',
  'Open the bag and free the foil at the top',
  event('growth-at-tie'),
  'The shoot cooks or bends.',
);
export const COVER_OFF = task(
  'cover-off',
  'Take plastic and foil off',
  phase('mid-summer'),
  'Heat and rot under the cover.',
);
export const SUCKERS = task(
  'suckers',
  'Rub off shoots below the union',
  calendarDays(14, 21, 21),
  'The union is outcompeted.',
  18,
);
export const SUCKERS_BUD = task(
  'suckers',
  'Rub off the stock’s own shoots, below and above the bud',
  event('bud-grows'),
  'The bud is outcompeted.',
  18,
);
export const NURSE = task(
  'nurse',
  'Shorten the nurse limb, or take one off',
  event('scions-slow'),
  'The scion starves. All lower branches are gone within two to three years.',
);
export const LOW_BRANCHES = task(
  'low-branches',
  'Keep lower branches shorter than the graft',
  calendarDays(28, 30, 30),
  'The scion is choked.',
  30,
);
export const ONE_SHOOT = task('one-shoot', 'Choose one shoot and pinch the others', growth(100), 'Two weak leaders.');
export const ONE_SCION = task(
  'one-scion',
  'Choose among the scions on a stump',
  phase('first-season', 2),
  'They crowd each other and the union splits.',
);
export const BLOSSOM = task(
  'blossom',
  'Pick off blossom and fruit',
  phase('first-season'),
  'Strength goes into fruit.',
);
export const TIE_UP = task(
  'tie-up',
  'Tie to a stake or brace, again every 300 mm',
  growth(150, 250),
  'Blown out by wind, or broken by a perching bird.',
);
export const SLIT_RUBBER = task(
  'slit-rubber',
  'Slit the rubber on the side away from the bud',
  event('growth-starts', 20),
  'It girdles.',
);
export const PERFORATE = task(
  'perforate',
  'Perforate nursery tape; stretch film only wants a look',
  growth(300),
  'It girdles.',
);
export const TAPE_OFF = task(
  'tape-off',
  'Take the vinyl, insulating or cloth tape off',
  calendarDays(55, 60, 120),
  'It girdles: the next spring at the latest.',
);
export const HEAVY_TAPE_OFF = task(
  'heavy-tape-off',
  'Take heavy grafting tape off',
  calendarDays(90, 105, 120),
  'It girdles.',
);
export const HEAD_BACK = task(
  'head-back',
  'Cut the stock 12 mm above the bud that is kept, sloped away from it',
  phase('late-winter'),
  'The stock outgrows the bud.',
);
export const SECOND_CHANCE = task(
  'second-chance',
  'Where the graft failed and the stock thrives, put in a chip bud; cut the dead scion out',
  phase('late-summer'),
  'A year is lost.',
);
export const BRACE = task(
  'brace',
  'Look at brace and guard; keep them on for five years',
  EVERY_YEAR,
  'Broken out by wind or a bird.',
  365,
);
export const LABEL = task('label', 'Read and renew the label', EVERY_VISIT, 'The name is lost, and with it the graft.');
export const PLANT_OUT = task(
  'plant-out',
  'Plant out with the union well above the soil',
  phase('last-frost'),
  'Frosted growth; buried, the scion roots.',
);
export const SHADE = task(
  'shade',
  'Keep in a shaded healing place for three weeks',
  calendarDays(0, 0, 21),
  'The bud dries.',
);
export const SUPPORT_WINDOW = task(
  'support',
  'Splint the stock where its bark was taken out',
  AT_ONCE,
  'It snaps at the window in wind.',
);
export const PATCH_TOP = task(
  'patch-top',
  'If the patch is green and holds, cut the stock above it, seal, paint white',
  healingDays(7, 8, 10),
  'The bud sleeps on.',
);
export const PATCH_TOP_NOW = task('patch-top', 'Cut the stock above the patch', AT_ONCE, 'The bud sleeps on.');
export const PATCH_TOP_GROWN = task('patch-top', 'Cut the stock above the patch', growth(50), 'The shoot is starved.');
export const UNWRAP_TIP = task(
  'unwrap-tip',
  'Unwrap the tip only, if it swells',
  healingDays(28, 30, 35),
  'The tip rots under its cover.',
);
export const HEAD_STAGES: AftercareTask[] = [
  task('head-1', 'Take the stock’s top', growth(75), 'The scion is starved.'),
  task('head-2', 'Cut the stock to a stub', growth(165), 'The scion is starved.'),
  task('head-3', 'Cut the stub flush', growth(350), 'The stub rots into the union.'),
];
export const UNWRAP_BUD = task('unwrap-bud', 'Unwrap the bud', healingDays(14, 18, 21), 'It grows into its wrap.');
export const NO_SHOOTS_MONTH = task(
  'none-below',
  'Leave nothing below the graft for a month, then two or three shoots',
  calendarDays(0, 0, 30),
  'The union is outcompeted.',
);
export const WRAP_WINTER = task('wrap-winter', 'Take the wrap off', phase('winter'), 'It girdles.');
