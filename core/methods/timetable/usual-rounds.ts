import type { Variant } from '../variant';
import type { RoundAdvice } from './round-advice';
import { calendarDays, healingDays, phase, phaseNotBefore, phasePast } from './trigger';

/*
 * Rounds of follow-up by variant. Days, weeks and signs: usual practice, following up. Windows are as long as a club
 * takes to ask, a week or so. Where leaves do not fall, half a year and a year stand in for leaf fall and spring.
 */

/** How a union lives on, and the rounds that ask after it. */
type FollowUp = Pick<Variant, 'wayOn' | 'rounds'>;

/** Leaves that fall before a graft could grow tell nothing of it. */
const LEAST_GROWTH = 56;
const HALF_A_YEAR = calendarDays(175, 182, 196);
const A_YEAR = calendarDays(350, 365, 380);
const growing = (from: number, to: number): RoundAdvice => ({
  milestone: 'growing',
  trigger: calendarDays(from, from, to),
  signs: ['shoot'],
  question: 'shoot',
});
const LEAF_FALL: RoundAdvice = {
  milestone: 'season',
  trigger: phaseNotBefore('leaf-fall', LEAST_GROWTH),
  otherwise: HALF_A_YEAR,
  signs: ['alive-at-leaf-fall'],
  question: 'alive-at-leaf-fall',
};
const SPRING: RoundAdvice = {
  milestone: 'wintered',
  trigger: phasePast('leaf-fall', LEAST_GROWTH, 'kin-in-leaf'),
  otherwise: A_YEAR,
  signs: ['grows-in-spring'],
  question: 'grows-in-spring',
};
/** Of a bud that sleeps until spring: its first shoot tells that it wintered, too. */
const WAKES: RoundAdvice = {
  milestone: 'growing',
  answers: 'wintered',
  trigger: phase('kin-in-leaf', 1, 42),
  otherwise: calendarDays(56, 56, 77),
  signs: ['shoot', 'sleeps-till-spring'],
  question: 'bud-woke',
};

/** Grafts at the bench: the instructor looks at the callus. */
export const BENCH: FollowUp = {
  wayOn: 'bench',
  rounds: [
    {
      milestone: 'healed',
      trigger: healingDays(14, 14, 21),
      signs: ['callus-ring', 'holds-to-push'],
      question: 'callus-holds',
    },
    { ...growing(56, 63), afterCool: true },
    LEAF_FALL,
    SPRING,
  ],
};

/** Dormant scions outdoors. */
export const OUTDOOR: FollowUp = {
  wayOn: 'outdoors',
  rounds: [
    {
      milestone: 'healed',
      trigger: healingDays(21, 21, 28),
      signs: ['buds-swell'],
      question: 'buds-swelling',
    },
    growing(56, 63),
    LEAF_FALL,
    SPRING,
  ],
};

/** Grafts under a cover that stays shut until it has healed. */
export const COVERED: FollowUp = {
  wayOn: 'covered',
  rounds: [
    {
      milestone: 'healed',
      trigger: healingDays(21, 26, 30),
      signs: ['buds-swell-in-film'],
      question: 'buds-through-film',
    },
    growing(70, 77),
    LEAF_FALL,
    SPRING,
  ],
};

/** A chip of dormant wood in spring. */
export const SPRING_CHIP: FollowUp = {
  wayOn: 'spring-chip',
  rounds: [
    {
      milestone: 'healed',
      trigger: healingDays(21, 21, 28),
      signs: ['bud-swells', 'no-leaf-stub'],
      question: 'bud-swelling',
    },
    growing(56, 63),
    LEAF_FALL,
    SPRING,
  ],
};

/** Buds of early summer, forced to grow in the same season. */
export const FORCED_BUD: FollowUp = {
  wayOn: 'forced-bud',
  rounds: [
    {
      milestone: 'healed',
      trigger: healingDays(14, 14, 18),
      signs: ['bud-green', 'stub-drops'],
      question: 'bud-green',
    },
    growing(56, 63),
    LEAF_FALL,
    SPRING,
  ],
};

/** Buds of late summer, which sleep until spring. */
export const SLEEPING_BUD: FollowUp = {
  wayOn: 'sleeping-bud',
  rounds: [
    {
      milestone: 'healed',
      trigger: healingDays(10, 12, 14),
      signs: ['bud-green', 'stub-drops'],
      question: 'bud-green',
    },
    WAKES,
  ],
};

/** Patches of spring. */
export const SPRING_PATCH: FollowUp = {
  wayOn: 'spring-patch',
  rounds: [
    {
      milestone: 'healed',
      trigger: healingDays(14, 18, 21),
      signs: ['patch-green', 'bud-sound'],
      question: 'patch-green',
    },
    growing(56, 63),
    LEAF_FALL,
    SPRING,
  ],
};

/** Patches of autumn, which sleep until spring. */
export const SLEEPING_PATCH: FollowUp = {
  wayOn: 'sleeping-patch',
  rounds: [
    {
      milestone: 'healed',
      trigger: healingDays(21, 21, 28),
      signs: ['patch-green', 'bud-sound'],
      question: 'patch-green',
    },
    WAKES,
  ],
};

/** Tips of growing or evergreen wood. */
export const TIP: FollowUp = {
  wayOn: 'tip',
  rounds: [
    {
      milestone: 'healed',
      trigger: healingDays(30, 30, 37),
      signs: ['tip-swells'],
      question: 'tip-swelling',
    },
    growing(84, 91),
    { ...LEAF_FALL, signs: ['alive'], question: 'alive' },
    { ...SPRING, signs: ['grows'], question: 'grows' },
  ],
};
