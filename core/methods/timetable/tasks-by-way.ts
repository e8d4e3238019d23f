import type { WayOn } from '../variant';
import type { AftercareTask } from './aftercare-task';
import { HEAD_BACK } from './tasks';
import { event, healingDays } from './trigger';

/*
 * A method says its aftercare as it is mostly done; how a union lives on changes some of it. Source: trade handbook,
 * aftercare and following up; method sheets of chip, T and patch.
 */

/** What becomes of a task for unions that live on in a way: another task, or none. */
type Change = (task: AftercareTask) => AftercareTask | null;

const WHEN_IT_MOVES: Change = (task) => ({ ...task, trigger: event('bud-grows') });
const LEFT_OUT: Change = () => null;

/** Dormant wood has no leaf stub to touch, and its bud moves in some weeks. */
const NO_LEAF_STUB: Change = (task) => ({
  ...task,
  name: 'Look for a green, swelling bud; dormant wood has no leaf stub to touch',
  trigger: healingDays(14, 21, 28),
});
/** A bud that is to grow in the same season is forced once it holds. */
const FORCED: Change = (task) => ({
  ...task,
  name: 'If the bud is green and holds, bend the stock over or cut it above the bud, so that it grows this year',
  trigger: healingDays(14, 18, 21),
  missed: 'It sleeps until spring, or grows too late to ripen.',
});
/** What is to sleep keeps the stock's top until the winter is over. */
const TOP_STAYS: Change = (task) => ({
  ...HEAD_BACK,
  id: task.id,
  name: 'Leave the stock’s top on until late winter, then cut it above the patch, sloped away from it',
});

const CHANGES: Partial<Record<WayOn, Record<string, Change>>> = {
  // Outdoors nothing is kept warm, packed or planted out.
  outdoors: { warm: LEFT_OUT, 'plant-out': LEFT_OUT },
  'spring-chip': { plump: NO_LEAF_STUB, 'head-back': WHEN_IT_MOVES },
  'forced-bud': { 'head-back': FORCED },
  'sleeping-patch': { 'patch-top': TOP_STAYS },
};

/**
 * The aftercare of a union, by how it lives on.
 *
 * @example tasksFor('outdoors', aftercareOfAWhip).some(({ id }) => id === 'warm') // false
 */
export function tasksFor(wayOn: WayOn, aftercare: readonly AftercareTask[]): AftercareTask[] {
  const changes = CHANGES[wayOn] ?? {};
  return aftercare.flatMap((task) => {
    const change = changes[task.id];
    return change ? (change(task) ?? []) : task;
  });
}
