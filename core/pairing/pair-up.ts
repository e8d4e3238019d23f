import type { Method } from '../methods/method';
import { assign } from './assignment';
import { contactTable, type ContactTable } from './contact-table';
import { HANDS, type SkillLevel } from './hand';

/** A stock at somebody's seat. Calipers mm. */
export interface PairStock {
  id: string;
  caliper: number;
  seat: string;
  skill: SkillLevel;
}

/** A piece of scion wood: one of the grafts a stick gives. */
export interface PairScion {
  id: string;
  caliper: number;
}

export interface Pair {
  stock: string;
  scion: string;
  /** Contact to expect, 0 to 1. */
  contact: number;
  fixed: boolean;
}

export interface SetAside {
  stock: string;
  why: string;
}

export interface PairingResult {
  pairs: Pair[];
  aside: SetAside[];
  /** Scions that are left. */
  left: string[];
  /** Sum of expected contact, and what taking them in the order they lie would give. */
  sum: number;
  inOrder: { sum: number; hopeless: number };
}

/** Below this a pair is not made: the classic fatal fault. */
export const HOPELESS = 0.15;

export interface PairingInput {
  method: Method;
  stocks: readonly PairStock[];
  scions: readonly PairScion[];
  /** Pairs somebody made by hand. */
  fixed: readonly { stock: string; scion: string }[];
  progress?: (share: number) => void;
}

/**
 * Pairs scions with stocks so that the sum of expected contact is the greatest there is, each stock
 * in the hand of the seat it stands at. Pairs fixed by hand stay.
 */
export function pairUp({ method, stocks, scions, fixed, progress = () => undefined }: PairingInput): PairingResult {
  const tables = new Map<SkillLevel, ContactTable>();
  const table = (skill: SkillLevel): ContactTable => {
    if (!tables.has(skill)) tables.set(skill, contactTable(method, HANDS[skill]));
    return tables.get(skill)!;
  };
  const skills = [...new Set(stocks.map(({ skill }) => skill))];
  const calipers = scions.map(({ caliper }) => caliper);
  skills.forEach((skill, i) => {
    const own = stocks.filter((stock) => stock.skill === skill).map(({ caliper }) => caliper);
    table(skill).fill(own, calipers, (share) => progress((i + share) / skills.length));
  });
  const worth = (stock: PairStock, scion: PairScion): number => table(stock.skill).at(stock.caliper, scion.caliper);

  const kept = fixed.filter(({ stock, scion }) => stocks.some(({ id }) => id === stock) && scions.some(({ id }) => id === scion));
  const freeStocks = stocks.filter(({ id }) => !kept.some(({ stock }) => stock === id));
  const freeScions = scions.filter(({ id }) => !kept.some(({ scion }) => scion === id));
  const columns = assign(freeStocks.map((stock) => freeScions.map((scion) => {
    const contact = worth(stock, scion);
    // A pair that will not be made is worth nothing, so that it does not bind a scion another could use.
    return contact < HOPELESS ? 0 : contact;
  })));

  const pairs: Pair[] = kept.map(({ stock, scion }) => ({ stock, scion, fixed: true, contact: worth(stocks.find(({ id }) => id === stock)!, scions.find(({ id }) => id === scion)!) }));
  const aside: SetAside[] = [];
  freeStocks.forEach((stock, i) => {
    const scion = columns[i]! >= 0 ? freeScions[columns[i]!]! : null;
    const contact = scion ? worth(stock, scion) : 0;
    if (scion && contact >= HOPELESS) pairs.push({ stock: stock.id, scion: scion.id, contact, fixed: false });
    else aside.push({ stock: stock.id, why: scions.length === 0 || freeScions.every((one) => worth(stock, one) < HOPELESS) ? 'no stick here suits its caliper' : 'the sticks that would suit it do more elsewhere, or there are too few' });
  });
  const order = stocks.slice(0, scions.length).map((stock, i) => worth(stock, scions[i]!));
  return {
    pairs, aside, left: scions.filter(({ id }) => !pairs.some(({ scion }) => scion === id)).map(({ id }) => id),
    sum: pairs.reduce((sum, { contact }) => sum + contact, 0),
    inOrder: { sum: order.reduce((sum, contact) => sum + contact, 0), hopeless: order.filter((contact) => contact < HOPELESS).length },
  };
}
