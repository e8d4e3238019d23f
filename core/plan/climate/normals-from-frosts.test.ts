import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { METHODS } from '@/core/methods/registry';
import { daysBetween } from '@/core/units/iso-date';
import { seasonCase } from '../dates/season-case';
import { problemOfNormals } from './normals';
import { normalsFromFrosts } from './normals-from-frosts';

type Row = Record<string, string>;
const days = Papa.parse<Row>(readFileSync('core/plan/reference/season-days.csv', 'utf8'), {
  header: true,
  skipEmptyLines: true,
}).data.filter((row) => row.last_frost !== '');

describe('a year from two frost dates', () => {
  it('tells nearly all days apart on which practitioners graft, without one temperature of the place', () => {
    const right = days.filter((row) => {
      const { low, high } = normalsFromFrosts({
        hemisphere: row.hemisphere as 'north',
        lastFrost: row.last_frost!,
        firstFrost: row.first_frost!,
        appleBloom: null,
      });
      const { chance } = seasonCase({ ...row, low: low.join(' '), high: high.join(' ') }, METHODS);
      return row.want === 'can' ? chance !== 'shut' : chance === 'shut';
    });
    expect(right.length / days.length).toBeGreaterThan(0.9);
  });
  it('is a year whose months can be, whatever the dates, and the same half a year on in the south', () => {
    const day = (from: string, span: number) =>
      fc
        .integer({ min: 0, max: span })
        .map((i) => new Date(Date.parse(from) + i * 86_400_000).toISOString().slice(5, 10));
    fc.assert(
      fc.property(day('2027-02-10', 110), day('2027-09-05', 100), (lastFrost, firstFrost) => {
        const year = normalsFromFrosts({ hemisphere: 'north', lastFrost, firstFrost, appleBloom: null });
        expect(problemOfNormals(year)).toBeNull();
        const warmest = year.high.indexOf(Math.max(...year.high));
        expect([6, 7]).toContain(warmest);
      }),
    );
    const north = normalsFromFrosts({ hemisphere: 'north', lastFrost: '04-20', firstFrost: '10-20', appleBloom: null });
    const south = normalsFromFrosts({ hemisphere: 'south', lastFrost: '10-19', firstFrost: '04-20', appleBloom: null });
    for (let i = 0; i < 12; i++) expect(Math.abs(north.low[i]! - south.low[(i + 6) % 12]!)).toBeLessThan(0.6);
  });
  it('has a milder winter where apples bloom early for its frosts', () => {
    const with_ = (appleBloom: string | null) =>
      normalsFromFrosts({ hemisphere: 'north', lastFrost: '04-20', firstFrost: '10-20', appleBloom });
    expect(with_('04-05').low[0]!).toBeGreaterThan(with_('05-10').low[0]!);
    expect(daysBetween('2027-04-05', '2027-05-10')).toBe(35);
  });
  it('makes no desert of a summer, however early the bloom is entered', () => {
    for (const appleBloom of ['04-08', '03-20', '02-01']) {
      const { low, high } = normalsFromFrosts({
        hemisphere: 'north',
        lastFrost: '03-28',
        firstFrost: '11-14',
        appleBloom,
      });
      expect(Math.max(...high.map((day, i) => (day + low[i]!) / 2))).toBeLessThanOrEqual(28);
    }
  });
  it('refuses dates that leave no season', () => {
    expect(() =>
      normalsFromFrosts({ hemisphere: 'north', lastFrost: '10-20', firstFrost: '10-30', appleBloom: null }),
    ).toThrow('the last frost is in spring');
  });
});
