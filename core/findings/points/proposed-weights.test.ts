import { describe, expect, it } from 'vitest';
import { seededRandom } from '../../chance/seeded-random';
import { logistic } from '../../statistics/logistic';
import { proposedWeights, type WeighedFate, type Weighing } from './proposed-weights';

const POINTS = ['slope', 'cambium', 'hold', 'wrap', 'seal'];
const now: Weighing = { weights: { slope: 20, cambium: 20, hold: 20, wrap: 20, seal: 20 }, fatalCap: 40 };

/** Keepers of some workshops whose log odds of living fall by a cost for each point that is poor. */
function drawn(costs: Record<string, number>, seed: number, { workshops = 8, each = 40 } = {}): WeighedFate[] {
  const random = seededRandom(seed);
  return Array.from({ length: workshops * each }, (_, i) => {
    const grades = Object.fromEntries(POINTS.map((point) => [point, random() < 0.25 ? 'poor' : 'good'] as const));
    const odds = POINTS.reduce((sum, point) => (grades[point] === 'poor' ? sum - (costs[point] ?? 0) : sum), 2);
    return { workshop: `day ${i % workshops}`, grades, alive: random() < logistic(odds) };
  });
}

describe('weights from what points foretold', () => {
  it('are proposed where one point kills and the others do nothing, and weigh that one', () => {
    const { weights, brierNow, brierThen, error } = proposedWeights(drawn({ hold: 3 }, 1), now);
    expect(weights).not.toBeNull();
    // As far as one proposal may go: half more than now.
    expect(weights!.hold).toBe(30);
    for (const point of POINTS) expect(Math.abs(weights![point]! - 20)).toBeLessThanOrEqual(10);
    expect(Object.values(weights!).reduce((sum, weight) => sum + weight, 0)).toBe(100);
    expect(Object.values(weights!).every((weight) => Number.isInteger(weight) && weight >= 0)).toBe(true);
    expect(brierNow - brierThen).toBeGreaterThan(error);
  });
  it('are seldom proposed where take follows the weights of now', () => {
    const follows = { slope: 0.9, cambium: 0.9, hold: 0.9, wrap: 0.9, seal: 0.9 };
    const proposals = Array.from({ length: 40 }, (_, seed) => proposedWeights(drawn(follows, seed + 100), now)).filter(
      ({ weights }) => weights !== null,
    );
    // By chance a difference passes its own standard error once in six; weights made from little do worse than that.
    expect(proposals.length).toBeLessThanOrEqual(6);
  });
  it('are seldom proposed where nothing foretells anything', () => {
    const proposals = Array.from({ length: 40 }, (_, seed) => proposedWeights(drawn({}, seed + 500), now)).filter(
      ({ weights }) => weights !== null,
    );
    expect(proposals.length).toBeLessThanOrEqual(6);
  });
  it('leave a point nobody failed its share among those that cost as before', () => {
    const unions = drawn({ hold: 2.5, slope: 1 }, 3).map((union) => ({
      ...union,
      grades: { ...union.grades, seal: 'good' as const },
    }));
    const { weights } = proposedWeights(unions, now);
    expect(weights!.seal).toBeGreaterThan(0);
    expect(weights!.hold!).toBeGreaterThan(weights!.seal!);
  });
  it('do not hang on the order of the keepers', () => {
    const unions = drawn({ hold: 3 }, 4);
    const { weights, error } = proposedWeights([...unions].reverse(), now);
    const straight = proposedWeights(unions, now);
    expect(weights).toEqual(straight.weights);
    expect(error).toBeCloseTo(straight.error, 12);
  });
  it('foretell each workshop from the others alone', () => {
    // A workshop in which the same fault saves instead of killing cannot be foretold, whatever its own keepers say.
    const usual = drawn({ hold: 3 }, 5, { workshops: 4, each: 60 });
    const odd = drawn({ hold: -3 }, 6, { workshops: 1, each: 60 }).map((union) => ({ ...union, workshop: 'odd' }));
    const { brierThen } = proposedWeights([...usual, ...odd], now);
    expect(brierThen).toBeGreaterThan(proposedWeights(usual, now).brierThen);
  });
  it('are never below a third of what the rubric began with, and have intervals', () => {
    const start = { slope: 60, cambium: 10, hold: 10, wrap: 10, seal: 10 };
    const { weights, between } = proposedWeights(drawn({ hold: 3 }, 1), {
      ...now,
      weights: { slope: 24, cambium: 19, hold: 19, wrap: 19, seal: 19 },
      start,
    });
    expect(weights!.slope).toBeGreaterThanOrEqual(20);
    for (const point of POINTS) expect(between[point]!.low <= weights![point]!).toBe(true);
  });
  it('are not proposed where the gain is of one workshop', () => {
    const odd = drawn({ hold: 6 }, 11, { workshops: 1, each: 120 }).map((union) => ({ ...union, workshop: 'odd' }));
    const usual = drawn({ slope: 0.9, cambium: 0.9, hold: 0.9, wrap: 0.9, seal: 0.9 }, 12, { workshops: 4, each: 20 });
    expect(proposedWeights([...usual, ...odd], now).weights).toBeNull();
  });
  it('need three workshops, and both fates', () => {
    const unions = drawn({ hold: 1 }, 7, { workshops: 2 });
    expect(() => proposedWeights(unions, now)).toThrow('needs 3 of them');
    const alive = drawn({}, 8).map((union) => ({ ...union, alive: true }));
    expect(() => proposedWeights(alive, now)).toThrow('lived and keepers that died');
  });
  it('bear what was not looked at, fatal faults and their caps', () => {
    const unions = drawn({ hold: 3 }, 9).map(({ grades, ...union }, i) => ({
      ...union,
      grades: { ...grades, wrap: 'not-looked-at' as const, ...(i % 9 === 0 ? { cambium: 'fatal' as const } : {}) },
    }));
    const { brierNow, weights } = proposedWeights(unions, { ...now, caps: { cambium: 10 } });
    expect(Number.isFinite(brierNow)).toBe(true);
    expect(weights!.hold).toBe(30);
  });
});
