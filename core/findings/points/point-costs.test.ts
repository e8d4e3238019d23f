import { describe, expect, it } from 'vitest';
import { seededRandom } from '../../chance/seeded-random';
import { pointCosts } from './point-costs';
import { canBeTold, type JudgedFate, pointsModel } from './points-model';

/** A hundred and more keepers: a fatal seal costs most of them, a poor hold nothing. */
const random = seededRandom(8);
const known: JudgedFate[] = Array.from({ length: 240 }, (_, i) => {
  const seal = i % 4 === 0 ? 'fatal' : 'good';
  const hold = i % 3 === 0 ? 'poor' : 'good';
  return { grades: { seal, hold }, alive: random() < (seal === 'fatal' ? 0.25 : 0.85) };
});

describe('what points cost', () => {
  it('counts the trees in a hundred that a good point would save, dearest first', () => {
    const model = pointsModel(known);
    const costs = pointCosts(known, model);
    expect(costs.map(({ point, had }) => [point, had])).toEqual([
      ['seal', 60],
      ['hold', 80],
    ]);
    expect(costs[0]!.perHundred).toBeGreaterThan(10);
    expect(costs[0]!.perHundred).toBeLessThan(18);
    expect(Math.abs(costs[1]!.perHundred)).toBeLessThan(4);
  });
  it('cannot be told where an odds ratio is known to less than a factor of ten', () => {
    expect(canBeTold({ standardError: 0.6 })).toBe(true);
    expect(canBeTold({ standardError: 0.8 })).toBe(false);
  });
  it('refuses one fate, a grade that is none and a point some lack', () => {
    expect(() => pointsModel(known.map((union) => ({ ...union, alive: true })))).toThrow('All 240 lived');
    expect(() => pointsModel([...known, { grades: { seal: 'good' }, alive: true } as JudgedFate])).toThrow(
      'the point hold is good, poor or fatal',
    );
  });
});
