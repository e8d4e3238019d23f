import { factsOf } from '@/core/methods/method-facts';
import { METHODS } from '@/core/methods/registry';
import type { VariantId } from '@/core/methods/use';
import { askedMethod } from '@/core/plan/dates/planned-method';
import { siteCalendar, type SiteYear } from '@/core/plan/dates/taught-on';

/** The variant of a method outdoors on a day at a site: a chip of August sleeps, one of June is forced. */
export function variantOnDay(
  year: SiteYear,
  method: string,
  { scion, stock }: { scion: string; stock: string },
  madeOn: string,
): VariantId {
  const plan = askedMethod(method, 'field', { scion, stock });
  return siteCalendar(year, METHODS.map(factsOf)).on(plan, madeOn).variant.id;
}
