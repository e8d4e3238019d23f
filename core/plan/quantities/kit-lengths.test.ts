import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { BuyLine } from './kit';
import { keptAmount, keptStore, readKitLine } from './kit-lengths';

const TAPE: BuyLine = {
  id: 'tape',
  name: 'tape',
  unit: 'm',
  per: 'workshop',
  each: null,
  total: 6.096,
  note: '',
  inStore: 3.048,
  buy: 3.048,
  price: 1,
  cost: 3.05,
};

describe('tape in feet', () => {
  it('is twenty of them where a metric reader has 6.096 m, at the same cost', () => {
    const read = readKitLine(TAPE, 'in');
    expect(read).toMatchObject({ unit: 'ft', each: null, cost: 3.05 });
    for (const [figure, feet] of [
      [read.total, 20],
      [read.inStore, 10],
      [read.buy, 10],
      [read.price, 0.3048],
    ])
      expect(figure).toBeCloseTo(feet!, 9);
  });
  it('leaves metres to metric readers, and pieces as they are', () => {
    expect(readKitLine(TAPE, 'mm')).toBe(TAPE);
    const labels = { ...TAPE, unit: 'pieces' };
    expect(readKitLine(labels, 'in')).toBe(labels);
  });
  it('comes back as it was kept, whatever it was', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1e6, noNaN: true }),
        fc.double({ min: 0, max: 1e6, noNaN: true }),
        (a, b) => {
          const read = readKitLine({ ...TAPE, total: a, inStore: b, price: a }, 'in');
          expect(keptAmount(read.total, 'ft')).toBeCloseTo(a, 6);
          const store = keptStore({ inStore: read.inStore, price: read.price }, 'ft');
          expect(store.inStore).toBeCloseTo(b, 6);
          expect(store.price).toBeCloseTo(a, 6);
        },
      ),
    );
    expect(keptStore({ inStore: 2, price: null }, 'm')).toEqual({ inStore: 2, price: null });
  });
});
