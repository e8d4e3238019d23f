import { describe, expect, it } from 'vitest';
import { estimated, isBlank } from './estimated-year';

const blank = { low: Array<string>(12).fill(''), high: Array<string>(12).fill('') };
const typed = { normals: blank, lastFrost: '04-24', firstFrost: '10-28', appleBloom: '', source: '' };

describe('a year from the dates that were typed', () => {
  it('fills in twelve lowest and twelve highest in the reader’s degrees, and says where they are from', () => {
    const year = estimated(typed, 'north', 'C');
    const { low, high } = year.normals as typeof blank;
    expect([low.length, high.length, isBlank(year)]).toEqual([12, 12, false]);
    expect(Number(high[6])).toBeGreaterThan(Number(high[0]));
    expect(year.source).toBe('estimated from frost dates');
    const warm = estimated(typed, 'north', 'F').normals as typeof blank;
    expect(Number(warm.low[0])).toBeCloseTo(Number(low[0]) * 1.8 + 32, 0);
    expect(estimated({ ...typed, appleBloom: '05-01' }, 'north', 'C').source).toContain('apple bloom');
  });
  it('leaves what was typed where the dates say nothing', () => {
    for (const changes of [{ lastFrost: '' }, { firstFrost: 'autumn' }, { lastFrost: '10-20', firstFrost: '10-28' }])
      expect(estimated({ ...typed, ...changes }, 'north', 'C').normals).toBe(blank);
  });
});
