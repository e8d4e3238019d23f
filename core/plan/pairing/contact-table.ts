import type { Method } from '../../methods/method';
import { expectedContact } from './expected-contact';

/** A caliper as the table has it: to a tenth of a millimetre. */
function tenth(caliper: number): number {
  return Math.round(caliper * 10);
}

/** Contact to expect of calipers rounded to 0.1 mm, worked out once for each pair and slip that is asked. */
export interface ContactTable {
  at: (stock: number, scion: number, slip: number) => number;
  /** Works out all pairs of two lists for some hands; `progress` hears the share done after each stock. */
  fill: (
    stocks: readonly number[],
    scions: readonly number[],
    slips: readonly number[],
    progress?: (share: number) => void,
  ) => void;
  /** Pairs of calipers it knows. */
  size: () => number;
}

export function contactTable(method: Method): ContactTable {
  const pairs = new Map<number, { contact: (slip: number) => number; bySlip: Map<number, number> }>();
  const at = (stock: number, scion: number, slip: number): number => {
    const key = tenth(stock) * 10_000 + tenth(scion);
    let pair = pairs.get(key);
    if (!pair)
      pairs.set(
        key,
        (pair = { contact: expectedContact(method, tenth(stock) / 10, tenth(scion) / 10), bySlip: new Map() }),
      );
    let contact = pair.bySlip.get(slip);
    if (contact === undefined) pair.bySlip.set(slip, (contact = pair.contact(slip)));
    return contact;
  };
  return {
    at,
    fill: (stocks, scions, slips, progress = () => undefined) => {
      const own = [...new Set(stocks.map(tenth))];
      const other = [...new Set(scions.map(tenth))];
      own.forEach((stock, i) => {
        for (const scion of other) for (const slip of slips) at(stock / 10, scion / 10, slip);
        progress((i + 1) / own.length);
      });
    },
    size: () => pairs.size,
  };
}
