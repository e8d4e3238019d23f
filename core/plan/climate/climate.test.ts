import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { dayNormals } from './day-normals';
import { degreeDays } from './degree-days';
import { problemOfNormals } from './normals';

/** The same by brute force: the area of the sine above the base, in a hundred thousand slices. */
function byArea(low: number, high: number, base: number): number {
  const slices = 100_000;
  let area = 0;
  for (let i = 0; i < slices; i++)
    area += Math.max(0, (low + high) / 2 + ((high - low) / 2) * Math.sin(((i + 0.5) / slices) * 2 * Math.PI) - base);
  return area / slices;
}

describe('degree days', () => {
  it.each([
    [10, 20, 5, 10],
    [-4, 4, 5, 0],
    [5, 5, 5, 0],
    [0, 10, 5, 5 / Math.PI],
  ])('%d to %d above %d is %d', (low, high, base, days) => expect(degreeDays(low, high, base)).toBeCloseTo(days, 10));
  it('are the area of the day’s sine above the base', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -20, max: 30, noNaN: true }),
        fc.double({ min: 0, max: 25, noNaN: true }),
        fc.double({ min: -5, max: 15, noNaN: true }),
        (low, span, base) => {
          expect(degreeDays(low, low + span, base)).toBeCloseTo(byArea(low, low + span, base), 4);
        },
      ),
      { numRuns: 40 },
    );
  });
  it('want the highest above the lowest', () => expect(() => degreeDays(5, 4, 5)).toThrow('under its lowest'));
});

describe('normals of a day', () => {
  const normals = {
    low: [0, 1, 3, 6, 10, 13, 15, 15, 12, 8, 4, 1],
    high: [4, 6, 10, 15, 19, 23, 25, 25, 20, 14, 8, 5],
  };
  it('are the month’s in its middle and lie between neighbours elsewhere', () => {
    expect(dayNormals(normals, '2027-06-15').high).toBeCloseTo(23, 0);
    // The first of March lies half way between the middles of February and March.
    expect(dayNormals(normals, '2027-03-01').low).toBeCloseTo(2, 1);
    // And the turn of the year between December and January.
    expect(dayNormals(normals, '2027-01-01').high).toBeCloseTo(4.5, 1);
  });
  it('are refused when they cannot be', () => {
    expect(problemOfNormals(normals)).toBeNull();
    expect(problemOfNormals({ low: [1, 2], high: [3, 4] })).toBe('Twelve months are needed; 2 are there.');
    expect(problemOfNormals({ ...normals, low: normals.high, high: normals.low })).toContain('Exchange them');
    expect(problemOfNormals({ ...normals, high: normals.high.map((high) => high * 1.8 + 32) })).toContain('°F');
    expect(problemOfNormals({ ...normals, low: [Number.NaN, ...normals.low.slice(1)] })).toContain(
      'January is not in figures',
    );
  });
});
