import type { JudgedKeeper, KeeperFact } from '@/core/findings/facts/keeper-fact';
import { judgedFacts } from '@/server/findings/causes/judged-grades';
import type { Context } from '@/server/platform/context';

/** Keepers that were judged themselves, with the points they were judged by. */
export async function judgedKeepers(context: Context, facts: readonly KeeperFact[]): Promise<JudgedKeeper[]> {
  const scored = facts.filter(({ score }) => score !== null);
  if (scored.length === 0) return [];
  const { db, actor } = context;
  const unions = await db.unions.findAll({
    where: { clubId: actor.clubId, id: scored.map(({ unionId }) => unionId) },
    raw: true,
  });
  const judged = await judgedFacts(
    context,
    unions.map((union) => ({ union, zone: 'UTC' })),
  );
  return scored.flatMap((fact) => {
    const own = judged.get(fact.unionId);
    return own ? [{ ...fact, grades: own.grades }] : [];
  });
}
