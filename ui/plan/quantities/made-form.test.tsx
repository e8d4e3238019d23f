import type { ComponentProps } from 'react';
import { describe, expect, it } from 'vitest';
import { METHODS } from '@/core/methods/registry';
import { PLACE_WORDS } from '@/core/methods/use';
import { MOST_METHODS } from '@/core/plan/dates/planned-method';
import { USUAL_SETTINGS } from '@/core/plan/quantities/needs';
import { rendered } from '@/ui/testing/rendered';
import { MadeForm } from './made-form';

type Props = ComponentProps<typeof MadeForm>;

const known = METHODS.map(({ id, name, use }) => ({ id, name, places: [...use.places], stumps: null }));
const row = (method: string): Props['methods'][number] =>
  ({
    method,
    place: known.find(({ id }) => id === method)!.places[0]!,
    scionSpecies: 'pear',
    stockSpecies: 'quince',
    practiceEach: 4,
    keepersEach: 2,
    practiceOn: 'prunings',
  }) as Props['methods'][number];
const [main, second] = known as [(typeof known)[number], (typeof known)[number]];
const form = (changes: Partial<Props> = {}) =>
  rendered(
    <MadeForm
      workshopId="w"
      version={1}
      methods={[row(main.id), row(second.id)]}
      expected={null}
      settings={USUAL_SETTINGS}
      main={main.id}
      known={known}
      unit="mm"
      onDone={() => undefined}
      {...changes}
    />,
  );

describe('what is made on a day', () => {
  it('has a row for each method, the one the day is scored by told apart and kept', () => {
    const { words, buttons } = form();
    expect(words).toContain(`${main.name}, scored on the day`);
    expect(words).not.toContain(`${second.name}, scored on the day`);
    expect(buttons).toContain(`Leave ${second.name} out`);
    expect(buttons).not.toContain(`Leave ${main.name} out`);
  });
  it('asks of each where, on what and how many', () => {
    const { fields } = form();
    for (const i of [0, 1])
      for (const name of ['place', 'practiceOn', 'scionSpecies', 'stockSpecies', 'practiceEach', 'keepersEach'])
        expect(fields.has(`methods.${i}.${name}`)).toBe(true);
  });
  it('offers of places only those where the method is done', () => {
    const { html } = form({ methods: [row(main.id)] });
    const choice = /<select name="methods\.0\.place"[^>]*>(.*?)<\/select>/.exec(html)![1]!;
    expect([...choice.matchAll(/<option value="([^"]+)"[^>]*>([^<]+)</g)].map(([, id, words]) => [id, words])).toEqual(
      main.places.map((place) => [place, PLACE_WORDS[place]]),
    );
  });
  it('offers every other method to be taught, and no more than a day can hold', () => {
    const offered = (methods: Props['methods']): number => {
      const choice = /Teach another method.*?<select[^>]*>(.*?)<\/select>/.exec(form({ methods }).html);
      return choice ? choice[1]!.split('<option').length - 2 : 0;
    };
    expect(offered([row(main.id)])).toBe(known.length - 1);
    expect(offered([row(main.id), row(second.id)])).toBe(known.length - 2);
    const full = known.slice(0, MOST_METHODS).map(({ id }) => row(id));
    expect(offered(full)).toBe(0);
  });
});
