import type { Taught } from '@/core/plan/dates/planned-date';
import type { WorkshopLots } from './lots';

/**
 * The kinds of scion and stock that meet on a day: what each method was planned on, and every chosen lot of wood on every
 * chosen lot of stocks where a method is planned on neither.
 */
export function pairsOf(
  taught: readonly Pick<Taught, 'plan'>[],
  { wood, stocks }: Pick<WorkshopLots, 'wood' | 'stocks'>,
): { scion: string; stock: string }[] {
  const planned = taught.map(({ plan }) => ({ scion: plan.scionSpecies, stock: plan.stockSpecies }));
  return [...planned, ...wood.flatMap((lot) => stocks.map((on) => ({ scion: lot.species, stock: on.species })))];
}
