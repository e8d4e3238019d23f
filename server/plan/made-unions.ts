import { madeKey, variantMade } from '@/core/follow-up/asked-union';
import { factsOf } from '@/core/methods/method-facts';
import { methodById } from '@/core/methods/registry';
import type { Taught } from '@/core/plan/dates/planned-date';
import type { Context } from '@/server/platform/context';

/** What living unions of a workshop were made as: each method in each of its variants once. */
export async function keepersMade(
  { db, actor: { clubId } }: Context,
  workshopId: string,
): Promise<{ method: string; variant: Taught['variant']['id'] }[]> {
  const facts = await db.unionFacts.findAll({
    where: { clubId, workshopId, kind: 'keeper', voided: false },
    attributes: ['method', 'variant'],
    group: ['method', 'variant'],
    raw: true,
  });
  return facts.map(({ method, variant }) => ({ method, variant }));
}

/**
 * What is followed up of a day: what was made, once keepers are there, else what it promises keepers of. What was made without
 * having been planned goes by the year of the first that was.
 */
export function followedUp(taught: readonly Taught[], made: Awaited<ReturnType<typeof keepersMade>>): Taught[] {
  if (made.length === 0) {
    const promised = taught.filter(({ plan }) => plan.keepersEach > 0);
    return promised.length > 0 ? promised : [...taught];
  }
  const planned = (method: string): number => {
    const at = taught.findIndex((other) => other.method.id === method);
    return at < 0 ? taught.length : at;
  };
  return [...made]
    .sort((a, b) => planned(a.method) - planned(b.method) || madeKey(a).localeCompare(madeKey(b)))
    .map((union) => ({
      ...(taught.find(({ method }) => method.id === union.method) ?? taught[0]!),
      method: factsOf(methodById(union.method)),
      variant: variantMade(union),
    }));
}
