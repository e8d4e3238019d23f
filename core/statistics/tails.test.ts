import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { binomialTail } from './binomial-tail';
import { Z90, Z95 } from './normal-points';
import { studentQuantile } from './student-quantile';
import { wilsonInterval } from './wilson-interval';

/** Counted out: every way n tries can go, with its chance. */
function countedTail(n: number, k: number, p: number): number {
  let tail = 0;
  for (let way = 0; way < 2 ** n; way++) {
    const hits = way.toString(2).split('1').length - 1;
    if (hits >= k) tail += p ** hits * (1 - p) ** (n - hits);
  }
  return tail;
}

describe('the points of the distributions', () => {
  it('are those of the printed tables', () => {
    expect(Z90).toBeCloseTo(1.6448536, 7);
    expect(Z95).toBeCloseTo(1.959964, 6);
    // Student's t, 97.5 %, to the three places of the tables.
    for (const [freedom, point] of [
      [1, 12.706],
      [2, 4.303],
      [3, 3.182],
      [5, 2.571],
      [10, 2.228],
      [20, 2.086],
      [30, 2.042],
      [60, 2.0],
      [120, 1.98],
    ] as const)
      expect(studentQuantile(freedom), `${freedom} degrees`).toBeCloseTo(point, 3);
  });
  it('of Student fall towards the normal one with what is known', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 400 }), (freedom) => {
        expect(studentQuantile(freedom)).toBeGreaterThan(studentQuantile(freedom + 1));
        expect(studentQuantile(freedom)).toBeGreaterThan(Z95);
      }),
    );
  });
  it('want one degree of freedom', () => {
    for (const freedom of [0, -1, Number.NaN]) expect(() => studentQuantile(freedom)).toThrow(RangeError);
  });
});

describe('the tail of a binomial', () => {
  it('is what counting out every way gives', () => {
    for (const p of [0, 0.1, 0.37, 0.5, 0.82, 1])
      for (let n = 0; n <= 8; n++)
        for (let k = 0; k <= n + 1; k++)
          expect(binomialTail(n, k, p), `${k} of ${n} at ${p}`).toBeCloseTo(countedTail(n, k, p), 12);
  });
  it('keeps its figures where it is small', () => {
    // 0.01^20 = 1e-40: what 1 minus the rest would lose.
    expect(binomialTail(20, 20, 0.01) / 1e-40).toBeCloseTo(1, 9);
  });
  it('grows with the chance and the tries, and falls with what is asked', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 200 }),
        fc.integer({ min: 1, max: 200 }),
        fc.double({ min: 0.01, max: 0.95, noNaN: true }),
        (n, k, p) => {
          const tail = binomialTail(n, k, p);
          const slack = 1e-12;
          expect(binomialTail(n, k, p + 0.04)).toBeGreaterThanOrEqual(tail - slack);
          expect(binomialTail(n + 1, k, p)).toBeGreaterThanOrEqual(tail - slack);
          expect(binomialTail(n, k + 1, p)).toBeLessThanOrEqual(tail + slack);
        },
      ),
    );
  });
  it.each([
    [1.5, 1, 0.5],
    [2, 0.5, 0.5],
    [-1, 0, 0.5],
    [2, 1, 1.01],
    [2, 1, -0.01],
    [2, 1, Number.NaN],
  ])('refuses %f tries, %f of them, at %f', (n, k, p) => {
    expect(() => binomialTail(n, k, p)).toThrow(RangeError);
  });
});

describe('the interval of a share', () => {
  it('is that of the worked example: 81 of 263', () => {
    const interval = wilsonInterval(81, 263)!;
    expect(interval.low).toBeCloseTo(0.2553, 4);
    expect(interval.high).toBeCloseTo(0.3662, 4);
  });
  it('is where the score test just stops refusing: (share - p)² n = z² p (1 - p) at both ends', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 400 }), fc.integer({ min: 0, max: 400 }), (trials, asked) => {
        const successes = Math.min(asked, trials);
        const { low, high } = wilsonInterval(successes, trials)!;
        const share = successes / trials;
        expect(low).toBeLessThanOrEqual(share + 1e-12);
        expect(high).toBeGreaterThanOrEqual(share - 1e-12);
        for (const p of [low, high])
          if (p > 1e-9 && p < 1 - 1e-9) expect((share - p) ** 2 * trials).toBeCloseTo(Z95 * Z95 * p * (1 - p), 6);
      }),
    );
  });
  it('mirrors: what failed has the interval turned round', () => {
    const [alive, dead] = [wilsonInterval(7, 9)!, wilsonInterval(2, 9)!];
    expect(alive.low).toBeCloseTo(1 - dead.high, 12);
    expect(alive.high).toBeCloseTo(1 - dead.low, 12);
  });
  it('is unknown without trials and keeps its width at none and all', () => {
    expect(wilsonInterval(0, 0)).toBeNull();
    expect(wilsonInterval(0, 10)!.high).toBeGreaterThan(0.25);
    expect(wilsonInterval(10, 10)!.low).toBeLessThan(0.75);
  });
  it.each([
    [1.5, 3],
    [1, 2.5],
    [-1, 3],
    [4, 3],
    [0, -1],
  ])('refuses %f of %f', (successes, trials) => {
    expect(() => wilsonInterval(successes, trials)).toThrow(RangeError);
  });
});
