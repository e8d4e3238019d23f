import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Answer, ANSWERS, type Milestone, MILESTONES } from '../../methods/milestones';
import { type Sighting, takeOf } from './take-state';
import { takeRate } from './take-rate';
import { wilsonInterval } from '../../statistics/wilson-interval';

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
  const DAYS: Record<Milestone, string> = {
    healed: '2027-03-27',
    growing: '2027-05-08',
    season: '2027-11-02',
    wintered: '2028-04-20',
  };
  type Answers = Partial<Record<Milestone, Answer>>;
  /** Answers seen on the day each milestone is looked at. */
  const seen = (answers: Answers, days: Partial<Record<Milestone, string>> = {}): Sighting[] =>
    MILESTONES.flatMap((milestone) =>
      answers[milestone]
        ? [{ milestones: [milestone], answer: answers[milestone], seenOn: days[milestone] ?? DAYS[milestone] }]
        : [],
    );
  const states = (answers: Answers, days?: Partial<Record<Milestone, string>>) =>
    MILESTONES.map((milestone) => takeOf(seen(answers, days)).states[milestone]).join(' ');
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
    const take = takeOf(seen({ healed: 'dead', growing: 'yes' }));
    expect(take.contradicted).toBe(true);
    expect(take.states.healed).toBe('unknown');
    expect(takeOf(seen({ healed: 'yes', growing: 'dead' })).contradicted).toBe(false);
  });
  it('goes by the day a thing was seen, not by the round that asked', () => {
    // Told for the first round only after the second: it was alive in May and dead by August.
    const late = { healed: '2027-08-20' };
    expect(takeOf(seen({ healed: 'dead', growing: 'yes' }, late)).contradicted).toBe(false);
    expect(states({ healed: 'dead', growing: 'yes' }, late)).toBe('alive alive dead dead');
    // And an early look that was answered late contradicts a death seen before it.
    expect(takeOf(seen({ healed: 'yes', growing: 'dead' }, { healed: '2027-06-01' })).contradicted).toBe(true);
  });
  it('dates when it was first and last seen alive, and first seen dead', () => {
    expect(takeOf(seen({ healed: 'yes', growing: 'yes', season: 'dead', wintered: 'dead' }))).toMatchObject({
      firstAliveOn: '2027-03-27',
      lastAliveOn: '2027-05-08',
      firstDeadOn: '2027-11-02',
    });
    expect(takeOf([])).toMatchObject({ firstAliveOn: null, lastAliveOn: null, firstDeadOn: null });
  });
  it('takes one look for both milestones it tells', () => {
    const woke = { milestones: ['growing', 'wintered'] as const, answer: 'yes' as const, seenOn: '2028-06-02' };
    expect(takeOf([woke]).states).toMatchObject({ growing: 'alive', season: 'alive', wintered: 'alive' });
    expect(takeOf([{ ...woke, answer: 'dead' }]).states).toMatchObject({ healed: 'unknown', growing: 'dead' });
  });
  it('never has life after death', () => {
    const answer = fc.option(fc.constantFrom(...ANSWERS), { nil: undefined });
    fc.assert(
      fc.property(fc.record({ healed: answer, growing: answer, season: answer, wintered: answer }), (answers) => {
        const order = MILESTONES.map((milestone) => takeOf(seen(answers)).states[milestone]);
        const firstDead = order.indexOf('dead');
        if (firstDead >= 0) expect(order.slice(firstDead)).not.toContain('alive');
      }),
    );
  });
});

describe('alive and dead on one day', () => {
  const told = (answers: [Milestone, Answer][]) =>
    takeOf(answers.map(([milestone, answer]): Sighting => ({ milestones: [milestone], answer, seenOn: '2027-06-05' })));
  it('contradict each other where the living is of a later milestone', () => {
    const take = told([
      ['growing', 'dead'],
      ['season', 'yes'],
    ]);
    expect(take.contradicted).toBe(true);
    expect([take.states.growing, take.states.season, take.states.wintered]).toEqual(['unknown', 'unknown', 'unknown']);
  });
  it('agree where it lived at an earlier one: it died since', () => {
    const take = told([
      ['healed', 'yes'],
      ['growing', 'dead'],
    ]);
    expect(take.contradicted).toBe(false);
    expect([take.states.healed, take.states.growing]).toEqual(['alive', 'dead']);
  });
});
