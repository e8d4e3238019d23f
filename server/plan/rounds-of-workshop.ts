import { ROUND_KINDS } from '@/core/methods/milestones';
import type { RoundRow } from '@/db/models/follow-up-rows';
import type { Context } from '@/server/platform/context';
import { getWorkshop } from './workshops';

/** The follow-up rounds of a workshop, in the order of a union's life. */
export async function listRounds(context: Context, workshopId: string): Promise<RoundRow[]> {
  await getWorkshop(context, workshopId);
  // All of the club's, which the season line needs too: one question for both.
  const rounds = await context.db.rounds.findAll({ where: { clubId: context.actor.clubId }, raw: true });
  return rounds
    .filter((round) => round.workshopId === workshopId)
    .sort((a, b) => ROUND_KINDS.indexOf(a.milestone) - ROUND_KINDS.indexOf(b.milestone));
}
