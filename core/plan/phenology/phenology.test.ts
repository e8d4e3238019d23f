import { describe, expect, it } from 'vitest';
import { dayNormals } from '../climate/day-normals';
import type { Climate } from '../climate/normals';
import { north, south, warm } from '../climate/testing/climates';
import { addDays, daysBetween } from '../../units/iso-date';
import { alike } from './alike';
import { ASSUMPTIONS, callusRange, assumptionsWith } from './assumptions';
import type { Observation } from './observation';
import { cycleStart, phenologyOf } from './phenology';

const assumption = assumptionsWith({});
const year = (
  climate: Climate,
  hemisphere: 'north' | 'south',
  date: string,
  observations: Observation[] = [],
  species = 'pear',
) => phenologyOf({ species, hemisphere, climate, assumption, observations }, date);

describe('the cycle of a year', () => {
  it('runs from midwinter to midwinter on both halves of the earth', () => {
    expect(cycleStart('2027-03-01', 'north')).toBe('2027-01-01');
    expect(cycleStart('2027-03-01', 'south')).toBe('2026-07-01');
    expect(cycleStart('2027-07-01', 'south')).toBe('2027-07-01');
    // With the leaves down, the spring that comes is meant.
    expect(cycleStart('2026-12-05', 'north')).toBe('2027-01-01');
    expect(cycleStart('2027-06-05', 'south')).toBe('2027-07-01');
    expect(cycleStart('2026-11-15', 'north')).toBe('2026-01-01');
    expect(year(north, 'north', '2027-03-01')).toMatchObject({ from: '2027-01-01', to: '2027-12-31' });
    expect(year(south, 'south', '2027-03-01')).toMatchObject({ from: '2026-07-01', to: '2027-06-30' });
  });
});

describe('spring by degree days', () => {
  it('is when the warmth above the base adds up, reckoned here by hand day by day', () => {
    // Where days lie wholly above or below the base no sine is needed: take a climate that jumps.
    const step: Climate = {
      ...north,
      normals: {
        low: Array(12)
          .fill(0)
          .map((_, i) => (i < 3 ? 0 : 10)),
        high: Array(12)
          .fill(0)
          .map((_, i) => (i < 3 ? 4 : 14)),
      },
    };
    const { swell } = phenologyOf(
      { species: 'pear', hemisphere: 'north', climate: step, assumption, observations: [] },
      '2027-02-01',
    );
    let sum = 0;
    let day = '2027-01-01';
    for (; ; day = addDays(day, 1)) {
      const { low, high } = dayNormals(step.normals, day);
      // The mean of half hours of the day's sine.
      for (let i = 0; i < 480; i++)
        sum += Math.max(0, (low + high) / 2 + ((high - low) / 2) * Math.sin(((i + 0.5) / 480) * 2 * Math.PI) - 5) / 480;
      if (sum >= 70) break;
    }
    expect(swell!.best).toBe(day);
  });
  it('goes on from stage to stage, each with a margin that holds it', () => {
    const { dormant, swell, leavesOut, slipFrom, slipTo } = year(north, 'north', '2027-03-01');
    const stages = [dormant!, swell!, leavesOut!, slipFrom!, slipTo!];
    stages.slice(1).forEach((stage, i) => expect(stage.best > stages[i]!.best).toBe(true));
    for (const { early, best, late } of stages) expect(early <= best && best <= late).toBe(true);
    expect(swell!.source).toBeNull();
    expect(daysBetween(swell!.early, swell!.late)).toBeGreaterThan(14);
  });
  it('is the same in the south, six months on', () => {
    const [here, there] = [year(north, 'north', '2027-03-01'), year(south, 'south', '2027-09-01')];
    for (const stage of ['swell', 'leavesOut', 'slipFrom'] as const) {
      expect(
        Math.abs(daysBetween('2027-01-01', here[stage]!.best) - daysBetween('2027-07-01', there[stage]!.best)),
        stage,
      ).toBeLessThanOrEqual(3);
    }
    expect(there.lastFrost!.best).toBe('2027-10-24');
    expect(there.firstFrost!.best).toBe('2028-04-28');
  });
  it('is no spring at all where there is no winter', () => {
    const bay = year(warm, 'north', '2027-03-01');
    expect(bay).toMatchObject({
      dormant: null,
      swell: null,
      slipFrom: null,
      firstFrost: null,
      budOpen: null,
      alwaysWarm: true,
    });
    expect(year(north, 'north', '2027-03-01', [], 'lemon')).toMatchObject({
      evergreen: true,
      dormant: null,
      swell: null,
    });
  });
});

describe('what was seen', () => {
  const seen = (sign: Observation['sign'], on: string, species = 'pear'): Observation => ({ sign, on, species });
  it('goes before what was reckoned, and what follows counts on from it', () => {
    const reckoned = year(north, 'north', '2027-03-01');
    const { swell, leavesOut } = year(north, 'north', '2027-03-01', [seen('buds-swell', '2027-03-20')]);
    expect(swell).toMatchObject({
      early: '2027-03-20',
      best: '2027-03-20',
      late: '2027-03-20',
      observed: true,
      source: 'seen on the spot',
    });
    expect(leavesOut!.best < reckoned.leavesOut!.best).toBe(true);
    expect(daysBetween(leavesOut!.early, leavesOut!.late)).toBeLessThan(
      daysBetween(reckoned.leavesOut!.early, reckoned.leavesOut!.late),
    );
  });
  it('of bark: slipping dates it, not slipping puts it off', () => {
    expect(year(north, 'north', '2027-05-01', [seen('bark-slips', '2027-04-28')]).slipFrom!.best).toBe('2027-04-28');
    const tight = year(north, 'north', '2027-05-01', [seen('bark-tight', '2027-05-20')]).slipFrom!;
    expect(tight.early >= '2027-05-21').toBe(true);
    expect(year(north, 'north', '2027-05-01', [seen('bark-tight', '2027-09-05')]).slipTo!.best).toBe('2027-09-04');
  });
  it('of another species, or another year, changes nothing', () => {
    const reckoned = year(north, 'north', '2027-03-01');
    expect(
      year(north, 'north', '2027-03-01', [
        seen('buds-swell', '2027-03-20', 'mulberry'),
        seen('buds-swell', '2026-03-20'),
      ]),
    ).toEqual(reckoned);
  });
});

describe('frost and budding', () => {
  it('is sure from ten weeks before the usual first frost, and closes by the warmth that is left', () => {
    const { budOpen, budClose, firstFrost } = year(north, 'north', '2027-03-01');
    expect(daysBetween(budOpen!.best, firstFrost!.best)).toBe(70);
    // By hand: the days before the frost at the rate of pome fruit come to a fortnight of full warmth.
    const before = daysBetween(budClose!.best, firstFrost!.best);
    expect(before).toBeGreaterThan(21);
    expect(before).toBeLessThan(56);
    const kin = (species: string) => year(north, 'north', '2027-03-01', [], species).budClose!.best;
    // Stone fruit wants it warmer than pome fruit, and so closes sooner.
    expect(kin('plum') < kin('apple')).toBe(true);
    expect(budOpen!.source).toBe('usual practice');
  });
});

describe('assumptions', () => {
  it('each say who says so, or are a guess with a margin', () => {
    for (const assumption of ASSUMPTIONS) expect(assumption.name.length, assumption.id).toBeGreaterThan(5);
    const guesses = ASSUMPTIONS.filter(({ source, id }) => source === null && !['base', 'warm-year'].includes(id));
    for (const { id, margin } of guesses) expect(margin, id).toBeGreaterThan(0);
    expect(new Set(ASSUMPTIONS.map(({ id }) => id)).size).toBe(ASSUMPTIONS.length);
  });
  it('give way to those of the site', () => {
    const own = assumptionsWith({ 'pome.swell': { value: 40, margin: 5, source: 'our own book, row 1' } });
    expect(own('pome.swell')).toMatchObject({ value: 40, margin: 5, source: 'our own book, row 1' });
    expect(
      phenologyOf(
        { species: 'pear', hemisphere: 'north', climate: north, assumption: own, observations: [] },
        '2027-03-01',
      ).swell!.best < year(north, 'north', '2027-03-01').swell!.best,
    ).toBe(true);
    expect(() => assumption('moon')).toThrow('No assumption');
  });
  it('know where callus forms, by kin', () => {
    expect(callusRange('pome', assumption)).toMatchObject({ from: 15, to: 27, slow: 7 });
    expect(callusRange('walnut', assumption)).toMatchObject({ from: 24, to: 29, slow: 24 });
    expect(callusRange(null, assumption)).toBeNull();
  });
});

describe('kin that have one year', () => {
  it('are told once', () => {
    expect(
      alike([
        year(north, 'north', '2027-03-01', [], 'pear'),
        year(north, 'north', '2027-03-01', [], 'quince'),
        year(north, 'north', '2027-03-01', [], 'mulberry'),
      ]).map(({ species }) => species),
    ).toEqual(['pear, quince', 'mulberry']);
  });
});

describe('cycleStart', () => {
  it.each([
    ['north', '2027-11-15', '2027-01-01'],
    ['north', '2027-11-16', '2028-01-01'],
    ['north', '2027-12-31', '2028-01-01'],
    ['north', '2028-01-01', '2028-01-01'],
    ['south', '2027-05-15', '2026-07-01'],
    ['south', '2027-05-16', '2027-07-01'],
    ['south', '2027-06-30', '2027-07-01'],
    ['south', '2027-07-01', '2027-07-01'],
  ] as const)('gives %s of the equator the day %s to the spring counted from %s', (hemisphere, date, from) => {
    expect(cycleStart(date, hemisphere)).toBe(from);
  });
});
