import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { written } from '../../units/prose';
import { addDays } from '../../units/iso-date';
import { DAY_PARTS, type SlipFacts, type SlipOdds, slipOutlook } from './bark-slip';
import type { Estimate } from './estimate';

const estimate = (early: string, best: string, late: string): Estimate => ({
  early,
  best,
  late,
  basis: '',
  source: null,
  observed: false,
});
const DAY = '2027-05-20';
const pear: SlipFacts['stock'] = {
  evergreen: false,
  slipFrom: estimate('2027-04-20', '2027-04-30', '2027-05-10'),
  slipTo: estimate('2027-09-01', '2027-09-10', '2027-09-20'),
  warmFrom: null,
  warmTo: null,
  alwaysWarm: false,
};
const weather = (rain: number | null, high = 20, date = DAY): SlipFacts['weather'] =>
  Array.from({ length: 11 }, (_, i) => ({ date: addDays(date, i - 10), low: 8, high, rain }));
const outlook = (changes: Partial<SlipFacts> = {}) =>
  slipOutlook({ date: DAY, stock: pear, weather: weather(2), watered: [], tests: [], ...changes });
const odds = (changes: Partial<SlipFacts> = {}): SlipOdds[] => outlook(changes).parts.map((part) => part.odds);
const said = (changes: Partial<SlipFacts> = {}): string =>
  outlook(changes)
    .why.map((why) => written(why, 'mm'))
    .join(' ');
const RANK: Record<SlipOdds, number> = { unlikely: 0, possible: 1, likely: 2 };

describe('whether bark will slip', () => {
  it('is likely in season after rain, and unlikely out of it, whatever the weather', () => {
    expect(odds()).toEqual(['likely', 'likely', 'likely']);
    expect(said()).toBe(
      'In season: bark slips about 30 Apr 2027 to 10 Sept 2027. Well watered: 22 mm of rain in ten days.',
    );
    for (const date of ['2027-03-20', '2027-10-20'])
      expect(odds({ date, weather: weather(9, 18, date) })).toEqual(['unlikely', 'unlikely', 'unlikely']);
    expect(outlook({ date: '2027-03-20' }).advice).toContain('need not slip');
  });
  it('is best in the morning of a hot day', () => {
    expect(odds({ weather: weather(1, 33) })).toEqual(['likely', 'possible', 'likely']);
    expect(outlook({ weather: weather(1, 33) }).advice).toContain('Work in the morning');
    expect(said({ weather: weather(1, 33) })).toContain('Up to 33 °C that day');
  });
  it('suffers from drought, which watering mends', () => {
    expect(said({ weather: weather(0) })).toContain('Dry: 0 mm');
    expect(outlook({ weather: weather(0) }).advice).toContain('Water well');
    const watered = ['2027-05-12', '2027-05-16'];
    expect(said({ weather: weather(0), watered })).toContain('watered 2 times');
    expect(RANK[odds({ weather: weather(0), watered })[1]!]).toBeGreaterThan(RANK[odds({ weather: weather(0) })[1]!]);
    // A watering of three weeks ago is gone.
    expect(odds({ weather: weather(0), watered: ['2027-04-29'] })).toEqual(odds({ weather: weather(0) }));
  });
  it('goes by a test cut of the morning before all else, and by an old one less', () => {
    const cut = (on: string, slips: boolean) => ({ tests: [{ on, slips }] });
    expect(odds(cut(DAY, false))).toEqual(['unlikely', 'unlikely', 'unlikely']);
    expect(said(cut(DAY, false))).toMatch(/^The last test cut, 20 May 2027: bark did not slip\./);
    expect(odds({ weather: weather(0, 28), ...cut(DAY, true) })).toEqual(['likely', 'likely', 'likely']);
    expect(odds(cut('2027-05-08', false))).toEqual(['likely', 'likely', 'likely']);
    expect(odds({ date: '2027-04-10', weather: [], ...cut('2027-04-10', true) })[0]).not.toBe('unlikely');
  });
  it('of an evergreen goes by warmth, and where nothing is known says that only a test tells', () => {
    const lemon = { ...pear, evergreen: true, slipFrom: null, slipTo: null, alwaysWarm: true };
    expect(odds({ stock: lemon })).toEqual(['likely', 'likely', 'likely']);
    const unknown = { ...pear, slipFrom: null, slipTo: null };
    expect(said({ stock: unknown })).toContain('only a test cut can tell');
    expect(said({ weather: [] })).toContain('Neither rain nor watering');
  });
  it('never worsens with more rain, another good test cut, or a cooler day', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 300 }),
        fc.double({ min: 0, max: 6, noNaN: true }),
        fc.integer({ min: 12, max: 38 }),
        fc.integer({ min: 0, max: 13 }),
        (later, rain, high, age) => {
          const date = addDays('2027-02-01', later);
          const base = { date, weather: weather(rain, high, date) };
          const better = [
            { ...base, weather: weather(rain + 1, high, date) },
            { ...base, tests: [{ on: addDays(date, -age), slips: true }] },
            { ...base, weather: weather(rain, high - 6, date) },
          ];
          for (const changed of better)
            for (const i of DAY_PARTS.keys())
              expect(RANK[odds(changed)[i]!]).toBeGreaterThanOrEqual(RANK[odds(base)[i]!]);
        },
      ),
    );
  });
});
