import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { parseDecimal } from './decimal';
import { addDays, daysBetween, formatDate, isIsoDate } from './iso-date';
import { dateInZone } from './zoned-date';
import { formatLength, formatLengthNumber, fromMillimetres, toMillimetres } from './length';
import { formatTemperature, fromCelsius, toCelsius } from './temperature';

describe('lengths', () => {
  it('are inches of 25.4 mm', () => {
    expect(formatLength(12.7, 'in')).toBe('0.50 in');
    expect(formatLength(9.96, 'mm')).toBe('10 mm');
    expect(formatLengthNumber(-0.01, 'mm')).toBe('0');
  });
  it('go there and back', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 1000, noNaN: true }), (mm) => {
        expect(toMillimetres(fromMillimetres(mm, 'in'), 'in')).toBeCloseTo(mm, 9);
      }),
    );
  });
});

describe('parseDecimal', () => {
  it.each([
    ['9.5', 9.5],
    ['9,5', 9.5],
    [' -1,25 ', -1.25],
    ['\u22121.3', -1.3],
    ['.5', 0.5],
    ['7.', 7],
    ['12', 12],
    ['1/2', 0.5],
    ['1 1/2', 1.5],
    ['1-1/2', 1.5],
    ['1½', 1.5],
    ['½', 0.5],
    ['3/8', 0.375],
    ['-1 3/4', -1.75],
    ['2 5⁄16', 2.3125],
  ])('reads %j', (text, value) => expect(parseDecimal(text)).toBe(value));
  it.each([
    '',
    'ten',
    '1,200.5',
    '1e3',
    '--1',
    '1 2',
    'Infinity',
    '0x10',
    '1/0',
    '1/',
    '/2',
    '1/2/3',
    '1 ½½',
    '1.5 1/2',
    '1 1',
  ])('refuses %j', (text) => expect(parseDecimal(text)).toBeNull());
});

describe('dates', () => {
  it('count days over the ends of months, years and summer time', () => {
    expect(addDays('2027-02-27', 2)).toBe('2027-03-01');
    expect(addDays('2028-02-28', 1)).toBe('2028-02-29');
    expect(addDays('2027-01-01', -1)).toBe('2026-12-31');
    expect(daysBetween('2027-03-27', '2027-03-29')).toBe(2);
  });
  it('are those of the site, not of the server', () => {
    const at = new Date('2027-03-14T11:30:00Z');
    expect(dateInZone(at, 'Pacific/Auckland')).toBe('2027-03-15');
    expect(dateInZone(at, 'Europe/Zurich')).toBe('2027-03-14');
    expect(() => dateInZone(at, 'Lake/Island')).toThrow('not a time zone');
  });
  it('exist or do not', () => {
    expect(isIsoDate('2028-02-29')).toBe(true);
    for (const text of [
      '2027-02-29',
      '2027-2-9',
      '14.3.2027',
      '',
      '2027-00-10',
      '2027-13-01',
      '1900-02-29',
      '2027-04-31',
    ])
      expect(isIsoDate(text)).toBe(false);
    for (const text of ['2000-02-29', '2027-12-31', '0004-02-29']) expect(isIsoDate(text)).toBe(true);
    expect(() => addDays('soon', 1)).toThrow('YYYY-MM-DD');
    expect(formatDate('2027-03-04')).toBe('4 Mar 2027');
  });
});

describe('temperatures', () => {
  it('are degC or degF', () => {
    expect(formatTemperature(4, 'F')).toBe('39 °F');
    expect(formatTemperature(21, 'C')).toBe('21 °C');
    expect(fromCelsius(10, 'F')).toBe(50);
    for (const celsius of [-12.5, 0, 3.3, 31])
      expect(Math.abs(toCelsius(fromCelsius(celsius, 'F'), 'F') - celsius)).toBeLessThan(0.06);
  });
});
