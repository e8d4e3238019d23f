import { written } from '@/core/units/prose';
import { describe, expect, it } from 'vitest';
import { CLIMATES } from '@/stand-ins/weather/climates';
import { chooseMethod, type Situation } from '@/core/methods/choosing/choose-method';
import { factsOf } from '@/core/methods/method-facts';
import { METHODS } from '@/core/methods/registry';
import { WOOD_WORDS, type WoodState } from '@/core/methods/use';
import { addDays } from '@/core/units/iso-date';
import { verdictOn } from '@/core/plan/dates/season-finder';
import { siteSeasons } from '@/core/plan/dates/site-seasons';
import { siteCalendar, type SiteYear } from '@/core/plan/dates/taught-on';

const known = METHODS.map(factsOf);
const WOODS = Object.keys(WOOD_WORDS) as WoodState[];
/** Every tenth day of a year. */
const DAYS = Array.from({ length: 37 }, (_, i) => addDays('2027-01-03', i * 10));
const years = CLIMATES.map(({ name, hemisphere, ...climate }): [string, SiteYear] => [
  name,
  { hemisphere, climate, edits: {}, observations: [] },
]);

/** Nothing but the season speaks against a method. */
function atHand(method: (typeof known)[number], date: string, wood: WoodState, changes: Partial<Situation>): Situation {
  return {
    stock: 10,
    scion: 9.5,
    date,
    climate: 'north',
    place: method.use.places[0]!,
    barkSlips: true,
    wood,
    woodLength: 400,
    scarce: false,
    practised: true,
    ...changes,
  };
}

describe.each(years)('choosing at a site: %s', (_name, year) => {
  const species = { scionSpecies: 'pear', stockSpecies: 'pear' };
  const calendar = siteCalendar(year, known);
  it('finds a method in season on just the days the season finder does, with some wood', () => {
    for (const method of known)
      for (const place of method.use.places)
        for (const date of DAYS) {
          const plan = { method: method.id, place, ...species, practiceEach: 0, keepersEach: 0 };
          const finder = verdictOn(date, calendar.yearOf({ ...plan, practiceOn: 'prunings' }, date)!);
          const seasons = siteSeasons(year, known, { place, ...species }, date)!;
          const outOfSeason = WOODS.every((wood) =>
            chooseMethod(atHand(method, date, wood, { place, atSite: seasons }), [method])[0]!.against.some((against) =>
              against.startsWith('Out of its season'),
            ),
          );
          expect([method.id, place, date, !outOfSeason]).toEqual([method.id, place, date, finder.chance !== 'shut']);
        }
  });
  it('says why not in the finder’s words', () => {
    let refused = 0;
    for (const method of known)
      for (const date of DAYS) {
        const place = method.use.places[0]!;
        const finder = calendar.on(
          { method: method.id, place, ...species, practiceEach: 0, keepersEach: 0, practiceOn: 'prunings' },
          date,
        ).verdict;
        if (finder.chance !== 'shut') continue;
        const atSite = siteSeasons(year, known, { place, ...species }, date);
        const [choice] = chooseMethod(atHand(method, date, 'dormant', { place, atSite }), [method]);
        expect(choice!.needs).toContain(finder.why);
        refused++;
      }
    // Where it never freezes there is always something that can be done.
    if (year.climate!.firstFrost !== null) expect(refused).toBeGreaterThan(0);
  });
});

describe('a site without frost', () => {
  const [, frostless] = years.find(([, { climate }]) => climate!.firstFrost === null)!;
  const calendar = siteCalendar(frostless, known);
  it('buds whenever it flushes, and names no season of a year that has none', () => {
    const budding = known.filter(({ use }) => use.takes.piece === 'bud');
    expect(budding.length).toBeGreaterThan(2);
    for (const method of budding)
      for (const date of DAYS) {
        const place = method.use.places[0]!;
        const { verdict, variant } = calendar.on(
          {
            method: method.id,
            place,
            scionSpecies: 'citrus',
            stockSpecies: 'citrus',
            practiceEach: 0,
            keepersEach: 0,
            practiceOn: 'prunings',
          },
          date,
        );
        expect(verdict.chance, `${method.id} ${date}`).not.toBe('shut');
        expect(written(verdict.why, 'mm')).not.toMatch(/summer|autumn|spring/i);
        // What is made there grows on; nothing sleeps until a spring.
        expect(['sleeping-bud', 'sleeping-patch']).not.toContain(variant.wayOn);
      }
  });
});

describe('a site without normals', () => {
  it('leaves the choice to the usual calendar', () => {
    const nowhere: SiteYear = { hemisphere: 'north', climate: null, edits: {}, observations: [] };
    expect(
      siteSeasons(nowhere, known, { place: 'bench', scionSpecies: 'pear', stockSpecies: 'pear' }, '2027-03-06'),
    ).toBe(null);
  });
});
