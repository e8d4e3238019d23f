import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { binomialTail } from '../../statistics/binomial-tail';
import { beyondChance, runChart } from './run-chart';

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
