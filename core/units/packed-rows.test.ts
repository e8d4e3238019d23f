import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { packRows, unpackRows } from './packed-rows';

describe('packed rows', () => {
  it('tell what rows share once', () => {
    const lot = 'a lot with a long name';
    const packed = packRows([
      { lot, spot: { row: 1 }, dead: false },
      { lot, spot: { row: 1 }, dead: true },
      { lot, spot: null, dead: false },
    ]);
    expect(packed.columns).toEqual({ lot: [lot], spot: [{ row: 1 }, null], dead: [false, true] });
    expect(packed.rows).toEqual([
      [0, 0, 0],
      [0, 0, 1],
      [0, 1, 0],
    ]);
  });
  it('are the rows again, whatever is in them', () => {
    const row = fc.record({
      id: fc.string(),
      count: fc.oneof(fc.integer(), fc.constant(null)),
      // A text that looks like an object is not one.
      spot: fc.oneof(fc.record({ row: fc.integer() }), fc.constant('{"row":1}'), fc.constant({ row: 1 })),
    });
    fc.assert(
      fc.property(fc.array(row), (rows) => {
        expect(unpackRows(packRows(rows))).toEqual(rows);
      }),
    );
  });
  it('are refused where one has other keys', () => {
    expect(() => packRows<object>([{ a: 1 }, { b: 1 }])).toThrow(RangeError);
    expect(() => packRows<object>([{ a: 1 }, { a: 1, b: 1 }])).toThrow(RangeError);
  });
});
