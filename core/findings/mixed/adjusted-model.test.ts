import { describe, expect, it } from 'vitest';
import { drawnClub, NULL_KINDS } from '../claims/testing/drawn-club';
import { adjustedCosts } from '../points/adjusted-costs';
import { adjustedDesign, type AdjustedUnion } from './adjusted-design';
import { adjustedFit, adjustedTerms } from './adjusted-model';
import { comparison } from './comparison';
import { laplaceLikelihood } from './laplace-likelihood';
import { levelIntervals } from './level-intervals';

const { unions } = drawnClub(7, NULL_KINDS.everything!, 'none', { workshops: 6, hands: 9, each: 5 });

describe('the model with a weak prior', () => {
  it('has the slope that its value has, prior and all', () => {
    const { at } = laplaceLikelihood(adjustedDesign(unions, 'score'));
    const here = new Float64Array(adjustedFit(adjustedDesign(unions, 'score')).parameters.length).fill(0.3);
    const { slope } = at(here);
    here.forEach((_, j) => {
      const [above, below] = [Float64Array.from(here), Float64Array.from(here)];
      above[j] = above[j]! + 1e-3;
      below[j] = below[j]! - 1e-3;
      expect(slope[j]).toBeCloseTo((at(above).value - at(below).value) / 2e-3, 1);
    });
    here[here.length - 1] = -0.1;
    expect(at(here).value).toBe(-Infinity);
  });
  it('fits no spread as exactly nothing', () => {
    const { spreads } = adjustedTerms(adjustedFit(adjustedDesign(unions, 'nothing')));
    expect(spreads.map(({ group }) => group).sort()).toEqual(['grafter', 'stock_lot', 'wood_lot', 'workshop']);
    for (const { spread } of spreads) expect(spread).toBeGreaterThan(0.02);
  });
  it('leaves out a group of one level, a constant score and a day that is the hand, and says so', () => {
    const alike = unions.map((union) => ({ ...union, groups: { ...union.groups, stock_lot: 'all' }, score: 80 }));
    const design = adjustedDesign(alike as AdjustedUnion[], 'score');
    expect(design.groups.map(({ name }) => name)).not.toContain('stock_lot');
    expect(design.slopeUntold).toBe('All scores are alike.');
    const same = unions.map((union) => ({ ...union, groups: { grafter: union.groups.workshop } }));
    expect(adjustedDesign(same as AdjustedUnion[], 'score').slopeUntold).toBeNull();
  });
  it('does not let hands that score and take better make an effect of the score', () => {
    // Each hand scores all it makes alike, and good hands take better: between hands the score seems to foretell.
    const hands = unions.map((union, i) => {
      const good = Number(union.groups.grafter!.slice(5)) % 2;
      return { ...union, fatal: false, score: 70 + 20 * good + (i % 3), alive: i % 10 < (good ? 9 : 4) };
    });
    const design = adjustedDesign(hands as AdjustedUnion[], 'score');
    const s = adjustedTerms(adjustedFit(design)).fixed.find(({ name }) => name === 's')!;
    expect(s.estimate - 1.645 * s.standardError).toBeLessThan(0);
  });
});

describe('intervals of levels', () => {
  it('are as wide as the spreads are uncertain, and hold the estimate', () => {
    const fit = adjustedFit(adjustedDesign(unions, 'nothing'));
    const { levels } = levelIntervals(fit);
    for (const own of Object.values(levels))
      for (const { low, take, high, p, known } of own) {
        expect(low < take && take < high).toBe(true);
        expect(p).toBeGreaterThan(0);
        expect(p).toBeLessThanOrEqual(1);
        expect(known).toBeGreaterThan(0);
      }
    // A level nobody differs in is not told apart, and one that died altogether is.
    const dead = unions.map((union) => (union.groups.workshop === 'day 1' ? { ...union, alive: false } : union));
    const found = comparison(dead);
    expect(found.levels.workshop!.filter(({ differs }) => differs).map(({ level }) => level)).toContain('day 1');
  });
});

describe('what points cost, days and hands as they are', () => {
  it('is 100 times the mean chance with the point good, less that as it is', () => {
    const judged = unions.map((union, i) => ({
      ...union,
      grades: { ...union.grades, bind: i % 3 === 0 ? ('poor' as const) : ('good' as const) },
      alive: i % 3 === 0 ? i % 2 === 0 : union.alive,
    }));
    const fit = adjustedFit(adjustedDesign(judged, 'points'));
    const bind = adjustedCosts(judged, fit).find(({ point }) => point === 'bind')!;
    const effect = adjustedTerms(fit).fixed.find(({ name }) => name === 'bindpoor')!;
    const chances = Array.from(fit.laplace.rows.layout.order, (at, i) => ({ at, chance: fit.mode.chances[i]! }));
    const cost = chances.reduce((sum, { at, chance }) => {
      if (judged[at]!.grades.bind === 'good') return sum;
      const better = 1 / (1 + Math.exp(effect.estimate) * ((1 - chance) / chance));
      return sum + better - chance;
    }, 0);
    expect(bind.perHundred).toBeCloseTo((100 * cost) / judged.length, 9);
    expect(bind.named).toBe(true);
    expect(bind.had).toBe(Math.ceil(judged.length / 3));
    // A whole standard deviation of the effect moves the cost by about its own error.
    expect(bind.high - bind.perHundred).toBeGreaterThan(0.5);
    expect(bind.high - bind.perHundred).toBeLessThan(bind.perHundred);
  });
  it('is not named from fewer than five', () => {
    const judged = unions.map((union, i) => ({
      ...union,
      grades: { seal: i < 4 ? ('fatal' as const) : ('good' as const) },
      alive: i < 4 ? false : union.alive,
    }));
    const [seal] = adjustedCosts(judged, adjustedFit(adjustedDesign(judged, 'points')));
    expect(seal).toMatchObject({ point: 'seal', had: 4, named: false, p: 1 });
  });
});
