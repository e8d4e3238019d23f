import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { METHODS } from '../registry';
import type { Season } from '../use';
import { isInSeason, nextOpening } from './season';

const spring: Season = { name: 'spring', phase: 'waking', from: '03-01', to: '04-20', wood: ['dormant'] };
const summer: Season = { name: 'summer', phase: 'before-frost', from: '06-15', to: '08-31', wood: ['budwood'] };

describe('isInSeason', () => {
  it.each([
    ['2027-02-28', false],
    ['2027-03-01', true],
    ['2027-04-20', true],
    ['2027-04-21', false],
  ])('knows both ends: %s is %s', (date, inside) => {
    expect(isInSeason(spring, date, 'north', false)).toBe(inside);
  });
  it('is six months ahead in the south', () => {
    expect(isInSeason(spring, '2027-09-10', 'south', false)).toBe(true);
    expect(isInSeason(spring, '2027-03-10', 'south', false)).toBe(false);
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 12 }), fc.integer({ min: 3, max: 26 }), (month, day) => {
        const date = (m: number): string => `2027-${String(m).padStart(2, '0')}-${String(day).padStart(2, '0')}`;
        // Away from the ends, where months of unlike length shift a day or two.
        const sure = ![2, 3, 4].includes(month);
        if (sure)
          expect(isInSeason(spring, date(((month + 5) % 12) + 1), 'south', false)).toBe(
            isInSeason(spring, date(month), 'north', false),
          );
      }),
    );
  });
  it('has no winter in the tropics: budwood at any flush, dormant wood never', () => {
    expect(isInSeason(summer, '2027-01-05', 'tropics', false)).toBe(true);
    expect(isInSeason(spring, '2027-03-10', 'tropics', false)).toBe(false);
    expect(isInSeason(spring, '2027-11-10', 'tropics', true)).toBe(true);
  });
});

describe('nextOpening', () => {
  it('names the season that opens soonest, and about when there', () => {
    expect(nextOpening([spring, summer], '2027-05-01', 'north')).toEqual({ season: summer, date: 'mid June' });
    expect(nextOpening([spring, summer], '2027-09-01', 'north')).toEqual({ season: spring, date: 'early March' });
    expect(nextOpening([spring], '2027-05-01', 'south')).toEqual({ season: spring, date: 'early September' });
    expect(nextOpening([spring], '2027-05-01', 'tropics')).toBeNull();
    expect(nextOpening([], '2027-05-01', 'north')).toBeNull();
  });
});

describe('seasons of the methods', () => {
  it('begin before they end, and leave no method without one that is not only besides', () => {
    for (const { id, use } of METHODS) {
      for (const { from, to } of use.seasons) expect(from < to, id).toBe(true);
      expect(
        use.seasons.some(({ besides }) => !besides),
        id,
      ).toBe(true);
    }
  });
});
