import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bestOutline } from '../../contact/best-outline';
import { METHODS, methodById } from '../../methods/registry';
import { otherMethods } from './another-method';
import { assign } from './assignment';
import { contactTable } from './contact-table';
import { expectedContact } from './expected-contact';
import { SLIP } from './hand';
import { HOPELESS, pairUp, type PairingInput } from './pair-up';

/** The best there is, by trying every way. */
function byTrying(worth: number[][], row = 0, used = new Set<number>()): number {
  if (row === worth.length) return 0;
  // More rows than columns: a row may go without.
  let best = worth.length > worth[0]!.length ? byTrying(worth, row + 1, used) : -Infinity;
  worth[row]!.forEach((value, column) => {
    if (used.has(column)) return;
    used.add(column);
    best = Math.max(best, value + byTrying(worth, row + 1, used));
    used.delete(column);
  });
  return best;
}

describe('the assignment', () => {
  it('is the best there is: against every way of doing it', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 6 }),
        fc.integer({ min: 1, max: 6 }),
        fc.infiniteStream(fc.integer({ min: 0, max: 40 })),
        (rows, columns, numbers) => {
          const worth = Array.from({ length: rows }, () =>
            Array.from({ length: columns }, () => numbers.next().value!),
          );
          const result = assign(worth);
          const taken = result.filter((column) => column >= 0);
          expect(new Set(taken).size).toBe(taken.length);
          expect(taken.length).toBe(Math.min(rows, columns));
          expect(result.reduce((sum, column, row) => sum + (column < 0 ? 0 : worth[row]![column]!), 0)).toBe(
            byTrying(worth),
          );
        },
      ),
      { numRuns: 300 },
    );
  });
  it('knows a textbook case', () => {
    // Least cost 140 of the four by four in H. W. Kuhn's manner: worth is the negative of cost.
    const cost = [
      [82, 83, 69, 92],
      [77, 37, 49, 92],
      [11, 69, 5, 86],
      [8, 9, 98, 23],
    ];
    const columns = assign(cost.map((row) => row.map((value) => -value)));
    expect(columns).toEqual([2, 1, 0, 3]);
    expect(columns.reduce((sum, column, row) => sum + cost[row]![column]!, 0)).toBe(140);
  });
  it('says what it cannot take', () => {
    expect(assign([])).toEqual([]);
    expect(() => assign([[1, 2], [3]])).toThrow('same number');
    expect(() => assign([[1, Number.NaN]])).toThrow('finite');
  });
});

const whip = methodById('whip-and-tongue');

describe('contact to expect of a pair in a hand', () => {
  it('is that of the geometry for a hand that never slips', () => {
    for (const [stock, scion] of [
      [10, 10],
      [10, 8],
      [9, 11],
    ] as const) {
      const face = (diameter: number) => ({ diameter, bark: Math.max(0.5, diameter * 0.1), length: 40, hollow: 0 });
      const best = bestOutline({
        stock: { ...face(stock), length: 3.5 * stock },
        scion: { ...face(scion), length: 3.5 * Math.max(stock, scion) },
        e: 0,
        z: 0,
        phi: 0,
      }).contact;
      const expected = expectedContact(whip, stock, scion)(0);
      // Its places are coarser than the search for the very best.
      expect(expected).toBeGreaterThan(best - 0.12);
      expect(expected).toBeLessThanOrEqual(best + 0.02);
    }
  });
  it('is less in a hand that is less sure, and best for like calipers', () => {
    for (const scion of [8, 9, 10]) {
      const [first, some, sure] = (['first', 'some', 'sure'] as const).map((skill) =>
        expectedContact(whip, 10, scion)(SLIP[skill]),
      ) as [number, number, number];
      expect(first).toBeLessThanOrEqual(some);
      expect(some).toBeLessThanOrEqual(sure);
    }
    expect(expectedContact(whip, 10, 10)(SLIP.some)).toBeGreaterThan(expectedContact(whip, 10, 7)(SLIP.some));
  });
  it('falls without steps as calipers part', () => {
    const contacts = Array.from({ length: 21 }, (_, i) => expectedContact(whip, 10, 10 - i * 0.1)(SLIP.some));
    contacts.slice(1).forEach((contact, i) => {
      expect(contact).toBeLessThan(contacts[i]! + 0.03);
      expect(contacts[i]! - contact).toBeLessThan(0.12);
    });
  });
  it('is none outside a method’s limits, and can be had for every method at its usual calipers', () => {
    expect(expectedContact(whip, 60, 8)(SLIP.sure)).toBe(0);
    for (const method of METHODS)
      expect(
        expectedContact(method, method.shownWith.stock, method.shownWith.scion)(SLIP.sure),
        method.id,
      ).toBeGreaterThan(HOPELESS);
  });
  it('is read from a table by tenths, worked out once', () => {
    const table = contactTable(whip);
    expect(table.at(10.04, 9.96, SLIP.some)).toBe(table.at(10, 10, SLIP.some));
    expect(table.size()).toBe(1);
    const heard: number[] = [];
    table.fill([9, 10, 10], [9, 10], [SLIP.some, SLIP.sure], (share) => heard.push(share));
    expect(table.size()).toBe(4);
    expect(heard).toEqual([0.5, 1]);
  });
});

describe('pairing a bench', () => {
  const input = (
    stocks: [number, string, 'first' | 'some' | 'sure'][],
    scions: number[],
    fixed: PairingInput['fixed'] = [],
  ): PairingInput => ({
    method: whip,
    fixed,
    stocks: stocks.map(([caliper, seat, skill], i) => ({ id: `s${i}`, caliper, seat, skill })),
    scions: scions.map((caliper, i) => ({ id: `c${i}`, caliper })),
  });
  const mixed = input(
    [
      [12, 'a', 'first'],
      [8, 'b', 'first'],
      [10, 'c', 'first'],
    ],
    [8, 10, 12],
  );
  it('puts like to like and says what that gains over taking them as they lie', () => {
    const result = pairUp(mixed);
    expect(Object.fromEntries(result.pairs.map(({ stock, scion }) => [stock, scion]))).toEqual({
      s0: 'c2',
      s1: 'c0',
      s2: 'c1',
    });
    expect(result.sum).toBeGreaterThan(result.inOrder.sum + 0.5);
    expect(result.aside).toEqual([]);
  });
  it('keeps what was fixed by hand, with its seat', () => {
    const result = pairUp({ ...mixed, fixed: [{ stock: 's0', scion: 'c1', seat: 'a' }] });
    expect(result.pairs.find(({ stock }) => stock === 's0')).toMatchObject({ scion: 'c1', seat: 'a', fixed: true });
    expect(result.pairs.some(({ stock, scion }) => stock !== 's0' && scion === 'c1')).toBe(false);
  });
  it('is the best of all ways for one skill', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 60, max: 130 }), { minLength: 1, maxLength: 5 }),
        fc.array(fc.integer({ min: 50, max: 130 }), { minLength: 1, maxLength: 5 }),
        (stocks, scions) => {
          const result = pairUp(
            input(
              stocks.map((tenths, i) => [tenths / 10, `p${i}`, 'some']),
              scions.map((tenths) => tenths / 10),
            ),
          );
          const table = contactTable(whip);
          const worth = stocks.map((stock) =>
            scions.map((scion) =>
              table.at(stock / 10, scion / 10, SLIP.some) < HOPELESS ? 0 : table.at(stock / 10, scion / 10, SLIP.some),
            ),
          );
          expect(result.sum).toBeCloseTo(byTrying(worth), 9);
        },
      ),
      { numRuns: 25 },
    );
  });
  it('deals seats again for hands that differ, each as many as before, and never loses by it', () => {
    const stocks: [number, string, 'first' | 'sure'][] = [
      [9, 'new', 'first'],
      [10, 'old', 'sure'],
      [11, 'new', 'first'],
      [8, 'old', 'sure'],
    ];
    const result = pairUp(input(stocks, [9.8, 7.2, 9, 11]));
    expect(result.pairs.map(({ seat }) => seat).sort()).toEqual(['new', 'new', 'old', 'old']);
    const dealtAsTheyLie = pairUp({
      ...input(stocks, [9.8, 7.2, 9, 11]),
      stocks: stocks.map(([caliper, seat, skill], i) => ({ id: `s${i}`, caliper, seat: `${seat}${i}`, skill })),
    });
    expect(result.sum).toBeGreaterThan(dealtAsTheyLie.inOrder.sum);
  });
  it('sets aside what cannot match, with the reason, and finds another method for it', () => {
    const result = pairUp(
      input(
        [
          [10, 'a', 'some'],
          [28, 'b', 'some'],
        ],
        [10, 9],
      ),
    );
    expect(result.aside).toEqual([{ stock: 's1', why: 'no stick here suits its caliper' }]);
    expect(result.left).toEqual(['c1']);
    const other = otherMethods(METHODS, 'field')({ caliper: 28, skill: 'some' }, [{ id: 'c1', caliper: 9 }]);
    expect(other!.method.id).not.toBe(whip.id);
    expect(other!.contact).toBeGreaterThanOrEqual(HOPELESS);
    expect(otherMethods(METHODS, 'bench')({ caliper: 300, skill: 'some' }, [{ id: 'c1', caliper: 9 }])).toBeNull();
  });
  it('copes with nothing to pair', () => {
    expect(pairUp(input([[10, 'a', 'some']], [])).aside).toHaveLength(1);
    expect(pairUp(input([], [9])).left).toEqual(['c0']);
  });
});

describe('a pair that hardly touches', () => {
  // Calipers whose contact is something and less than a pair is made for, found by going through them.
  const table = contactTable(whip);
  const slim = Array.from({ length: 160 }, (_, i) => 16 - i / 10).find((scion) => {
    const contact = table.at(16, scion, SLIP.first);
    return contact > 0.02 && contact < HOPELESS - 0.01;
  })!;
  const paired = pairUp({
    method: whip,
    fixed: [],
    stocks: [{ id: 's', caliper: 16, seat: 'a', skill: 'first' }],
    scions: [{ id: 'c', caliper: slim }],
  });
  it('is not made: its stock is set aside with the reason, and the scion is left', () => {
    expect(paired.pairs).toEqual([]);
    expect(paired.aside.map(({ stock }) => stock)).toEqual(['s']);
    expect(paired.aside[0]!.why).not.toBe('');
    expect(paired.left).toEqual(['c']);
    expect(paired.sum).toBe(0);
    expect(paired.inOrder.hopeless).toBe(1);
  });
});
