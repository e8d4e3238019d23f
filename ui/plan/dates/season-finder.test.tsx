import type { ComponentProps } from 'react';
import { describe, expect, it } from 'vitest';
import { factsOf } from '@/core/methods/method-facts';
import { METHODS } from '@/core/methods/registry';
import { north } from '@/core/plan/climate/testing/climates';
import type { PlannedMethod } from '@/core/plan/dates/planned-method';
import { rendered } from '@/ui/testing/rendered';
import { SeasonFinder } from './season-finder';

type Props = ComponentProps<typeof SeasonFinder>;

const known = METHODS.map(factsOf);
const planned = (method: string): PlannedMethod => ({
  method,
  place: known.find(({ id }) => id === method)!.use.places[0]!,
  scionSpecies: 'pear',
  stockSpecies: 'quince',
  practiceEach: 4,
  keepersEach: 2,
  practiceOn: 'prunings',
});
const [bench] = known as [(typeof known)[number]];
const budding = known.find(({ use }) => use.takes.piece === 'bud')!;
const finder = (changes: Partial<Props['facts']> = {}, mayChange = true) =>
  rendered(
    <SeasonFinder
      workshopId="w"
      siteId="s"
      siteName="Boathouse orchard"
      known={known}
      mayChange={mayChange}
      facts={
        {
          title: 'Islet day',
          date: '2027-03-20',
          today: '2026-11-25',
          year: { hemisphere: 'north', climate: north, edits: {}, observations: [] },
          methods: [planned(bench.id)],
          schools: {},
          rounds: [],
          lots: [],
          others: [],
          tools: [],
          temperatureUnit: 'C',
          lengthUnit: 'mm',
          ...changes,
        } as Props['facts']
      }
    />,
  );

describe('when it can be taught', () => {
  it('says where and on which day it is, and whether each method is in season then', () => {
    const { words } = finder();
    expect(words).toContain('Boathouse orchard.');
    expect(words).toContain('The workshop is on 20 Mar 2027.');
    expect(words).toContain(`${bench.name}: in season`);
  });
  it('tells a bud in winter from one too early to sleep and one in late summer, and why', () => {
    const verdict = (date: string): string =>
      new RegExp(`${budding.name}: (in season|possible, with a risk|not now)`).exec(
        finder({ date, methods: [planned(budding.id)] }).words,
      )![1]!;
    expect(verdict('2027-12-20')).toBe('not now');
    expect(verdict('2027-08-10')).toBe('possible, with a risk');
    expect(finder({ date: '2027-08-10', methods: [planned(budding.id)] }).words).toContain(
      'a bud may break before winter',
    );
    expect(verdict('2027-09-05')).toBe('in season');
  });
  it('draws a band for each method that is planned, and offers all the others', () => {
    const { html, words } = finder({ methods: [planned(bench.id), planned(budding.id)] });
    const label = /role="img" aria-label="([^"]+)"/.exec(html)![1]!;
    expect(label.split('; ').map((part) => part.split(':')[0])).toEqual([bench.name, budding.name]);
    expect(words).toContain('Every method on this wood');
  });
  it('draws no year for a site whose usual year is not known', () => {
    const year = { hemisphere: 'north' as const, climate: null, edits: {}, observations: [] };
    expect(finder({ year }).html).not.toContain('Year bands');
    expect(finder().html).toContain('Year bands');
  });
  it('tells what hangs on the day: wood before it, looks after it', () => {
    const { words } = finder();
    expect(words).toContain('What hangs on it');
    // Wood is cut in the winter before, and what was made is looked at in the spring after.
    expect(words).toMatch(/(Dec 2026|Jan 2027|Feb 2027)/);
    expect(words).toMatch(/(Apr|May) 2027/);
  });
  it('is in degrees Fahrenheit for whoever reads those', () => {
    expect(finder({ temperatureUnit: 'F' }).words).not.toMatch(/\d\s?°C/);
  });
  it('moves nothing before another day is tried out', () => {
    expect(finder().buttons.filter((words) => words.startsWith('Move the workshop'))).toEqual([]);
    expect(finder({}, false).words).toContain('The workshop is on 20 Mar 2027.');
  });
});
