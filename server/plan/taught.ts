import type { Method } from '@/core/methods/method';
import { type VariantId, variantOf } from '@/core/methods/variant';
import type { Taught } from '@/core/plan/dates/planned-date';
import type { WorkshopRow } from '@/db/models/plan-rows';
import type { Context } from '@/server/platform/context';
import { planningOf, reckonedPlan } from './planning';

/** What is taught on the day of a workshop, each method in the variant it is then and there. */
export async function taughtOn(context: Context, workshop: WorkshopRow): Promise<Taught[]> {
  const { facts } = await planningOf(context, workshop);
  return reckonedPlan(facts).taught;
}

/** Which variant a union of a method is that is made on the workshop's day, also of a method that was not planned. */
export async function variantsOn(context: Context, workshop: WorkshopRow): Promise<(method: Method) => VariantId> {
  const { facts } = await planningOf(context, workshop);
  const { taught } = reckonedPlan(facts);
  const { climate, hemisphere } = facts.year;
  return (method) =>
    taught.find((planned) => planned.method.id === method.id)?.variant.id ??
    variantOf(method, {
      place: method.use.places[0]!,
      madeOn: facts.date,
      season: null,
      climate: climate && climate.firstFrost === null ? 'tropics' : hemisphere,
    }).id;
}
