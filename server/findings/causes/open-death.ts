import type { OpenedDeath } from '@/core/findings/causes/death-view';
import { allow, type Context } from '@/server/platform/context';
import { notFound } from '@/server/platform/use-case-error';
import { deathsOf } from './deaths';

/**
 * All that is known of one death, for a list that tells only what was found.
 *
 * @param overYears it is opened among the deaths of all workshops, which are worked out already; the same is known of it
 * @throws UseCaseError where the union is none of the club's or has not died
 */
export async function openDeath(context: Context, unionId: string, overYears = false): Promise<OpenedDeath> {
  allow(context, 'viewer');
  const { db, actor } = context;
  const union = await db.unions.findOne({
    where: { id: unionId, clubId: actor.clubId },
    attributes: ['workshopId'],
    raw: true,
  });
  if (!union) throw notFound('The union');
  const { deaths, tables } = await deathsOf(context, overYears ? null : union.workshopId, (id) => id === unionId);
  if (!deaths[0]) throw notFound('A union that died');
  const { ask: asked, ...death } = deaths[0];
  return {
    death: { ...death, mayAsk: asked.length > 0 },
    causes: tables.model.tables.causes.map(({ cause, words }) => ({ cause, words })),
  };
}
