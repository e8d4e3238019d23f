import { describe, expect, it } from 'vitest';
import { aroundZero, seededRandom } from '../../chance/seeded-random';
import { fixedInverse, jointInverse } from './joint-inverse';
import { laplaceLikelihood } from './laplace-likelihood';
import { mixedDesign, type MixedUnion } from './mixed-design';
import { mixedModel } from './mixed-model';

interface Drawn {
  unions: number;
  lots: number;
  lotSpread: number;
  hands: number;
  seed: number;
}

function drawn({ unions, lots, lotSpread, hands, seed }: Drawn): MixedUnion[] {
  const random = seededRandom(seed);
  const lot = Array.from({ length: lots }, () => lotSpread * aroundZero(random));
  return Array.from({ length: unions }, (_, i) => {
    const own = Math.floor(random() * lots);
    const score = Math.round(70 + 25 * random());
    const eta = 1 + lot[own]! + 0.05 * (score - 80) + (i % 2 === 0 ? 0 : -0.5);
    return {
      alive: random() < 1 / (1 + Math.exp(-eta)),
      method: i % 2 === 0 ? 'chip' : 'whip',
      score,
      groups: { lot: `l${own}`, hand: `h${Math.floor(random() * hands)}` },
    };
  });
}

const usual: Drawn = { unions: 900, lots: 12, lotSpread: 1, hands: 40, seed: 5 };

describe('mixed logistic model', () => {
  it('says of fixed effects alone what the whole inverse says of them', () => {
    const laplace = laplaceLikelihood(mixedDesign(drawn({ ...usual, unions: 300 })));
    const parameters = Float64Array.from([0.8, -0.3, 0.3, 0.4, 0.7]);
    laplace.at(parameters);
    const alone = fixedInverse(laplace.rows, laplace.mode(), parameters);
    const { fixed } = jointInverse(laplace.rows, laplace.mode(), parameters);
    alone.forEach((row, a) => row.forEach((value, b) => expect(value).toBeCloseTo(fixed[a]![b]!, 12)));
    expect(alone.every((row, a) => row[a]! > 0)).toBe(true);
  });
  it('has the slope that its value has', () => {
    const { at } = laplaceLikelihood(mixedDesign(drawn(usual)));
    const here = Float64Array.from([0.8, -0.3, 0.3, 0.4, 0.7]);
    const { slope } = at(here);
    const step = 1e-4;
    here.forEach((_, j) => {
      const [above, below] = [Float64Array.from(here), Float64Array.from(here)];
      above[j] = above[j]! + step;
      below[j] = below[j]! - step;
      expect(slope[j]).toBeCloseTo((at(above).value - at(below).value) / (2 * step), 2);
    });
  });
  it('finds a bad lot and does not blame the hands', () => {
    const fit = mixedModel(drawn(usual));
    const spread = Object.fromEntries(fit.spreads.map(({ group, spread }) => [group, spread]));
    expect(fit.converged).toBe(true);
    expect(spread.lot).toBeGreaterThan(0.4);
    expect(spread.hand).toBeLessThan(0.4);
    expect(fit.fixed.find(({ name }) => name === 's')!.estimate).toBeCloseTo(0.5, 0);
    const lots = fit.levels.lot!;
    const raw = (level: (typeof lots)[number]): number => level.alive / level.known;
    const worst = [...lots].sort((a, b) => raw(a) - raw(b))[0]!;
    expect(worst.estimate).toBe(Math.min(...lots.map(({ estimate }) => estimate)));
    for (const { low, take, high } of lots) expect(low < take && take < high).toBe(true);
    expect(fit.apart.lot!.length).toBeGreaterThan(0);
  });
  it('tells no two apart where there is nothing to tell', () => {
    const fit = mixedModel(drawn({ ...usual, lotSpread: 0, seed: 9 }));
    expect(fit.apart.lot!.length).toBeLessThan(4);
  });
  it('leaves out what cannot be told apart, and says so', () => {
    const unions = drawn(usual).map((union) => ({
      ...union,
      groups: { ...union.groups, workshop: `d ${union.groups.lot}`, club: 'ours' },
    }));
    const fit = mixedModel(unions);
    expect(fit.spreads.map(({ group }) => group).sort()).toEqual(['hand', 'lot']);
    expect(fit.notes).toEqual([
      'workshop holds the same unions together as lot: the two cannot be told apart.',
      'club has one level only and is left out.',
    ]);
  });
  it('takes a group of two as a fixed column, unless the methods part it already', () => {
    const unions = drawn(usual);
    const two = mixedModel(unions.map((union, i) => ({ ...union, groups: { site: i % 3 === 0 ? 'a' : 'b' } })));
    expect(two.fixed.map(({ name }) => name)).toEqual(['(Intercept)', 'methodwhip', 's', 'siteb']);
    const parted = mixedModel(unions.map((union) => ({ ...union, groups: { site: `at ${union.method}` } })));
    expect(parted.notes[0]).toMatch(/two levels that the methods already part/);
  });
  it('keeps finite what lived or died altogether', () => {
    const unions = drawn(usual).map((union) => ({
      ...union,
      alive: union.method === 'whip' ? false : union.alive,
    }));
    const fit = mixedModel(unions);
    const whip = fit.fixed.find(({ name }) => name === 'methodwhip')!;
    expect(whip.penalised).toBe(true);
    expect(whip.estimate).toBeGreaterThan(-12);
    expect(whip.standardError).toBeLessThan(3);
    const dead = mixedModel(
      drawn(usual).map((union) => ({ ...union, alive: union.groups.lot === 'l3' ? false : union.alive })),
    ).levels.lot!.find(({ level }) => level === 'l3')!;
    expect(Number.isFinite(dead.estimate) && dead.high < 0.5).toBe(true);
  });
  it('counts a union without a level for no effect of that group', () => {
    const unions = drawn(usual);
    const some = unions.map((union, i) => ({
      ...union,
      groups: { ...union.groups, hand: i % 4 === 0 ? null : union.groups.hand! },
    }));
    const fit = mixedModel(some);
    const known = fit.levels.hand!.reduce((sum, level) => sum + level.known, 0);
    expect(known).toBe(some.filter(({ groups }) => groups.hand !== null).length);
  });
  it('refuses one outcome, and a score that is none', () => {
    const unions = drawn(usual);
    expect(() => mixedModel(unions.map((union) => ({ ...union, alive: true })))).toThrow('All 900 unions lived');
    expect(() => mixedModel([{ ...unions[0]!, score: 140 }, ...unions])).toThrow('between 0 and 100, not 140');
    expect(() => mixedModel([])).toThrow('no union');
  });
});
