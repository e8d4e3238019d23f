import { TIES } from '@/core/aftercare/ties/ties';
import type { LengthUnit } from '@/core/units/length';
import { written } from '@/core/units/prose';
import type { UnionWithPlan } from './union-plans';

/** A task of a union by its id, in words: also one that its plan has no longer. */
export function taskName(
  { tasks, ties }: Pick<UnionWithPlan, 'tasks' | 'ties'>,
  task: string,
  unit: LengthUnit,
): string {
  const known = tasks.find(({ id }) => id === task);
  if (known) return written(known.name, unit);
  const tie = ties.find(({ offTask }) => offTask === task);
  return tie ? `${TIES[tie.id]} off` : `An earlier task (${task.replaceAll('-', ' ')})`;
}
