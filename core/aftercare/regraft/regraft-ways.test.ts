import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { factsOf } from '../../methods/method-facts';
import { madeWords } from '../../methods/made-words';
import { METHODS, methodById } from '../../methods/registry';
import type { Climate } from '../../plan/climate/normals';
import { north, south, warm } from '../../plan/climate/testing/climates';
import { siteCalendar } from '../../plan/dates/taught-on';
import { assumptionsWith } from '../../plan/phenology/assumptions';
import { addDays } from '../../units/iso-date';
import { regraftName, regraftWoodWords, regraftYear } from './regraft-year';
import { nextWay, type RegraftFacts, type RegraftWay, regraftWays } from './regraft-ways';

const KNOWN = METHODS.map(factsOf);

interface Found {
  method: string;
  on: string;
  today?: string;
  climate?: Climate | null;
  hemisphere?: 'north' | 'south';
  species?: string;
  sticksLeft?: number;
  caliper?: number | null;
}

function ways(found: Found): RegraftWay[] {
  const { method, on, today = on, climate = north, hemisphere = 'north', species = 'pear' } = found;
  const site = { hemisphere, climate, edits: {}, observations: [] };
  const calendar = siteCalendar(site, KNOWN);
  const facts: RegraftFacts = {
    today,
    foundOn: on,
    failed: factsOf(methodById(method)),
    methods: KNOWN,
    yearOf: (day) => regraftYear(calendar, site, { scion: species, stock: species }, day),
    assumption: assumptionsWith({}),
    sticksLeft: found.sticksLeft ?? 0,
    caliper: found.caliper ?? null,
  };
  return regraftWays(facts);
}
const named = (list: readonly RegraftWay[]): string[] =>
  list.map(({ method, season, wood, otherSide }) => `${method} ${season} ${wood}${otherSide ? ' other side' : ''}`);

describe('a stock whose graft died', () => {
  it('has its other side for a bud that is brown on day 12, while buds are set', () => {
    const [first, ...rest] = ways({ method: 'chip', on: '2027-08-27' });
    expect(first).toMatchObject({ method: 'chip', variant: 'late-summer', otherSide: true, wood: 'fresh' });
    expect(first!.from).toBe('2027-08-27');
    expect(first!.to >= '2027-09-01').toBe(true);
    // And in the spring after, dormant wood that is cut in winter.
    expect(named(rest)).toContain('whip-and-tongue next to-cut');
    expect(rest.every(({ season, otherSide }) => season === 'this' || !otherSide)).toBe(true);
  });
  it('has a whip, a cleft or a bark graft that same spring where a bud is dead as buds swell', () => {
    const found = ways({ method: 't-bud', on: '2028-04-06', sticksLeft: 3 });
    const spring = named(found.filter(({ from, to }) => from <= '2028-05-20' && to >= '2028-04-06'));
    expect(spring).toEqual(
      expect.arrayContaining([
        'whip-and-tongue this left',
        'cleft this left',
        'bark this left',
        'chip this left other side',
      ]),
    );
    // Nobody has wood: it would have to be asked for, since buds are awake.
    expect(named(ways({ method: 't-bud', on: '2028-04-06' }))).toContain('whip-and-tongue this sought');
  });
  it('has a bud in summer after a graft that failed in May, and what is left in the cold until then', () => {
    const found = ways({ method: 'whip-and-tongue', on: '2027-05-02', sticksLeft: 4 });
    expect(named(found)).toContain('chip this fresh');
    expect(found.find(({ method }) => method === 'chip')!.otherSide).toBe(false);
    const late = ways({ method: 'whip-and-tongue', on: '2027-05-02', today: '2027-07-25', sticksLeft: 4 });
    expect(named(late).filter((way) => way.endsWith('this left'))).toEqual([]);
    expect(late[0]!.method).toMatch(/chip|t-bud/);
  });
  it('wants wood cut while it sleeps, from leaf fall to before it swells', () => {
    const found = ways({ method: 'cleft', on: '2027-10-20' }).find(({ method }) => method === 'cleft')!;
    expect(found).toMatchObject({ season: 'next', wood: 'to-cut' });
    expect(found.cut!.from >= '2027-11-01' && found.cut!.to <= '2028-03-31').toBe(true);
    expect(found.cut!.to < found.from).toBe(true);
  });
  it('leaves out what its caliper forbids; one that is too thin now may grow', () => {
    const at = (caliper: number) => named(ways({ method: 'cleft', on: '2028-04-06', sticksLeft: 2, caliper }));
    expect(at(7)).toContain('whip-and-tongue this left');
    expect(at(7)).not.toContain('cleft this left');
    expect(at(7)).toContain('cleft next to-cut');
    expect(at(30)).toEqual(expect.arrayContaining(['cleft this left', 'chip this left']));
    expect(at(30).some((way) => way.startsWith('whip') || way.startsWith('t-bud'))).toBe(false);
  });
  it('ends with the season that follows', () => {
    expect(ways({ method: 'chip', on: '2027-08-27', today: '2028-05-01' }).length).toBeGreaterThan(0);
    expect(ways({ method: 'chip', on: '2027-08-27', today: '2029-03-01' })).toEqual([]);
  });
  it('goes by the half of the earth, by flushes, and by the usual calendar where nothing is known', () => {
    const [austral] = ways({ method: 'chip', on: '2027-02-25', climate: south, hemisphere: 'south' });
    expect(austral).toMatchObject({ method: 'chip', from: '2027-02-25', otherSide: true });
    const frostless = ways({ method: 't-bud', on: '2027-08-27', climate: warm });
    expect(frostless[0]).toMatchObject({ from: '2027-08-27', to: addDays('2027-08-27', 182), season: 'this' });
    expect(frostless.every(({ season }) => season === 'this')).toBe(true);
    const unknown = ways({ method: 'chip', on: '2027-08-10', climate: null });
    expect(unknown[0]).toMatchObject({ method: 'chip', from: '2027-08-10', to: '2027-08-31' });
    expect(ways({ method: 'chip', on: '2027-02-10', climate: null, hemisphere: 'south' })[0]!.to).toBe('2027-03-02');
  });
  it('names each way once, in order, none of it over, whatever failed and whenever', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...METHODS.map(({ id }) => id)),
        fc.integer({ min: 0, max: 730 }),
        fc.integer({ min: 0, max: 500 }),
        fc.constantFrom(north, warm, null),
        fc.constantFrom('pear', 'persimmon', 'citrus'),
        (method, day, since, climate, species) => {
          const on = addDays('2027-01-01', day);
          const today = addDays(on, since);
          const found = ways({ method, on, today, climate, species });
          const keys = found.map((way) => `${way.method} ${way.variant}`);
          expect(new Set(keys).size).toBe(keys.length);
          for (const [i, { from, to, cut, wood }] of found.entries()) {
            expect(from >= on && from <= to && to >= today).toBe(true);
            if (i > 0) expect(from >= found[i - 1]!.from).toBe(true);
            expect(cut !== null).toBe(wood === 'to-cut');
          }
        },
      ),
      { numRuns: 150 },
    );
  });
  it('is put next by the first way for which there is wood', () => {
    const found = ways({ method: 'chip', on: '2028-04-06' });
    expect(found[0]!.wood).toBe('sought');
    expect(nextWay(found)).toMatchObject({ method: 'chip', variant: 'early-summer', wood: 'fresh' });
    expect(nextWay(found.filter(({ wood }) => wood === 'sought'))!.wood).toBe('sought');
    expect(nextWay([])).toBeNull();
  });
  it('refuses sticks that nobody can count', () => {
    expect(() => ways({ method: 'chip', on: '2027-05-01', sticksLeft: -1 })).toThrow(RangeError);
  });
});

describe('what is said of a way', () => {
  const [way] = ways({ method: 'chip', on: '2027-08-27' });
  it('names method, season and side', () => {
    expect(regraftName(way!, madeWords)).toBe('Graft the stock again: chip bud in late summer, into the other side');
  });
  it('says which wood it wants', () => {
    expect(regraftWoodWords({ wood: 'left', cut: null }, 1)).toBe('1 dormant stick of it is left.');
    expect(regraftWoodWords({ wood: 'to-cut', cut: { from: '2027-12-20', to: '2028-02-03' } }, 0)).toContain('20 Dec');
    expect(regraftWoodWords({ wood: 'sought', cut: null }, 0)).toContain('ask who has some');
  });
});
