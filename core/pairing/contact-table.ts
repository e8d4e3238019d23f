import type { Method } from '../methods/method';
import { expectedContact } from './expected-contact';
import type { Hand } from './hand';

/** A caliper as the table has it: to a tenth of a millimetre. */
export function tenth(caliper: number): number {
  return Math.round(caliper * 10);
}

/** Contact to expect of calipers rounded to 0.1 mm, worked out once for each pair that is asked. */
export interface ContactTable {
  at: (stock: number, scion: number) => number;
  /** Works out all pairs of two lists; `progress` hears the share done after each stock. */
  fill: (stocks: readonly number[], scions: readonly number[], progress?: (share: number) => void) => void;
  size: () => number;
}

export function contactTable(method: Method, hand: Hand): ContactTable {
  const known = new Map<number, number>();
  const at = (stock: number, scion: number): number => {
    const key = tenth(stock) * 10_000 + tenth(scion);
    let contact = known.get(key);
    if (contact === undefined) {
      contact = expectedContact(method, tenth(stock) / 10, tenth(scion) / 10, hand);
      known.set(key, contact);
    }
    return contact;
  };
  return {
    at,
    fill: (stocks, scions, progress = () => undefined) => {
      const own = [...new Set(stocks.map(tenth))];
      const other = [...new Set(scions.map(tenth))];
      own.forEach((stock, i) => {
        for (const scion of other) at(stock / 10, scion / 10);
        progress((i + 1) / own.length);
      });
    },
    size: () => known.size,
  };
}
