import { MILESTONES, type Milestone } from '@/core/methods/milestones';
import type { Context } from './context';

/** Milestones that rounds of each workshop asked, by the workshop's id. */
export async function askedMilestones({ db, actor }: Context): Promise<Map<string, Milestone[]>> {
  const rounds = await db.rounds.findAll({
    where: { clubId: actor.clubId },
    attributes: ['workshopId', 'milestone'],
    raw: true,
  });
  const asked = new Map<string, Set<string>>();
  for (const { workshopId, milestone } of rounds)
    asked.set(workshopId, (asked.get(workshopId) ?? new Set()).add(milestone));
  return new Map(
    [...asked].map(([workshopId, own]) => [workshopId, MILESTONES.filter((milestone) => own.has(milestone))]),
  );
}
