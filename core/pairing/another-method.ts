import type { Method } from '../methods/method';
import type { Place } from '../methods/use';
import { contactTable } from './contact-table';
import { type SkillLevel, SLIP } from './hand';
import { HOPELESS } from './pair-up';

/** Another method that would join a stock with one of the scions left, and how well; null when none does. */
export function anotherMethod(stock: { caliper: number; skill: SkillLevel }, scions: readonly { id: string; caliper: number }[], methods: readonly Method[], place: Place): { method: Method; scion: string; contact: number } | null {
  let best: { method: Method; scion: string; contact: number } | null = null;
  for (const method of methods) {
    if (!method.use.places.includes(place)) continue;
    const table = contactTable(method);
    for (const scion of scions) {
      const contact = table.at(stock.caliper, scion.caliper, SLIP[stock.skill]);
      if (contact >= HOPELESS && (!best || contact > best.contact)) best = { method, scion: scion.id, contact };
    }
  }
  return best;
}
