import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { deadByCause, visitThatTells, watchedDays } from './dead-by-cause';
import { deadOfBy, type DiedBetween, incidenceByCause } from './incidence-by-cause';
import { turnbull } from './turnbull';

const plants = fc.array(
  fc.tuple(fc.constantFrom(0, 14, 30, 90), fc.constantFrom(20, 60, 120, null), fc.constantFrom('tie', 'dry')),
  { minLength: 1, maxLength: 40 },
);
const seenOf = (rows: [number, number | null, string][]): DiedBetween[] =>
  rows.map(([left, right, cause]) =>
    right !== null && right > left ? { left, right, cause } : { left, right: null, cause: null },
  );

describe('dead of each cause', () => {
  it('adds up with the survivors to all, whatever was seen', () => {
    fc.assert(
      fc.property(plants, (rows) => {
        const fit = incidenceByCause(seenOf(rows));
        expect(fit.converged).toBe(true);
        const dead = fit.steps.reduce((sum, { mass }) => sum + mass, 0);
        expect(dead + fit.surviving).toBeCloseTo(1, 9);
        for (const { mass } of fit.steps) expect(mass).toBeGreaterThanOrEqual(0);
      }),
      { numRuns: 60 },
    );
  });
  it('is the plain estimate where there is one cause', () => {
    fc.assert(
      fc.property(plants, (rows) => {
        const seen = seenOf(rows).map((plant) => ({ ...plant, cause: plant.right === null ? null : 'any' }));
        const fit = incidenceByCause(seen);
        const logOf = (steps: { from: number; to: number | null; mass: number }[]): number =>
          seen.reduce(
            (sum, { left, right }) =>
              sum +
              Math.log(
                steps
                  .filter(({ from, to }) => from >= left && (right === null || (to !== null && to <= right)))
                  .reduce((mass, step) => mass + step.mass, 0),
              ),
            0,
          );
        // The likelihood has one maximum, though mass may lie in several ways.
        expect(fit.logLikelihood).toBeCloseTo(logOf(turnbull(seen).steps), 3);
      }),
      { numRuns: 40 },
    );
  });
  it('is the plain share where each death was seen at once and all were watched', () => {
    const seen: DiedBetween[] = [
      ...Array.from({ length: 3 }, () => ({ left: 0, right: 10, cause: 'dry' })),
      ...Array.from({ length: 2 }, () => ({ left: 10, right: 20, cause: 'tie' })),
      ...Array.from({ length: 5 }, () => ({ left: 20, right: null, cause: null })),
    ];
    const fit = incidenceByCause(seen);
    expect(deadOfBy(fit, 'dry', 10)).toBeCloseTo(0.3, 6);
    expect(deadOfBy(fit, 'tie', 20)).toBeCloseTo(0.2, 6);
    expect(deadOfBy(fit, 'dry', 5)).toBeNull();
    expect(fit.surviving).toBeCloseTo(0.5, 6);
  });
  it('lets an unsettled death count for its causes by their shares', () => {
    const seen: DiedBetween[] = [
      { left: 0, right: 10, cause: 'dry', weight: 0.75 },
      { left: 0, right: 10, cause: 'tie', weight: 0.25 },
      { left: 10, right: null, cause: null },
    ];
    const fit = incidenceByCause(seen);
    expect(deadOfBy(fit, 'dry', 10)).toBeCloseTo(0.375, 6);
    expect(deadOfBy(fit, 'tie', 10)).toBeCloseTo(0.125, 6);
  });
  it('says nothing beyond where twenty are watched, and takes rare causes together', () => {
    const seen: DiedBetween[] = [
      ...['a', 'b', 'c', 'd', 'e', 'f', 'g'].flatMap((cause, i) =>
        Array.from({ length: 8 - i }, () => ({ left: 0, right: 21, cause })),
      ),
      ...Array.from({ length: 30 }, () => ({ left: 60, right: null, cause: null })),
      ...Array.from({ length: 5 }, () => ({ left: 300, right: null, cause: null })),
    ];
    expect(watchedDays(seen)).toEqual([
      { day: 21, watched: 35 },
      { day: 60, watched: 35 },
    ]);
    const { causes, rows } = deadByCause(seen);
    expect(causes).toEqual(['a', 'b', 'c', 'd', 'e', 'other causes']);
    expect(rows.map(({ day }) => day)).toEqual([21, 60]);
  });
  it('names the look that would tell most', () => {
    const step = (from: number, to: number, mass: number) => ({ from, to, mass, survivalAfter: 0.5 });
    expect(visitThatTells([step(0, 190, 0.3), step(200, 210, 0.4)])).toEqual({
      gap: { from: 0, to: 190 },
      look: { from: 30, to: 45 },
    });
    expect(visitThatTells([step(60, 180, 0.3)])!.look).toEqual({ from: 100, to: 140 });
    expect(visitThatTells([step(0, 30, 0.3)])).toBeNull();
  });
  it('refuses a plant that was dead before it was alive', () =>
    expect(() => incidenceByCause([{ left: 30, right: 20, cause: 'dry' }])).toThrow('a day after left'));
});
