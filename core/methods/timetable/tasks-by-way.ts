import type { WayOn } from '../variant';
import { type AftercareTask, task } from './aftercare-task';
import { COAT_LOOKED_AT } from './tasks-of-healing';
import { PATCH_TOP_STAYS } from './tasks-of-stock';
import { event, healingDays, phase, phaseNotBefore } from './trigger';

/*
 * A method says its aftercare as it is mostly done; how a union lives on changes some of it. Source: usual practice,
 * aftercare and following up; method sheets of chip, T and patch.
 */

/** What becomes of a task for unions that live on in a way: another task, or none. */
type Change = (task: AftercareTask) => AftercareTask | null;

const WHEN_IT_MOVES: Change = (known) => ({ ...known, trigger: event('bud-grows') });
const LEFT_OUT: Change = () => null;

/** Dormant wood has no leaf stub to touch, and its bud moves in some weeks. */
const NO_LEAF_STUB: Change = (known) => ({
  ...known,
  name: 'Look for a green, swelling bud; dormant wood has no leaf stub to touch',
  trigger: healingDays(14, 21, 28),
});
/** A bud that is to grow in the same season is forced once it holds; a kind with a rule of its own keeps to that. */
const FORCED: Change = (known) =>
  known.trigger.kind !== 'phase'
    ? known
    : task(
        'head-back',
        'If the bud is green and holds, bend the stock over or cut it above the bud, so that it grows this year',
        healingDays(14, 18, 21),
        'It sleeps until spring, or grows too late to ripen.',
      );
/** A bud that moves in the season it was set grows out of its wrap, whenever the wrap of sleeping buds comes off. */
const OFF_IN_GROWTH: Change = (known) => ({
  ...known,
  id: 'binding-off',
  name: 'Slit what is left of the wrap on the side away from the bud',
  trigger: event('growth-starts', 20),
  missed: 'It girdles.',
});

/** What sleeps until spring has nothing to pick off in the summer it was set. */
const IN_NEXT_SEASON: Change = (known) => ({ ...known, trigger: phaseNotBefore('first-season', 0) });

/** A bud that sleeps first grows in the year after it was set: its years are counted from then. */
const A_YEAR_LATER: Change = (known) => {
  const { trigger } = known;
  if (trigger.kind !== 'phase') return known;
  return { ...known, trigger: { ...trigger, notBefore: FIRST_WINTER + (trigger.nth - 1) * 365 } };
};
/** Days from a bud of summer or autumn to the end of the winter after it. */
const FIRST_WINTER = 135;

const CHANGES: Partial<Record<WayOn, Record<string, Change>>> = {
  // A bench graft is sealed indoors and first sees the sun when it is planted out.
  bench: { reseal: () => COAT_LOOKED_AT, 'dark-seal': (known) => ({ ...known, trigger: phase('last-frost') }) },
  // Outdoors nothing is kept warm, packed or potted.
  outdoors: { warm: LEFT_OUT, 'plant-out': LEFT_OUT, collar: LEFT_OUT, roots: LEFT_OUT },
  'spring-chip': {
    plump: NO_LEAF_STUB,
    'head-back': WHEN_IT_MOVES,
    'unwrap-bud': OFF_IN_GROWTH,
    'binding-off': OFF_IN_GROWTH,
  },
  'forced-bud': { 'head-back': FORCED, 'binding-off': OFF_IN_GROWTH },
  'sleeping-bud': { blossom: IN_NEXT_SEASON, 'first-crop': A_YEAR_LATER },
  'sleeping-patch': { 'patch-top': () => PATCH_TOP_STAYS, blossom: IN_NEXT_SEASON, 'first-crop': A_YEAR_LATER },
};

/** A bud that slept is looked at when its kind wakes: one found dead then leaves the whole spring to graft its stock. */
const BUD_AS_KIN_WAKE = task(
  'bud-wakes',
  'Look whether the bud swells as buds of its kind do; one that is brown and dry is dead, and its stock can be grafted this spring',
  phase('buds-swell'),
  'The spring in which its stock could be grafted again is lost.',
);
const ADDED: Partial<Record<WayOn, readonly AftercareTask[]>> = {
  'sleeping-bud': [BUD_AS_KIN_WAKE],
  'sleeping-patch': [BUD_AS_KIN_WAKE],
};

/**
 * The aftercare of a union, by how it lives on.
 *
 * @example tasksFor('outdoors', aftercareOfAWhip).some(({ id }) => id === 'warm') // false
 */
export function tasksFor(wayOn: WayOn, aftercare: readonly AftercareTask[]): AftercareTask[] {
  const changes = CHANGES[wayOn] ?? {};
  const changed = aftercare.flatMap((known) => {
    const change = changes[known.id];
    return change ? (change(known) ?? []) : known;
  });
  return [...changed, ...(ADDED[wayOn] ?? [])];
}
