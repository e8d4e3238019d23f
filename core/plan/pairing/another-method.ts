import type { Method } from '../../methods/method';
import type { Place } from '../../methods/use';
import { contactTable } from './contact-table';
import { type SkillLevel, SLIP } from './hand';
import { HOPELESS } from './pair-up';

export interface OtherMethod {
  method: Method;
  scion: string;
  contact: number;
}

/**
 * Looks for the method that joins a stock best with one of the scions left; null where none does.
 * Contact once worked out serves every stock that is asked about.
 */
export function otherMethods(
  methods: readonly Method[],
  place: Place,
): (
  stock: { caliper: number; skill: SkillLevel },
  scions: readonly { id: string; caliper: number }[],
) => OtherMethod | null {
  const tables = methods
    .filter(({ use }) => use.places.includes(place))
    .map((method) => ({ method, table: contactTable(method) }));
  return (stock, scions) => {
    let best: OtherMethod | null = null;
    for (const { method, table } of tables) {
      for (const scion of scions) {
        const contact = table.at(stock.caliper, scion.caliper, SLIP[stock.skill]);
        if (contact >= HOPELESS && (!best || contact > best.contact)) best = { method, scion: scion.id, contact };
      }
    }
    return best;
  };
}
