import { readFileSync } from 'node:fs';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { METHODS } from '@/core/methods/registry';
import { ASSUMPTIONS } from '@/core/plan/phenology/assumptions';
import { addDays } from '@/core/units/iso-date';
import { seasonCase } from './season-case';

type Row = Record<string, string>;
const days = Papa.parse<Row>(readFileSync('core/plan/reference/season-days.csv', 'utf8'), {
  header: true,
  skipEmptyLines: true,
}).data;

/** The same day half a year on, on the other half of the earth. */
function mirrored(row: Row): Row {
  const halfYear = (months: string): string => {
    const all = months.split(' ');
    return [...all.slice(6), ...all.slice(0, 6)].join(' ');
  };
  const later = (monthDay: string): string => (monthDay === '' ? '' : addDays(`2027-${monthDay}`, 182).slice(5));
  return {
    ...row,
    hemisphere: row.hemisphere === 'north' ? 'south' : 'north',
    low: halfYear(row.low!),
    high: halfYear(row.high!),
    last_frost: later(row.last_frost!),
    first_frost: later(row.first_frost!),
    day: addDays(row.day!, 182),
  };
}

describe('days on which practitioners graft, and do not', () => {
  it.each([
    ['as they stand', (row: Row) => row],
    ['half a year on, on the other half of the earth', mirrored],
  ])('come out right, %s', (_words, turn) => {
    const wrong = days.filter((row) => {
      const { chance } = seasonCase(turn(row), METHODS);
      return row.want === 'can' ? chance === 'shut' : chance !== 'shut';
    });
    expect(wrong.map(({ id }) => id)).toEqual([]);
    const can = days.filter(({ want }) => want === 'can');
    const open = can.filter((row) => seasonCase(turn(row), METHODS).chance === 'open');
    expect(open.length / can.length).toBeGreaterThanOrEqual(0.8);
  });
});

const COOL = days[0]!;
const COAST = days.find(({ id }) => id === '41')!;
const BAY = days.find(({ id }) => id === '48')!;
const chance = (site: Row, changes: Row) => seasonCase({ ...site, ...changes }, METHODS).chance;

describe('evergreens', () => {
  const lemon = { method: 't-bud', scion: 'lemon', stock: 'citrus', where: 'field', wood: 'fresh' };
  it('are worked while they grow, doubtful in early autumn where it freezes, and not in winter', () => {
    expect(chance(COAST, { ...lemon, day: '2027-05-20' })).toBe('open');
    expect(chance(COAST, { ...lemon, day: '2027-09-25' })).toBe('edge');
    expect(chance(COAST, { ...lemon, day: '2027-12-15' })).toBe('shut');
  });
  it('wait for the bark of a stock that loses its leaves', () => {
    const on = (stock: string) => chance(COAST, { ...lemon, stock, day: '2027-12-01' });
    expect(on('trifoliate orange')).toBe('shut');
  });
});

describe('dormant wood', () => {
  const whip = { method: 'whip-and-tongue', scion: 'apple', stock: 'apple', where: 'pot', wood: 'post' };
  it('by post opens a place without a winter, and says so', () => {
    const { chance: open, why } = seasonCase({ ...BAY, ...whip, day: '2027-02-05' }, METHODS);
    expect([open, String(why)]).toEqual(['open', expect.stringContaining('come by post')]);
  });
  it('is there in a mild winter with frosts', () => {
    expect(chance(COAST, { ...whip, wood: 'stored', where: 'field', day: '2027-02-20' })).toBe('open');
  });
});

describe('a day that is shut', () => {
  it('is told by the season nearest to it', () => {
    const budding = { method: 'chip', scion: 'apple', stock: 'apple', where: 'field', wood: 'fresh' };
    const { why } = seasonCase({ ...COOL, ...budding, day: '2027-11-05' }, METHODS);
    expect(String(why)).toMatch(/first frost/);
  });
});

describe('what a verdict hangs on', () => {
  it('is a figure of the site, wherever it is not open', () => {
    const known = new Set(ASSUMPTIONS.map(({ id }) => id));
    for (const row of days) {
      const { chance: found, hangsOn } = seasonCase(row, METHODS);
      if (hangsOn !== undefined) expect(known, `${row.id} ${hangsOn}`).toContain(hangsOn);
      if (found === 'open') expect(hangsOn).toBeUndefined();
    }
    expect(
      seasonCase({ ...COOL, method: 'chip', wood: 'fresh', where: 'field', day: '2027-08-05' }, METHODS).hangsOn,
    ).toBe('bud-open');
  });
});

describe('a row that cannot be read', () => {
  it.each([
    ['low', '1 2 3', 'Twelve months'],
    ['first_frost', '13-40', 'month and day'],
    ['first_frost', '', 'both frost dates'],
    ['day', 'tomorrow', 'a date such as'],
    ['method', 'glue', 'must be one of'],
    ['where', 'attic', 'must be one of'],
    ['scion', '', 'names no kind'],
    ['frost_margin', '-3', 'days from 0 to 60'],
  ])('%s %j is refused in words', (column, value, words) => {
    expect(() => seasonCase({ ...COOL, [column]: value }, METHODS)).toThrow(words);
  });
});
