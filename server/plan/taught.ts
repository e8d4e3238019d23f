import type { Taught } from '@/core/plan/dates/planned-date';
import type { WorkshopRow } from '@/db/models/plan-rows';
import type { Context } from '@/server/platform/context';
import { planningOf, reckonedPlan } from './planning';

/** What is taught on the day of a workshop, each method in the variant it is then and there. */
export async function taughtOn(context: Context, workshop: WorkshopRow): Promise<Taught[]> {
  const { facts } = await planningOf(context, workshop);
  return reckonedPlan(facts).taught;
}

/** The method the workshop is scored by, in its variant. */
export async function mainTaught(context: Context, workshop: WorkshopRow): Promise<Taught> {
  const taught = await taughtOn(context, workshop);
  return taught.find(({ method }) => method.id === workshop.method)!;
}
