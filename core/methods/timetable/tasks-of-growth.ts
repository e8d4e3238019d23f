import { mm, prose } from '../../units/prose';
import type { AnswerTo } from '../school';
import type { COVER_OPEN, PLANTING, SCIONS_KEPT, SECOND_SHOOT, SIDE_SHOOTS, SUPPORT } from '../schools/of-aftercare';
import type { BUDS } from '../schools/of-cutting';
import { type AftercareTask, task } from './aftercare-task';
import { AT_ONCE, event, EVERY_VISIT, EVERY_YEAR, growth, healingDays, phase, phaseNotBefore } from './trigger';

/* Aftercare of what grows from a union, as usual practice has it. Lengths are mm of new growth. */

/** Bag and foil, by when they are opened. */
export const coverOff = (open: AnswerTo<typeof COVER_OPEN>): AftercareTask[] => [
  ...(open === 'tie'
    ? [
        task(
          'bag-open',
          'Open the bag at its upper tie and free the foil at the top',
          event('growth-at-tie'),
          'The shoot cooks or bends.',
        ),
      ]
    : []),
  task(
    'cover-off',
    open === 'tie' ? 'Take plastic and foil off' : 'Open the cover for the first time, and take plastic and foil off',
    phase('mid-summer'),
    'Heat and rot under the cover.',
  ),
];
/** One leader; a scion of one bud makes no second shoot. */
export const oneShoot = (
  second: AnswerTo<typeof SECOND_SHOOT>,
  buds: AnswerTo<typeof BUDS> = 'two',
): AftercareTask[] => {
  if (buds === 'one') return [];
  return [
    second === 'pinched'
      ? task('one-shoot', 'Choose one shoot and pinch the others', growth(100), 'Two weak leaders.')
      : task('one-shoot', 'Choose one shoot and cut the others out', phase('late-summer'), 'Two weak leaders.'),
  ];
};
export const sideShoots = (kept: AnswerTo<typeof SIDE_SHOOTS>): AftercareTask =>
  kept === 'off'
    ? task(
        'side-shoots',
        'Take side shoots off the young stem',
        // A bud of June has no stem yet when midsummer comes.
        phaseNotBefore('mid-summer', 45),
        'A stem with knots.',
      )
    : task(
        'side-shoots',
        'Leave side shoots as feeders until winter, then take them off',
        phase('winter'),
        'A stem with knots.',
      );
export const scionsKept = (kept: AnswerTo<typeof SCIONS_KEPT>): AftercareTask =>
  kept === 'all'
    ? task(
        'scions',
        'Keep every scion of the stump that lives; shorten the weaker ones',
        phase('first-season', 2),
        'They crowd each other.',
      )
    : task(
        'scions',
        'Choose one scion of the stump and cut the others out',
        phase('first-season', 2),
        'They crowd each other and the union splits.',
      );
export const BLOSSOM = task(
  'blossom',
  'Pick off blossom and fruit',
  phase('first-season'),
  'Strength goes into fruit.',
);
const TIE_AGAIN = prose`again every ${mm(300)}`;
/** What keeps wind and birds from breaking it out; a brace that is on from the first day is looked at each year. */
export const support = (when: AnswerTo<typeof SUPPORT>): AftercareTask[] =>
  when === 'at-once'
    ? [
        task(
          'guard',
          'Put up a brace or perch guard taller than the scion',
          AT_ONCE,
          'Broken out by wind or a perching bird.',
        ),
        task('tie-up', prose`Tie the shoot to its brace, ${TIE_AGAIN}`, growth(150, 250), 'Blown out by wind.'),
        task(
          'brace',
          'Look at brace and guard; they stay on for three to five years',
          EVERY_YEAR,
          'Broken out by wind or a bird.',
          365,
        ),
      ]
    : [
        task(
          'tie-up',
          prose`Put in a stake and tie the shoot to it, ${TIE_AGAIN}`,
          growth(150, 250),
          'Blown out by wind, or broken by a perching bird.',
        ),
      ];
export const SECOND_CHANCE = task(
  'second-chance',
  'Where the graft failed and the stock thrives, put in a chip bud; cut the dead scion out, so that the stump heals',
  phase('late-summer'),
  'A year is lost.',
);
export const LABEL = task('label', 'Read and renew the label', EVERY_VISIT, 'The name is lost, and with it the graft.');
export const plantOut = (depth: AnswerTo<typeof PLANTING>): AftercareTask[] =>
  depth === 'above'
    ? [
        task(
          'plant-out',
          'Plant out with the union well above the soil',
          phase('last-frost'),
          'Frosted growth; buried, the scion roots.',
        ),
        task(
          'collar',
          'Walk along the row, and cut the roots around the collar of whatever stands too deep',
          phase('late-summer', 2),
          'They strangle the collar.',
          365,
        ),
      ]
    : [
        task(
          'plant-out',
          'Plant out nearly up to the union; roots that form at the collar are left',
          phase('last-frost'),
          'Frosted growth.',
        ),
      ];
export const UNWRAP_TIP = task(
  'unwrap-tip',
  'Unwrap the tip only, once it swells',
  healingDays(28, 30, 35),
  'The tip rots under its cover.',
);
/**
 * Looking for the first crop, along a row and once in a late summer, from the year on in which a graft can bear.
 *
 * @param year counted from the one it first grows in
 */
export const firstCropFrom = (year: number): AftercareTask =>
  task(
    'first-crop',
    'Note which bear their first crop: year 2 to 4 on dwarfing stock, 4 to 5 for nuts, many years on a seedling',
    phase('late-summer', year),
    null,
    365,
  );
export const FIRST_CROP = firstCropFrom(2);
export const FIRST_FRUIT_DATE = task(
  'first-crop',
  'Note when the young wood first flowers and fruits on its grown tree, and the years that saved',
  phase('late-summer', 2),
  'What the graft was made for is never known.',
  365,
);
