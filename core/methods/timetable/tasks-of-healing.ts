import type { AnswerTo } from '../school';
import type { KNIT_SEEN } from '../schools/of-aftercare';
import type { COAT, DARK_SEAL, STUMP, TURNS } from '../schools/of-covering';
import { ROOTS_AT_POTTING, type ROOT_TRIM, type SCION_STAGE } from '../schools/of-cutting';
import { type AftercareTask, task } from './aftercare-task';
import { FIRST_MOVEMENT, SWELLING_WORDS } from './first-movement';
import { AT_ONCE, calendarDays, healingDays, phase } from './trigger';

/* Aftercare until a union has healed, as usual practice has it. Days are days since the union. */

/** Potting after the bench. */
export const potting = (trim: AnswerTo<typeof ROOT_TRIM>): AftercareTask =>
  task('roots', ROOTS_AT_POTTING[trim], AT_ONCE, 'It does not fit the pot, or roots turn in it.');
export const WATER = task(
  'water',
  'Water in, with a basin round what is planted; keep packing and soil moist',
  AT_ONCE,
  'It dries out.',
  7,
);
export const WARM = task(
  'warm',
  'Keep it warm for 14 days, at the temperature its kind knits at, then cool until it is planted',
  healingDays(0, 0, 14),
  'No callus, or leaves too early.',
);
/** Nothing is sealed where the stump is left open, so nothing cracks. */
export const reseal = (
  stump: AnswerTo<typeof STUMP> = 'sealed',
  coat: AnswerTo<typeof COAT> = 'film',
): AftercareTask[] =>
  stump === 'sealed' || coat === 'coat'
    ? [
        task(
          'reseal',
          coat === 'coat'
            ? 'Look at the coat over wrap and film and close cracks'
            : 'Look at the seal and close cracks',
          calendarDays(6, 7, 8),
          'Water gets in, and the graft dies later in summer.',
        ),
      ]
    : [];
/** What a coat put on at the bench asks instead: it lasts until then. */
export const COAT_LOOKED_AT = task(
  'reseal',
  'Look at the coat of seal; at the bench it lasts until now',
  phase('mid-summer'),
  'Water gets in behind it.',
);
export const STILL_DORMANT = task(
  'still-dormant',
  'See through the cover that the buds still sleep; leave it shut',
  healingDays(6, 7, FIRST_MOVEMENT.suspectBefore - 2),
  'Wood that grew in week one is spent: saw off and graft again.',
);
const PLUMP = {
  stub: 'Touch the leaf stub if one was left, else look for a plump green bud',
  vinyl: 'Look through the vinyl for a plump green bud',
  none: 'Look for a plump bud, green under its scales: dormant wood has no leaf stub to go by',
};
export const plump = (by: keyof typeof PLUMP = 'stub'): AftercareTask =>
  task('plump', PLUMP[by], healingDays(7, 12, 14), 'A failure goes unseen and the season for a second try is lost.');
/** Seen through thin turns, or on one that is opened; layers hide it, and who waits for growth looks for nothing. */
export function knitSeen(how: AnswerTo<typeof KNIT_SEEN>, turns: AnswerTo<typeof TURNS>): AftercareTask[] {
  if (how === 'unwrap-one')
    return [
      task(
        'callus-seen',
        'Unwrap one of the batch to see its callus, and wrap it again',
        healingDays(10, 14, 14),
        null,
      ),
    ];
  if (how === 'growth' || turns === 'layers') return [];
  return [task('callus-seen', 'Look for callus through the thin wrap', healingDays(10, 14, 14), null)];
}
const { swellFrom, swellBy, asleepUntil } = FIRST_MOVEMENT;
/** Wood that slept when it was joined is watched for when it moves; what moved already only has to go on. */
export const swell = (stage: AnswerTo<typeof SCION_STAGE> = 'dormant'): AftercareTask =>
  stage === 'dormant'
    ? task('swell', `Look for swelling: ${SWELLING_WORDS}`, healingDays(swellFrom, swellBy, asleepUntil), null)
    : task(
        'swell',
        'See that the buds go on moving; they were awake when they were joined, so early growth tells nothing',
        healingDays(7, 14, asleepUntil),
        null,
      );
export const handsOff = (from: number, to: number): AftercareTask =>
  task(
    'hands-off',
    'Leave the cover shut; in cold weather leave it shut longer',
    healingDays(0, from, to),
    'Opened too early, it dries.',
  );
/** A healing place is for pots; what stands in the ground is shaded where it stands. */
export const shade = (where: 'pot' | 'tree'): AftercareTask =>
  task(
    'shade',
    where === 'pot'
      ? 'Keep it in a shaded healing place for three weeks'
      : 'Keep it shaded where it stands for three weeks',
    calendarDays(0, 0, 21),
    where === 'pot' ? 'The bud dries.' : 'The tip cooks under its film.',
  );
export const SUPPORT_WINDOW = task(
  'support',
  'Splint the stock where its bark was taken out',
  AT_ONCE,
  'It snaps at the window in wind.',
);
/** Bark of dark tape and dark sealant is kept from the sun; where there is none, nothing is. */
export const darkSeal = (by: AnswerTo<typeof DARK_SEAL>, sealed = true): AftercareTask =>
  task(
    'dark-seal',
    by === 'paint'
      ? sealed
        ? 'Paint dark sealant and tape white, once the sealant has dried for two to five hours'
        : 'Paint the dark tape white'
      : sealed
        ? 'Lay foil over dark sealant and tape'
        : 'Lay foil over the dark tape',
    calendarDays(0, 0, 1),
    'In the sun it heats the cambium until no callus forms.',
  );
/** A tip under film: what a leaf stub tells of a bud, its colour tells of it. */
export const TIP_WATCHED = task(
  'plump',
  'See through the film that the tip is green and plump',
  healingDays(7, 14, 21),
  'A black tip goes unseen while the stock could still be worked again.',
);
