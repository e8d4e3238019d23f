import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { binomialTail } from '../../statistics/binomial-tail';
import { beyondChance, isRun, runChart, runOfMethod } from './run-chart';

describe('run chart', () => {
  it('has limits that are the smallest counts of at least that chance', () => {
    const rows = fc.array(
      fc.integer({ min: 1, max: 80 }).chain((n) => fc.record({ n: fc.constant(n), alive: fc.nat(n) })),
      { minLength: 1, maxLength: 8 },
    );
    fc.assert(
      fc.property(rows, (counts) => {
        runChart(counts).forEach(({ centre, lower, upper }, i) => {
          const { n } = counts[i]!;
          const upTo = (count: number): number => 1 - binomialTail(n, count + 1, centre);
          for (const [limit, chance] of [
            [lower, 0.00135],
            [upper, 0.99865],
          ] as const) {
            const count = Math.round(limit! * n);
            expect(upTo(count)).toBeGreaterThanOrEqual(chance - 1e-9);
            if (count > 0) expect(upTo(count - 1)).toBeLessThan(chance + 1e-9);
          }
        });
      }),
    );
  });
  it('tells a bad year from chance, and says nothing of a year without answers', () => {
    const points = runChart([
      { n: 60, alive: 50 },
      { n: 60, alive: 51 },
      { n: 60, alive: 20 },
      { n: 0, alive: 0 },
    ]);
    expect(points.map(beyondChance)).toEqual([null, null, 'below', null]);
    expect(points[3]!.rate).toBeNull();
  });
  it('refuses counts that are none', () => {
    expect(() => runChart([{ n: 3, alive: 4 }])).toThrow('Row 1');
    expect(() => runChart([{ n: 0, alive: 0 }])).toThrow('Nothing is known');
  });
});

describe('the run of a method', () => {
  const row = (n: number, alive: number) => ({ n, alive });
  it('has three binomial errors to either side where workshops differ by chance alone', () => {
    const [first] = runOfMethod([row(50, 40), row(50, 41), row(50, 39), row(50, 40)]);
    expect(first!.centre).toBeCloseTo(0.8, 12);
    expect(first!.lower).toBeCloseTo(0.8 - 3 * Math.sqrt((0.8 * 0.2) / 50), 12);
    expect(first!.upper).toBeCloseTo(0.8 + 3 * Math.sqrt((0.8 * 0.2) / 50), 12);
  });
  it('has wider limits where they differ anyhow, so that a usual year is not called a bad one', () => {
    const rows = [row(200, 180), row(200, 130), row(200, 185), row(200, 140), row(200, 178), row(200, 128)];
    expect(runChart(rows).some((point) => beyondChance(point) !== null)).toBe(true);
    expect(runOfMethod(rows).every((point) => beyondChance(point) === null)).toBe(true);
  });
  it('still tells a year that is far off, and says nothing of one without answers', () => {
    const points = runOfMethod([row(60, 50), row(60, 51), row(60, 50), row(60, 52), row(60, 20), row(0, 0)]);
    expect(points.map(beyondChance)).toEqual([null, null, null, null, 'below', null]);
    expect(isRun([row(60, 50), row(60, 51), row(0, 0)])).toBe(false);
    expect(() => runOfMethod([row(0, 0)])).toThrow('Nothing is known');
  });
});
