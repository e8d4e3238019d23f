import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { quantile } from './quantile';

describe('a quantile', () => {
  // R 4.3, quantile(x, share, type = 7).
  it.each([
    [[1, 2, 3, 4], 0.5, 2.5],
    [[10, 20], 0.25, 12.5],
    [[2, 3, 5, 7, 11], 0.9, 9.4],
    [[2, 3, 5, 7, 11], 0.05, 2.2],
    [[4], 0.7, 4],
    [[1, 9], 1, 9],
  ])('of %j at %d is %d', (values, share, expected) => {
    expect(quantile(values, share)).toBeCloseTo(expected, 12);
  });
  it('lies between the least and the greatest, and rises with the share without steps', () => {
    const rising = fc.array(fc.integer({ min: -500, max: 500 }), { minLength: 2, maxLength: 30 });
    fc.assert(
      fc.property(rising, fc.double({ min: 0, max: 0.999, noNaN: true }), (values, share) => {
        const sorted = [...values].sort((a, b) => a - b);
        const [here, next] = [quantile(sorted, share)!, quantile(sorted, share + 0.001)!];
        const range = sorted.at(-1)! - sorted[0]!;
        expect(here >= sorted[0]! && next <= sorted.at(-1)! && here <= next + 1e-9).toBe(true);
        // A thousandth of the way passes at most that part of the values, and of what lies between two of them.
        expect(next - here).toBeLessThanOrEqual(0.001 * (sorted.length - 1) * range + 1e-9);
      }),
    );
  });
  it('of nothing is none, and of a share that is none an error', () => {
    expect(quantile([], 0.5)).toBeNull();
    for (const share of [-0.1, 1.1, Number.NaN]) expect(() => quantile([1], share)).toThrow(RangeError);
  });
});
