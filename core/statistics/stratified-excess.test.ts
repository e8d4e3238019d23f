import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { chiSquareTail } from './chi-square-tail';
import { holm } from './holm';
import { type Stratum, stratifiedExcess } from './stratified-excess';

const table = (deadInside: number, aliveInside: number, deadBeside: number, aliveBeside: number): Stratum => ({
  deadInside,
  aliveInside,
  deadBeside,
  aliveBeside,
});

/** Every way the dead can fall on the places of a stratum, counted out. */
function counted({ deadInside, aliveInside, deadBeside, aliveBeside }: Stratum): Map<number, number> {
  const inside = deadInside + aliveInside;
  const all = inside + deadBeside + aliveBeside;
  const ways = new Map<number, number>();
  for (let way = 0; way < 2 ** all; way++) {
    const dead = Array.from({ length: all }, (_, i) => (way >> i) & 1);
    if (dead.reduce((sum, x) => sum + x, 0) !== deadInside + deadBeside) continue;
    const within = dead.slice(0, inside).reduce((sum, x) => sum + x, 0);
    ways.set(within, (ways.get(within) ?? 0) + 1);
  }
  return ways;
}

const small = fc.record({
  deadInside: fc.integer({ min: 0, max: 3 }),
  aliveInside: fc.integer({ min: 0, max: 3 }),
  deadBeside: fc.integer({ min: 0, max: 3 }),
  aliveBeside: fc.integer({ min: 0, max: 3 }),
});

describe('more dead inside than beside, day by day', () => {
  it('is what counting every way gives', () => {
    fc.assert(
      fc.property(small, small, (first, second) => {
        const speaks = (s: Stratum): boolean =>
          s.deadInside + s.aliveInside > 0 &&
          s.deadBeside + s.aliveBeside > 0 &&
          s.deadInside + s.deadBeside > 0 &&
          s.aliveInside + s.aliveBeside > 0;
        const strata = [first, second].filter(speaks);
        fc.pre(strata.length > 0);
        const dead = strata.reduce((sum, { deadInside }) => sum + deadInside, 0);
        let sums = new Map([[0, 1]]);
        for (const stratum of strata) {
          const next = new Map<number, number>();
          for (const [a, ways] of sums)
            for (const [b, more] of counted(stratum)) next.set(a + b, (next.get(a + b) ?? 0) + ways * more);
          sums = next;
        }
        const all = [...sums.values()].reduce((sum, ways) => sum + ways, 0);
        const tail = [...sums].filter(([k]) => k >= dead).reduce((sum, [, ways]) => sum + ways, 0);
        const mean = [...sums].reduce((sum, [k, ways]) => sum + k * ways, 0) / all;
        const found = stratifiedExcess([first, second]);
        expect(found.p).toBeCloseTo(tail / all, 9);
        expect(found.expectedDead).toBeCloseTo(mean, 9);
        expect(found.speaking).toBe(strata.length);
        expect(found.factor > 1 || dead <= mean + 1e-9 || found.factor > 0).toBe(true);
      }),
      { numRuns: 60 },
    );
  });
  it('is 1 where no more died than beside, and where nothing can be compared', () => {
    expect(stratifiedExcess([table(2, 8, 4, 16)]).factor).toBe(1);
    expect(stratifiedExcess([table(5, 0, 0, 0), table(0, 3, 0, 9)])).toEqual({
      speaking: 0,
      expectedDead: 0,
      p: 1,
      factor: 1,
    });
  });
  it('never adds up days: a hand that is as the others on each day is not blamed for coming on the bad one', () => {
    // 8 of 13 beside 50 of 260 in all; day by day 7 of 8 beside 30 of 34 and 1 of 5 beside 20 of 226.
    expect(stratifiedExcess([table(7, 1, 30, 4), table(1, 4, 20, 206)]).factor).toBeLessThan(2);
    expect(stratifiedExcess([table(8, 5, 50, 210)]).factor).toBeGreaterThan(20);
  });
  it('has figures for many, and for counts no factorial holds', () => {
    const { p, factor } = stratifiedExcess([table(400, 600, 2000, 7000)]);
    expect(p).toBeGreaterThan(0);
    expect(p).toBeLessThan(1e-20);
    expect(Number.isFinite(factor)).toBe(true);
  });
  it('refuses counts that are none', () => {
    expect(() => stratifiedExcess([table(1.5, 1, 1, 1)])).toThrow('not 1.5');
    expect(() => stratifiedExcess([table(1, -1, 1, 1)])).toThrow('whole numbers');
  });
});

describe('many tests at once', () => {
  it('are adjusted as Holm has it', () => {
    expect(holm([0.01, 0.04, 0.03])).toEqual([0.03, 0.06, 0.06]);
    expect(holm([0.5, 0.9])).toEqual([1, 1]);
    expect(holm([])).toEqual([]);
  });
});

describe('the tail of chi-square', () => {
  // Printed tables: 5 and 1 % points.
  it.each([
    [3.841, 1, 0.05],
    [5.991, 2, 0.05],
    [7.815, 3, 0.05],
    [9.488, 4, 0.05],
    [11.07, 5, 0.05],
    [13.277, 4, 0.01],
    [11.345, 3, 0.01],
  ])('from %d, %d degrees: %d', (x, degrees, chance) => expect(chiSquareTail(x, degrees)).toBeCloseTo(chance, 4));
  it('is all from nothing on, and refuses half a degree', () => {
    expect(chiSquareTail(0, 3)).toBe(1);
    expect(() => chiSquareTail(1, 0.5)).toThrow('whole number');
  });
});
