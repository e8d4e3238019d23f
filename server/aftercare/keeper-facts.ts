import type { UnionFactRow } from '@/db/models/union-rows';
import { allow, type Context } from '@/server/platform/context';

/** What is known of a workshop's keepers, by union: how far they were judged, and what they scored. */
export async function keeperFacts(
  context: Context,
  workshopId: string,
): Promise<Map<string, Pick<UnionFactRow, 'unionId' | 'stage' | 'score'>>> {
  allow(context, 'viewer');
  const facts = await context.db.unionFacts.findAll({
    where: { clubId: context.actor.clubId, workshopId, kind: 'keeper' },
    attributes: ['unionId', 'stage', 'score'],
    raw: true,
  });
  return new Map(facts.map((fact) => [fact.unionId, fact]));
}
