import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { distanceToEllipse } from './distance-to-ellipse';

/** By brute force over a dense walk of the ellipse. */
function walked(x: number, y: number, p: number, q: number): number {
  let least = Infinity;
  for (let i = 0; i < 40_000; i++) {
    const angle = (i / 40_000) * 2 * Math.PI;
    least = Math.min(least, Math.hypot(x - p * Math.cos(angle), y - q * Math.sin(angle)));
  }
  return least;
}

describe('distanceToEllipse', () => {
  it.each([
    [0, 20, 4, 14, 6],
    [0, 0, 4, 14, 4],
    [9, 0, 4, 14, 5],
    [3, 4, 5, 5, 0],
    [4, 0, 4, 14, 0],
  ])('(%d, %d) to %d by %d is %d', (x, y, p, q, distance) => {
    expect(distanceToEllipse(x, y, p, q)).toBeCloseTo(distance, 9);
  });
  it('agrees with walking along the ellipse', () => {
    const length = fc.double({ min: 1, max: 40, noNaN: true });
    const place = fc.double({ min: -50, max: 50, noNaN: true });
    fc.assert(
      fc.property(place, place, length, length, (x, y, p, q) => {
        expect(Math.abs(distanceToEllipse(x, y, p, q) - walked(x, y, p, q))).toBeLessThan(1e-3);
      }),
      { numRuns: 60 },
    );
  });
});
