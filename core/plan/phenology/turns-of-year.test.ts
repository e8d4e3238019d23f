import { describe, expect, it } from 'vitest';
import { daysBetween } from '../../units/iso-date';
import type { Climate } from '../climate/normals';
import { north, south, warm } from '../climate/testing/climates';
import { assumptionsWith } from './assumptions';
import { phenologyOf } from './phenology';
import { turnsOfYear, usualTurns } from './turns-of-year';

const assumption = assumptionsWith({});
const turns = (climate: Climate, hemisphere: 'north' | 'south', species = 'pear', observations: object[] = []) =>
  turnsOfYear(
    hemisphere,
    (date) => phenologyOf({ species, hemisphere, climate, assumption, observations: observations as never }, date),
    assumption,
  );

describe('the turns of a species’ year', () => {
  it('stand in their order, each in the year that is asked for, on both halves of the earth', () => {
    const here = turns(north, 'north')(2027);
    expect(Object.values(here).every((day) => day.startsWith('2027'))).toBe(true);
    expect(here['buds-swell']! < here['leaves-out']! && here['leaves-out']! < here['leaf-fall']!).toBe(true);
    expect(here['leaf-fall']!.slice(5, 7)).toMatch(/10|11/);
    const there = turns(south, 'south')(2027);
    expect(Object.values(there).every((day) => day.startsWith('2027'))).toBe(true);
    expect(there['leaves-out']!.slice(5, 7)).toMatch(/09|10|11/);
    expect(there['leaf-fall']!.slice(5, 7)).toMatch(/04|05/);
    expect(there.midsummer).toBe('2027-12-21');
    // The same climate half a year on has the same spring, half a year on.
    expect(Math.abs(daysBetween(here['leaves-out']!, there['leaves-out']!) - 183)).toBeLessThan(6);
  });
  it('follow what was seen: leaves that were seen fallen fell then', () => {
    const seen = [{ species: 'pear', sign: 'leaves-fallen', on: '2027-10-12' }];
    expect(turns(north, 'north', 'pear', seen)(2027)['leaf-fall']).toBe('2027-10-12');
  });
  it('are left out where they do not happen: no leaf fall without a winter, none of an evergreen', () => {
    for (const none of [turns(warm, 'north')(2027), turns(north, 'north', 'citrus')(2027)]) {
      expect(none['leaf-fall']).toBeUndefined();
      expect(none['leaves-out']).toBeUndefined();
      expect(none.midsummer).toBe('2027-06-21');
    }
  });
  it('are those of the calendar where nothing is known, half a year on in the south', () => {
    expect(usualTurns('north')(2027)['leaf-fall']).toBe('2027-11-05');
    expect(usualTurns('south')(2027)['leaf-fall']).toMatch(/^2027-05-0[67]$/);
    expect(usualTurns('south')(2027)['leaves-out']).toMatch(/^2027-10-1[89]$/);
  });
});
