import type { KeeperFact } from '@/core/findings/facts/keeper-fact';
import { plantStays } from '@/server/aftercare/places/plant-stays';
import { listPlaces } from '@/server/aftercare/places/places';
import type { Context } from '@/server/platform/context';

/** Where most of each hand's grafts stand, in words: what is seen of a hand is seen of that place as well. */
export async function homesOfMakers(
  context: Context,
  facts: readonly KeeperFact[],
): Promise<(makerId: string) => string> {
  const [stays, places] = await Promise.all([plantStays(context), listPlaces(context)]);
  const nameOf = new Map(places.map(({ id, name }) => [id, name]));
  const counts = new Map<string, Map<string, number>>();
  for (const { plantId, makerId } of facts) {
    const last = stays.get(plantId)?.at(-1);
    const home =
      last?.placeId && last.kind !== 'home' ? `in ${nameOf.get(last.placeId) ?? 'one place'}` : 'in their own garden';
    const own = counts.get(makerId) ?? new Map<string, number>();
    own.set(home, (own.get(home) ?? 0) + 1);
    counts.set(makerId, own);
  }
  return (makerId) => [...(counts.get(makerId) ?? [])].sort((a, b) => b[1] - a[1])[0]?.[0] ?? 'in their own garden';
}
