import type { LivingUnion } from '@/server/aftercare/living-union';

/** Tasks that somebody marked on any union of a workshop. */
export function keptTasks(all: readonly LivingUnion[]): Map<string, Set<string>> {
  const kept = new Map<string, Set<string>>();
  for (const { union, marks } of all) {
    const own = kept.get(union.workshopId) ?? new Set<string>();
    for (const { task } of marks) own.add(task);
    kept.set(union.workshopId, own);
  }
  return kept;
}
