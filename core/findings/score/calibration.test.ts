import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { calibration } from './calibration';
import { cStatistic } from './c-statistic';
import { isotonicAt, isotonicFit } from './isotonic-fit';
import type { ScoreAndFate } from './score-and-fate';

const known = fc.array(fc.record({ score: fc.integer({ min: 0, max: 100 }), alive: fc.boolean() }), {
  minLength: 2,
  maxLength: 60,
});

describe('isotonic fit', () => {
  it('never falls, keeps the mean, and holds between scores and below the first', () => {
    fc.assert(
      fc.property(known, (unions) => {
        const fit = isotonicFit(unions);
        fit.steps.reduce((before, { share }) => {
          expect(share).toBeGreaterThanOrEqual(before - 1e-12);
          return share;
        }, 0);
        const total = fit.steps.reduce((sum, { share, count }) => sum + share * count, 0);
        expect(total).toBeCloseTo(unions.filter(({ alive }) => alive).length, 9);
        expect(isotonicAt(fit, 0)).toBe(fit.steps[0]!.share);
        expect(isotonicAt(fit, 100)).toBe(fit.steps.at(-1)!.share);
      }),
    );
  });
  it('is nothing of nothing', () => expect(isotonicAt(isotonicFit([]), 50)).toBeNull());
});

describe('C statistic', () => {
  it('is the share of pairs in which the living one had more, ties half', () => {
    fc.assert(
      fc.property(known, (unions) => {
        const living = unions.filter(({ alive }) => alive);
        const dead = unions.filter(({ alive }) => !alive);
        fc.pre(living.length > 0 && dead.length > 0);
        const wins = living.flatMap((a) =>
          dead.map((b): number => (a.score > b.score ? 1 : a.score === b.score ? 0.5 : 0)),
        );
        expect(cStatistic(unions).c).toBeCloseTo(wins.reduce((sum, win) => sum + win, 0) / wins.length, 9);
      }),
    );
  });
  it('has no spread where one died only', () => {
    expect(
      cStatistic([
        { score: 60, alive: false },
        { score: 70, alive: true },
        { score: 80, alive: true },
      ]).standardError,
    ).toBeNull();
  });
});

describe('what the score foretells', () => {
  const some: ScoreAndFate[] = Array.from({ length: 60 }, (_, i) => ({ score: 40 + i, alive: (i * 7) % 10 < i / 6 }));
  it('adds up: uncertainty less resolution plus reliability is near the Brier score, and a fit beats the base rate', () => {
    const found = calibration(some);
    expect(found.brier).toBeLessThan(found.brierBase);
    expect(Math.abs(found.uncertainty - found.resolution + found.reliability - found.brier)).toBeLessThan(0.02);
    expect(found.bins.reduce((sum, { count }) => sum + count, 0)).toBe(60);
    expect(found.bins.map(({ from, to }) => [from, to])).toEqual([
      [0, 59],
      [60, 74],
      [75, 84],
      [85, 94],
      [95, 100],
    ]);
  });
  it('is refused of one fate, of one score, of scores that part both, and of scores that are none', () => {
    expect(() => calibration(some.map((union) => ({ ...union, alive: false })))).toThrow('All 60 died');
    expect(() => calibration(some.map((union) => ({ ...union, score: 80 })))).toThrow('All scores are 80');
    expect(() => calibration(some.map(({ score }) => ({ score, alive: score > 70 })))).toThrow('meet in one at most');
    expect(() => calibration([...some, { score: 140, alive: true }])).toThrow('between 0 and 100, not 140');
  });
});
