import { ROUNDING } from '@/core/units/tolerance';
import type { Method } from '../../methods/method';
import { assign } from './assignment';
import { contactTable } from './contact-table';
import { type SkillLevel, SLIP } from './hand';

/** A stock, as it was dealt to somebody's seat. Calipers mm. */
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
  /** Whose it is in the end. */
  seat: string;
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
  inOrder: { sum: number; hopeless: number; pairs: { stock: string; scion: string; contact: number }[] };
}

/** Below this a pair is not made: the classic fatal fault. */
export const HOPELESS = 0.15;

export interface PairingInput {
  method: Method;
  stocks: readonly PairStock[];
  scions: readonly PairScion[];
  /** Pairs somebody made by hand. */
  fixed: readonly { stock: string; scion: string; seat: string }[];
  progress?: (share: number) => void;
}

/** Rounds of pairing and dealing anew; the sum only ever grows, so few are enough. */
const ROUNDS = 5;

/**
 * Pairs scions with stocks so that the sum of expected contact is the greatest there is for the
 * stocks as they are dealt; then deals the pairs to the seats so that it is greatest for the pairs
 * as they are made, and so on until nothing is gained. A person keeps the number of stocks dealt to
 * them; pairs fixed by hand stay, with their seat.
 */
export function pairUp({ method, stocks, scions, fixed, progress = () => undefined }: PairingInput): PairingResult {
  const skills = [...new Set(stocks.map(({ skill }) => skill))];
  const table = contactTable(method);
  table.fill(
    stocks.map(({ caliper }) => caliper),
    scions.map(({ caliper }) => caliper),
    skills.map((skill) => SLIP[skill]),
    progress,
  );
  const expected = (skill: SkillLevel, stock: number, scion: number): number => table.at(stock, scion, SLIP[skill]);
  // A pair that will not be made is worth nothing, so that it does not bind a scion another could use.
  const worth: Worth = (skill, stock, scion) => {
    const contact = expected(skill, stock, scion);
    return contact < HOPELESS ? 0 : contact;
  };
  const skillOf = new Map(stocks.map(({ seat, skill }) => [seat, skill]));
  const kept = fixed.filter(
    ({ stock, scion, seat }) =>
      skillOf.has(seat) && stocks.some(({ id }) => id === stock) && scions.some(({ id }) => id === scion),
  );
  const free = stocks.filter(({ id }) => !kept.some(({ stock }) => stock === id)).map((stock) => ({ ...stock }));
  const wood = scions.filter(({ id }) => !kept.some(({ scion }) => scion === id));

  const columns = deal(free, wood, worth, skills);

  const pairs: Pair[] = kept.map(({ stock, scion, seat }) => ({
    stock,
    scion,
    seat,
    fixed: true,
    contact: expected(
      skillOf.get(seat)!,
      stocks.find(({ id }) => id === stock)!.caliper,
      scions.find(({ id }) => id === scion)!.caliper,
    ),
  }));
  const aside: SetAside[] = [];
  free.forEach((stock, i) => {
    const scion = columns[i]! >= 0 ? wood[columns[i]!]! : null;
    const contact = scion ? worth(stock.skill, stock.caliper, scion.caliper) : 0;
    if (scion && contact > 0) pairs.push({ stock: stock.id, scion: scion.id, seat: stock.seat, contact, fixed: false });
    else
      aside.push({
        stock: stock.id,
        why: wood.every((stick) => worth(stock.skill, stock.caliper, stick.caliper) === 0)
          ? 'no stick here suits its caliper'
          : 'the sticks that would suit it do more elsewhere, or there are too few',
      });
  });
  const order = stocks.slice(0, scions.length).map(({ id, skill, caliper }, i) => ({
    stock: id,
    scion: scions[i]!.id,
    contact: expected(skill, caliper, scions[i]!.caliper),
  }));
  return {
    pairs,
    aside,
    left: scions.filter(({ id }) => !pairs.some(({ scion }) => scion === id)).map(({ id }) => id),
    sum: pairs.reduce((all, { contact }) => all + contact, 0),
    inOrder: {
      sum: order.reduce((all, { contact }) => all + contact, 0),
      hopeless: order.filter(({ contact }) => contact < HOPELESS).length,
      pairs: order,
    },
  };
}

type Worth = (skill: SkillLevel, stock: number, scion: number) => number;

/**
 * Scions matched to stocks, and seats dealt anew as long as that makes more of them: `free` changes hands in place.
 *
 * @returns for each stock the place of its scion in `wood`, -1 for none.
 */
function deal(free: PairStock[], wood: readonly PairScion[], worth: Worth, skills: readonly SkillLevel[]): number[] {
  let columns = match(free, wood, worth);
  let sum = total(free, wood, columns, worth);
  for (let round = 0; round < ROUNDS && skills.length > 1; round++) {
    // Seats change hands among the stocks; each seat as often as it was dealt one.
    const seats = free.map(({ seat, skill }) => ({ seat, skill }));
    const dealt = assign(
      free.map((stock, i) =>
        seats.map(({ skill }) => (columns[i]! < 0 ? 0 : worth(skill, stock.caliper, wood[columns[i]!]!.caliper))),
      ),
    );
    const moved = free.map((stock, i) => ({ ...stock, ...seats[dealt[i]!]! }));
    const again = match(moved, wood, worth);
    const better = total(moved, wood, again, worth);
    if (better <= sum + ROUNDING) break;
    free.splice(0, free.length, ...moved);
    [columns, sum] = [again, better];
  }
  return columns;
}

function match(stocks: readonly PairStock[], scions: readonly PairScion[], worth: Worth): number[] {
  if (scions.length === 0) return stocks.map(() => -1);
  return assign(stocks.map(({ skill, caliper }) => scions.map((scion) => worth(skill, caliper, scion.caliper))));
}

function total(
  stocks: readonly PairStock[],
  scions: readonly PairScion[],
  columns: readonly number[],
  worth: Worth,
): number {
  return stocks.reduce(
    (sum, { skill, caliper }, i) => sum + (columns[i]! < 0 ? 0 : worth(skill, caliper, scions[columns[i]!]!.caliper)),
    0,
  );
}
