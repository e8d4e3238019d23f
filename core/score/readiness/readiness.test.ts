import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { seededRandom, aroundZero } from '../../chance/seeded-random';
import { learningCurves } from './learning-curve';
import { nextPeople, type SeenPerson } from './next-person';
import { type Attempt, goodInARow, isReady, USUAL_READY_RULE } from './ready-rule';
import { outlook } from './until-ready';

const good = (score: number): Attempt => ({ score, fatal: false, recut: false });
const fatal: Attempt = { score: 40, fatal: true, recut: false };
const recut: Attempt = { score: 60, fatal: false, recut: true };

describe('readiness', () => {
  it('wants the last three at 75 or more, none fatal', () => {
    expect(isReady([good(75), good(80), good(99)], USUAL_READY_RULE)).toBe(true);
    expect(isReady([good(75), good(74.9), good(99)], USUAL_READY_RULE)).toBe(false);
    expect(isReady([good(90), good(90)], USUAL_READY_RULE)).toBe(false);
    expect(isReady([good(20), good(90), good(90), good(90)], USUAL_READY_RULE)).toBe(true);
    // A rubric may let a fatal fault score 80; it still is not ready.
    expect(isReady([good(90), { score: 80, fatal: true, recut: false }, good(90)], USUAL_READY_RULE)).toBe(false);
  });
  it('leaves recuts and unions nobody looked at out, and counts through them', () => {
    expect(
      isReady([good(90), recut, good(90), { score: null, fatal: false, recut: false }, good(90)], USUAL_READY_RULE),
    ).toBe(true);
    expect(goodInARow([fatal, good(90), recut], USUAL_READY_RULE)).toBe(1);
  });
  it('follows the rule it is given', () => {
    expect(isReady([good(60)], { last: 1, score: 60 })).toBe(true);
    expect(isReady([], { last: 1, score: 0 })).toBe(false);
  });
});

describe('nextPeople', () => {
  const now = Date.parse('2027-03-06T10:00:00Z');
  const person = (number: number, minutes: number | null, attempts: Attempt[], secondLook = false): SeenPerson => ({
    seatId: `s${number}`,
    number,
    attempts,
    seenAt: minutes === null ? null : now - minutes * 60_000,
    secondLook,
  });
  const order = (...people: SeenPerson[]): number[] =>
    nextPeople(people, USUAL_READY_RULE, now, now - 3_600_000).map((suggestion) => suggestion.number);

  it('puts those never seen first, then the longest unseen', () => {
    expect(order(person(1, 5, [good(70)]), person(2, 25, [good(70)]), person(3, null, []))).toEqual([3, 2, 1]);
  });
  it('raises whoever just got over a fatal fault, or is one union from ready', () => {
    expect(order(person(1, 12, [good(60)]), person(2, 3, [fatal, good(60)]))).toEqual([2, 1]);
    const [first] = nextPeople(
      [person(1, 12, [good(60)]), person(2, 3, [good(80), good(80)])],
      USUAL_READY_RULE,
      now,
      null,
    );
    expect(first).toMatchObject({ number: 2, reason: 'one more good one and ready, unseen for 3 min' });
  });
  it('tells a wait longer than it weighs as longer', () => {
    const reason = (minutes: number): string =>
      nextPeople([person(1, minutes, [good(60)])], USUAL_READY_RULE, now, null)[0]!.reason;
    expect([reason(0), reason(120), reason(121), reason(-30)]).toEqual([
      'unseen for 0 min',
      'unseen for 120 min',
      'unseen for over 120 min',
      'unseen for 0 min',
    ]);
  });
  it('leaves those who are ready for last, and says so only when nothing else is to say', () => {
    const list = nextPeople(
      [person(1, 20, [good(90), good(90), good(90)]), person(2, 1, [good(60)])],
      USUAL_READY_RULE,
      now,
      null,
    );
    expect(list.map(({ number }) => number)).toEqual([2, 1]);
  });
  it('names every person once, whatever the times', () => {
    const people = fc.array(
      fc.record({ minutes: fc.option(fc.integer({ min: -5000, max: 5000 })), count: fc.nat(5) }),
      { maxLength: 30 },
    );
    fc.assert(
      fc.property(people, (ready) => {
        const list = order(
          ...ready.map(({ minutes, count }, i) =>
            person(
              i + 1,
              minutes,
              Array.from({ length: count }, () => good(50)),
            ),
          ),
        );
        expect([...list].sort((a, b) => a - b)).toEqual(ready.map((_, i) => i + 1));
      }),
    );
  });
});

describe('learningCurves', () => {
  /** A class whose curves are known: everybody climbs from `start` to `top` at one rate. */
  const sampled = (
    people: { start: number; top: number }[],
    attempts: number,
    rate: number,
    scatter: number,
    seed: number,
  ): number[][] => {
    const random = seededRandom(seed);
    return people.map(({ start, top }) =>
      Array.from({ length: attempts }, (_, k) =>
        Math.max(0, Math.min(100, top - (top - start) * Math.exp(-rate * k) + scatter * aroundZero(random))),
      ),
    );
  };
  const CLASS = [
    { start: 40, top: 85 },
    { start: 55, top: 92 },
    { start: 35, top: 80 },
    { start: 60, top: 90 },
    { start: 50, top: 88 },
    { start: 45, top: 90 },
    { start: 30, top: 78 },
    { start: 62, top: 95 },
  ];

  it('finds the curves a class was drawn from', () => {
    const { people, rate, scatter } = learningCurves(sampled(CLASS, 12, 0.5, 3, 5));
    expect(rate).toBeGreaterThan(0.25);
    expect(rate).toBeLessThan(0.55);
    expect(scatter).toBeLessThan(7);
    for (const [i, { top }] of CLASS.entries()) expect(Math.abs(people[i]!.at(13).mean - top)).toBeLessThan(6);
  });
  it('covers the truth about nine times in ten', () => {
    let inside = 0;
    let all = 0;
    for (let seed = 1; seed <= 25; seed++) {
      const { people } = learningCurves(sampled(CLASS, 6, 0.5, 8, seed));
      for (const [i, { start, top }] of CLASS.entries()) {
        const truth = top - (top - start) * Math.exp(-0.5 * 6);
        const { mean, half } = people[i]!.at(7);
        all++;
        if (Math.abs(mean - truth) <= half) inside++;
      }
    }
    expect(inside / all).toBeGreaterThan(0.8);
    expect(inside / all).toBeLessThan(0.99);
  });
  it('draws somebody with few scores towards the class, and grows surer with more', () => {
    const others = sampled(CLASS, 8, 0.5, 5, 3);
    const few = learningCurves([...others, [20]]).people.at(-1)!;
    const many = learningCurves([...others, [20, 22, 19, 24, 21, 20, 23, 22]]).people.at(-1)!;
    expect(few.at(9).mean).toBeGreaterThan(many.at(9).mean + 15);
    expect(few.at(9).half).toBeGreaterThan(many.at(9).half);
    expect(many.at(9).mean).toBeLessThan(40);
  });
  it('is surest where it was seen: ceiling and gap go up and down together', () => {
    const {
      people: [once],
    } = learningCurves([[50]]);
    // One score leaves open no more about the curve at its own attempt than scores are taken to scatter, 12 points.
    expect(once!.at(1).half).toBeLessThan(1.645 * 12);
    const {
      people: [early],
    } = learningCurves([[50, 60, 66]]);
    expect(early!.at(2).half).toBeLessThan(early!.at(12).half);
  });
  it('finds the scatter a class was drawn with', () => {
    const normal = (random: () => number): number =>
      Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
    const scatterOf = (seed: number): number => {
      const random = seededRandom(seed);
      return learningCurves(
        Array.from({ length: 24 }, (_, person) =>
          Array.from({ length: 4 }, (__, k) =>
            Math.max(0, Math.min(100, 85 - person / 4 - (35 + person / 3) * Math.exp(-0.5 * k) + 8 * normal(random))),
          ),
        ),
      ).scatter;
    };
    const found = Array.from({ length: 12 }, (_, i) => scatterOf(i + 50));
    expect(Math.abs(found.reduce((sum, scatter) => sum + scatter, 0) / found.length - 8)).toBeLessThan(1);
  });
  it('stays within 0 and 100, its chances fall with what is asked, and bad scores are refused', () => {
    const scores = fc
      .array(fc.array(fc.double({ min: 0, max: 100, noNaN: true }), { maxLength: 7 }), { minLength: 1, maxLength: 12 })
      .filter((all) => all.flat().length > 0);
    fc.assert(
      fc.property(scores, (all) => {
        for (const curve of learningCurves(all).people) {
          for (const n of [1, 4, 20]) {
            const { mean, half } = curve.at(n);
            expect(mean).toBeGreaterThanOrEqual(0);
            expect(mean).toBeLessThanOrEqual(100);
            expect(half).toBeGreaterThan(0);
            expect(curve.chance(n, 40)).toBeGreaterThanOrEqual(curve.chance(n, 75));
          }
        }
      }),
      { numRuns: 25 },
    );
    expect(() => learningCurves([[], []])).toThrow(RangeError);
    expect(() => learningCurves([[101]])).toThrow(/0 to 100/);
  });
});

describe('outlook', () => {
  /** A curve that is the same at every attempt, to be reckoned by hand. */
  const flat = (chance: number, half = 5) => ({ at: () => ({ mean: 80, half }), chance: () => chance });
  const four = [good(50), good(60), good(60), good(60)];

  it('expects as many attempts as a run of good ones takes: (1/p + 1/p² + 1/p³) for three', () => {
    const { attempts } = outlook(four, flat(0.8), USUAL_READY_RULE);
    expect(attempts).toBeCloseTo(1 / 0.8 + 1 / 0.64 + 1 / 0.512, 4);
    expect(outlook(four, flat(1), USUAL_READY_RULE).attempts).toBeCloseTo(3, 9);
  });
  it('counts the run somebody has', () => {
    expect(outlook([...four, good(90), good(90)], flat(1), USUAL_READY_RULE).attempts).toBeCloseTo(1, 9);
    expect(outlook([...four, good(90), good(90)], flat(0.5), USUAL_READY_RULE).within(1)).toBeCloseTo(0.5, 9);
  });
  it('says nothing before four attempts, nor when the interval is wider than 30 points', () => {
    expect(outlook(four.slice(0, 3), flat(0.8), USUAL_READY_RULE)).toMatchObject({ next: null, attempts: null });
    expect(outlook(four, flat(0.8, 15.1), USUAL_READY_RULE)).toMatchObject({ next: null, attempts: null });
    expect(outlook(four, flat(0.8, 15), USUAL_READY_RULE).next).toEqual({ mean: 80, from: 65, to: 95 });
  });
  it('knows that fewer unions than the run wants are too few, whatever the hand is like', () => {
    const early = outlook([good(90)], flat(0.8), USUAL_READY_RULE);
    expect(early.within(1)).toBe(0);
    expect(early.within(2)).toBeNull();
  });
  it('knows who is ready, and who is nowhere near', () => {
    expect(outlook([good(90), good(90), good(90)], flat(0), USUAL_READY_RULE)).toMatchObject({
      attempts: 0,
      beyond: false,
    });
    const never = outlook(four, flat(0.05), USUAL_READY_RULE);
    expect(never.beyond).toBe(true);
    expect(never.within(5)).toBeLessThan(0.01);
  });
});
