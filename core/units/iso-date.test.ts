import fc from 'fast-check';
import { DateTime } from 'luxon';
import { describe, expect, it } from 'vitest';
import { addDays, daysBetween, formatDate } from './iso-date';

const FORM = 'yyyy-MM-dd';
const utc = (text: string): DateTime => DateTime.fromFormat(text, FORM, { zone: 'utc' });
const date = fc
  .tuple(fc.integer({ min: 1, max: 9999 }), fc.integer({ min: 1, max: 12 }), fc.integer({ min: 1, max: 31 }))
  .map(([year, month, day]) => DateTime.utc(year, month, day))
  .filter(({ isValid }) => isValid)
  .map((day) => day.toFormat(FORM));

describe('days of the calendar', () => {
  it('follow one another as the calendar library has them, every day of the years that matter', () => {
    let day = DateTime.utc(1895, 12, 25);
    for (let text = '1895-12-25'; text < '2201-01-05'; text = addDays(text, 1), day = day.plus({ days: 1 })) {
      const there = day.toFormat(FORM);
      if (text !== there) throw new Error(`${there} came out as ${text}`);
    }
  });
  it('are added and counted like there, through all centuries', () => {
    fc.assert(
      fc.property(date, fc.integer({ min: -200_000, max: 200_000 }), (from, days) => {
        const there = utc(from).plus({ days });
        if (there.year < 0 || there.year > 9999) expect(() => addDays(from, days)).toThrow('between the years');
        else expect(addDays(from, days)).toBe(there.toFormat(FORM));
      }),
    );
    fc.assert(
      fc.property(date, date, (from, to) => {
        expect(daysBetween(from, to)).toBe(utc(to).diff(utc(from), 'days').days);
      }),
    );
  });
  it('that do not exist are refused', () => {
    for (const text of [
      '2027-02-29',
      '1900-02-29',
      '2027-04-31',
      '2027-13-01',
      '2027-00-10',
      '2027-01-00',
      '2027-1-1',
      ' 2027-01-01',
      '+12027-01-01',
    ])
      expect(() => addDays(text, 0), text).toThrow('is not a date');
    expect(addDays('2000-02-29', 0)).toBe('2000-02-29');
  });
  it('are written for reading as there', () => {
    fc.assert(
      fc.property(date, (text) => {
        expect(formatDate(text)).toBe(utc(text).setLocale('en-GB').toFormat('d LLL yyyy'));
      }),
    );
  });
});
