import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { knitForecast } from './knit-forecast';
import { type OpenedPair, proposedCallusing } from './opened-batch';

describe('the day a batch will be callused', () => {
  it('goes by the mean of the last five days, with their range', () => {
    // 4 days at full warmth, 5 that knit 0.5, 0.5, 1, 0.5, 0: 6.5 of 14 are done, 7.5 are left at 0.5 a day.
    expect(knitForecast([1, 1, 1, 1, 0.5, 0.5, 1, 0.5, 0])).toEqual({ days: 15, soonest: 8, latest: null });
    expect(knitForecast([1, 1])).toEqual({ days: 12, soonest: 12, latest: 12 });
  });
  it('counts what a day that is not over has knit, and takes no rate from it', () => {
    expect(knitForecast([1, 1, 1], 14, 0.5)).toEqual({ days: 11, soonest: 11, latest: 11 });
    expect(knitForecast([], 14, 0.5).days).toBeNull();
  });
  it('is today once it is done, and not known where it stands still or nothing was read', () => {
    expect(knitForecast(Array<number>(14).fill(1))).toEqual({ days: 0, soonest: 0, latest: 0 });
    expect(knitForecast([0, 0]).days).toBeNull();
    expect(knitForecast([]).days).toBeNull();
    expect(() => knitForecast([1.2])).toThrow(RangeError);
  });
  it('lies within its range', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: 0.05, max: 1, noNaN: true }), { minLength: 1, maxLength: 30 }), (daily) => {
        const { days, soonest, latest } = knitForecast(daily);
        expect(soonest!).toBeLessThanOrEqual(days!);
        expect(days!).toBeLessThanOrEqual(latest!);
      }),
    );
  });
});

const pairs = (count: number, knitDays: number, callused: boolean): OpenedPair[] =>
  Array.from({ length: count }, () => ({ knitDays, callused }));

describe('grafts that were opened to look', () => {
  it('propose another figure when ten disagree one way and none the other', () => {
    expect(proposedCallusing(pairs(10, 12, true), 14)).toEqual({ days: 12, pairs: 10, why: 'sooner' });
    expect(proposedCallusing([...pairs(5, 15, false), ...pairs(5, 17, false)], 14)).toEqual({
      days: 16,
      pairs: 10,
      why: 'later',
    });
  });
  it('propose nothing before that, nor when they speak both ways, nor when they agree', () => {
    expect(proposedCallusing(pairs(9, 12, true), 14)).toBeNull();
    expect(proposedCallusing([...pairs(12, 12, true), ...pairs(1, 15, false)], 14)).toBeNull();
    expect(proposedCallusing([...pairs(20, 15, true), ...pairs(20, 10, false)], 14)).toBeNull();
  });
});
