import { factsOf } from '@/core/methods/method-facts';
import { METHODS } from '@/core/methods/registry';
import type { VariantId } from '@/core/methods/use';
import { siteCalendar, type SiteYear } from '@/core/plan/dates/taught-on';

/** The variant of a method outdoors on a day at a site: a chip of August sleeps, one of June is forced. */
export function variantOnDay(
  year: SiteYear,
  method: string,
  { scion, stock }: { scion: string; stock: string },
  madeOn: string,
): VariantId {
  const plan = {
    method,
    place: 'field',
    scionSpecies: scion,
    stockSpecies: stock,
    practiceEach: 0,
    keepersEach: 1,
    practiceOn: 'good',
  } as const;
  return siteCalendar(year, METHODS.map(factsOf)).on(plan, madeOn).variant.id;
}
