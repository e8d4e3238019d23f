import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { seededRandom } from '../../chance/seeded-random';
import { innermostIntervals, type SeenBetween } from './innermost-intervals';
import { turnbull } from './turnbull';

/** Plants that die at a steady pace, seen at four visits. */
function drawn(plants: number, days: (random: () => number) => number[]): SeenBetween[] {
  const random = seededRandom(plants);
  return Array.from({ length: plants }, () => {
    const death = -Math.log(random()) * 400;
    let left = 0;
    for (const day of days(random).sort((a, b) => a - b)) {
      if (death <= day) return { left, right: Math.max(day, left + 1) };
      left = day;
    }
    return { left, right: null };
  });
}

const likelihood = (seen: readonly SeenBetween[], survival: (day: number) => number): number =>
  seen.reduce((sum, { left, right }) => sum + Math.log(survival(left) - (right === null ? 0 : survival(right))), 0);

describe('innermost intervals', () => {
  it('are a left end followed at once by a right end; what begins at a day begins after what ends there', () => {
    expect(
      innermostIntervals([
        { left: 0, right: 21 },
        { left: 21, right: 56 },
        { left: 10, right: null },
      ]),
    ).toEqual([
      { from: 10, to: 21 },
      { from: 21, to: 56 },
    ]);
  });
  it('refuse a plant that was dead before it was alive, and one of no day', () => {
    expect(() => innermostIntervals([{ left: 21, right: 21 }])).toThrow('right is a day after left (21)');
    expect(() => innermostIntervals([{ left: -1, right: null }])).toThrow('a day from 0 on');
  });
});

describe('when plants die', () => {
  it('is a plain share where everybody is seen on the same days', () => {
    const { steps } = turnbull([
      { left: 0, right: 21 },
      { left: 21, right: 56 },
      { left: 56, right: null },
      { left: 56, right: null },
    ]);
    expect(steps.map(({ survivalAfter }) => survivalAfter)).toEqual([
      expect.closeTo(0.75, 5),
      expect.closeTo(0.5, 5),
      0,
    ]);
  });
  it('ends where no reduced gradient is above a millionth of the plants, whatever the visits', () => {
    const visits = fc.array(fc.integer({ min: 1, max: 400 }), { minLength: 1, maxLength: 6 });
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 300 }), visits, (plants, days) => {
        const fit = turnbull(drawn(plants, (random) => days.map((day) => day + Math.floor(random() * 30))));
        expect(fit.converged).toBe(true);
        expect(fit.gradient).toBeLessThanOrEqual(1e-6);
        expect(fit.steps.reduce((sum, { mass }) => sum + mass, 0)).toBeCloseTo(1, 9);
      }),
      { numRuns: 40 },
    );
  });
  it('is likelier than any other: moving mass between intervals makes it less so', () => {
    const seen = drawn(120, (random) => [30, 90, 200].map((day) => day + Math.floor(random() * 20)));
    const { steps } = turnbull(seen);
    const after = (masses: readonly number[]) => (day: number) =>
      1 - steps.reduce((sum, { to }, j) => (to !== null && to <= day ? sum + masses[j]! : sum), 0);
    const masses = steps.map(({ mass }) => mass);
    const best = likelihood(seen, after(masses));
    const heavy = masses.indexOf(Math.max(...masses));
    masses.forEach((_, j) => {
      if (j === heavy) return;
      const moved = masses.map((mass, k) => (k === heavy ? mass - 0.01 : k === j ? mass + 0.01 : mass));
      expect(likelihood(seen, after(moved))).toBeLessThanOrEqual(best + 1e-9);
    });
  });
});
