import type { Method } from '@/core/methods/method';
import { variantOf, variantWith } from '@/core/methods/variant';
import type { Choices } from '@/core/methods/school';
import type { VariantId } from '@/core/methods/use';
import type { Taught } from '@/core/plan/dates/planned-date';
import { seasonsOf } from '@/core/plan/dates/taught-on';
import type { WorkshopRow } from '@/db/models/plan-rows';
import type { Context } from '@/server/platform/context';
import { planningOf, reckonedPlan } from './planning';

interface DayTaught {
  /** Each planned method in the variant it is then and there. */
  taught: Taught[];
  /** Which variant a union of a method is that is made that day, also of a method that was not planned. */
  variantOn: (method: Method) => VariantId;
  /** The schools a method follows on the day, with what its variant decides of wood and place. */
  schoolsOf: (method: Method) => Choices;
}

/** What is taught on the day of a workshop, and what else would be made then. */
export async function dayTaught(context: Context, workshop: WorkshopRow): Promise<DayTaught> {
  const { facts } = await planningOf(context, workshop);
  const { taught } = reckonedPlan(facts);
  const variantOn = (method: Method): VariantId =>
    taught.find((planned) => planned.method.id === method.id)?.variant.id ??
    variantOf(method, {
      place: method.use.places[0]!,
      madeOn: facts.date,
      season: null,
      climate: seasonsOf(facts.year),
    }).id;
  return {
    taught,
    variantOn,
    schoolsOf: (method) => ({ ...workshop.schools, ...variantWith(method, variantOn(method)).choices }),
  };
}

/** The schools of a day, with what the variants of its methods decide of wood and place. */
export async function daySchools(context: Context, workshop: WorkshopRow): Promise<Choices> {
  const { taught } = await dayTaught(context, workshop);
  return Object.assign({}, workshop.schools, ...taught.map(({ variant }) => variant.choices ?? {})) as Choices;
}

/** What is taught on the day of a workshop alone. */
export async function taughtOn(context: Context, workshop: WorkshopRow): Promise<Taught[]> {
  return (await dayTaught(context, workshop)).taught;
}

/** The variants of a day alone. */
export async function variantsOn(context: Context, workshop: WorkshopRow): Promise<DayTaught['variantOn']> {
  return (await dayTaught(context, workshop)).variantOn;
}
