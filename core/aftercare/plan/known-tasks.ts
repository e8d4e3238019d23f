import { methodById } from '../../methods/registry';
import type { Choices } from '../../methods/school';
import { tasksFor } from '../../methods/timetable/tasks-by-way';
import { DARK_SEAL_TASK } from '../shade/shade-tonight';
import { TIE_IDS } from '../ties/ties';
import { DEAD_UNION_TASKS, REGRAFT } from './dead-union';
import { planBasis } from './made-union';

/** A citrus goes by rules of its own. */
const KINDS = ['', 'citrus'];

/**
 * Ids of all tasks that a union made so can ever be asked: of every variant of its method, since that can change, of its
 * ties, and of its stock once it is dead.
 *
 * @throws Error for a method nobody knows
 */
export function knownTasks({
  method,
  schools,
  materials,
}: {
  method: string;
  schools: Choices;
  materials: readonly string[];
}): ReadonlySet<string> {
  const own = methodById(method).variants.flatMap(({ id: variant }) =>
    KINDS.flatMap((species) => {
      const { wayOn, aftercare } = planBasis({ method, variant, schools, species, materials, madeOn: '2000-01-01' });
      return tasksFor(wayOn, aftercare).map((task) => task.id);
    }),
  );
  const dead = [...DEAD_UNION_TASKS.map((task) => task.id), REGRAFT];
  return new Set([...own, ...dead, DARK_SEAL_TASK, ...TIE_IDS.map((tie) => `${tie}-off`)]);
}
