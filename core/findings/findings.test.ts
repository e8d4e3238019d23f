import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ANSWERS, MILESTONES } from '../methods/milestones';
import { takeOf, type UnionAnswers } from './take-state';
import { takeRate } from './take-rate';
import { wilsonInterval } from '../statistics/wilson-interval';

describe('wilsonInterval', () => {
  // Newcombe, Statistics in Medicine 17 (1998), table I, method 3 (score, no continuity correction).
  it.each([
    [81, 263, 0.2553, 0.3662],
    [15, 148, 0.0624, 0.1605],
    [0, 20, 0, 0.1611],
    [1, 29, 0.0061, 0.1718],
    [29, 29, 0.883, 1],
  ])('%d of %d', (successes, trials, low, high) => {
    const interval = wilsonInterval(successes, trials)!;
    expect(interval.low).toBeCloseTo(low, 4);
    expect(interval.high).toBeCloseTo(high, 4);
  });
  it('knows nothing from nothing, and refuses impossible counts', () => {
    expect(wilsonInterval(0, 0)).toBeNull();
    expect(() => wilsonInterval(3, 2)).toThrow(RangeError);
    expect(() => wilsonInterval(0.5, 2)).toThrow(RangeError);
    expect(() => wilsonInterval(-1, 2)).toThrow(RangeError);
  });
  it('contains the share and narrows as trials grow', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 500 }), fc.double({ min: 0, max: 1, noNaN: true }), (trials, share) => {
        const successes = Math.round(trials * share);
        const interval = wilsonInterval(successes, trials)!;
        const four = wilsonInterval(4 * successes, 4 * trials)!;
        expect(interval.low).toBeLessThanOrEqual(successes / trials + 1e-12);
        expect(interval.high).toBeGreaterThanOrEqual(successes / trials - 1e-12);
        expect(four.high - four.low).toBeLessThan(interval.high - interval.low);
      }),
    );
  });
});

describe('takeRate', () => {
  it('follows the worked example', () => {
    const rate = takeRate({ handedOver: 60, alive: 30, dead: 10 });
    expect(rate.unknown).toBe(20);
    expect(rate.rate).toBe(0.75);
    expect(rate.bounds).toEqual({ low: 0.5, high: 50 / 60 });
  });
  it('claims nothing when nobody answered', () => {
    expect(takeRate({ handedOver: 4, alive: 0, dead: 0 })).toMatchObject({
      rate: null,
      interval: null,
      bounds: { low: 0, high: 1 },
    });
    expect(takeRate({ handedOver: 0, alive: 0, dead: 0 }).bounds).toBeNull();
    expect(() => takeRate({ handedOver: 1, alive: 1, dead: 1 })).toThrow(RangeError);
  });
});

describe('takeOf', () => {
  const states = (answers: UnionAnswers) => MILESTONES.map((milestone) => takeOf(answers).states[milestone]).join(' ');
  it('counts a later milestone for the earlier ones', () => {
    expect(states({ season: 'yes' })).toBe('alive alive alive unknown');
  });
  it('keeps dead from where it was said', () => {
    expect(states({ healed: 'yes', growing: 'dead' })).toBe('alive dead dead dead');
    expect(states({ growing: 'dead' })).toBe('unknown dead dead dead');
  });
  it('treats not sure and not found as unknown', () => {
    expect(states({ healed: 'not-sure', growing: 'not-found' })).toBe('unknown unknown unknown unknown');
  });
  it('flags alive after dead instead of overwriting it', () => {
    const take = takeOf({ healed: 'dead', growing: 'yes' });
    expect(take.contradicted).toBe(true);
    expect(take.states.healed).toBe('unknown');
    expect(takeOf({ healed: 'yes', growing: 'dead' }).contradicted).toBe(false);
  });
  it('never has life after death', () => {
    const answer = fc.option(fc.constantFrom(...ANSWERS), { nil: undefined });
    fc.assert(
      fc.property(fc.record({ healed: answer, growing: answer, season: answer, wintered: answer }), (answers) => {
        const order = MILESTONES.map((milestone) => takeOf(answers).states[milestone]);
        const firstDead = order.indexOf('dead');
        if (firstDead >= 0) expect(order.slice(firstDead)).not.toContain('alive');
      }),
    );
  });
});
