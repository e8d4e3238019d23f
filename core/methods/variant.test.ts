import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { addDays, daysBetween } from '../units/iso-date';
import { MILESTONES } from './milestones';
import { METHODS, methodById } from './registry';
import type { DueWindow } from './timetable/due-window';
import { signWords } from './timetable/round-advice';
import type { TurnsOfYear } from './timetable/season-phases';
import { turnsOf } from './testing/lake-year';
import { timetable } from './timetable/timetable';
import { type Making, variantOf } from './variant';
import type { VariantId } from './use';

const made = (method: string, changes: Partial<Making>): Making => ({
  place: methodById(method).use.places[0]!,
  madeOn: '2027-03-06',
  season: null,
  climate: 'north',
  ...changes,
});
const variant = (method: string, changes: Partial<Making>) => variantOf(methodById(method), made(method, changes));
const due = (method: string, changes: Partial<Making>): Record<string, DueWindow> =>
  Object.fromEntries(
    timetable(variant(method, changes), { aftercare: [] }, made(method, changes).madeOn, { turnsOf }).rounds.map(
      ({ milestone, due: window }) => [milestone, window!],
    ),
  );
const season = (method: string, id: VariantId) =>
  methodById(method).use.seasons.find(({ variant: name }) => name === id)!;

describe('the variant of a union', () => {
  it.each([
    ['whip-and-tongue', { place: 'bench' }, 'bench'],
    ['whip-and-tongue', { place: 'field' }, 'outdoors'],
    ['splice', { place: 'pot' }, 'outdoors'],
    ['cleft', { place: 'field' }, 'usual'],
    ['chip', { madeOn: '2027-04-21', season: season('chip', 'spring') }, 'spring'],
    ['chip', { madeOn: '2027-08-14', season: season('chip', 'late-summer') }, 'late-summer'],
    ['t-bud', { madeOn: '2027-06-10', season: season('t-bud', 'early-summer') }, 'early-summer'],
    ['patch', { madeOn: '2027-09-10', season: season('patch', 'autumn') }, 'autumn'],
    // Out of season, what lies nearest: a chip of March is of dormant wood, a patch of October one of autumn.
    ['chip', { madeOn: '2027-03-10' }, 'spring'],
    ['chip', { madeOn: '2027-10-10' }, 'late-summer'],
    ['patch', { madeOn: '2027-10-10' }, 'autumn'],
    ['patch', { madeOn: '2027-04-10' }, 'spring'],
    // Half a year on in the south.
    ['patch', { madeOn: '2027-04-10', climate: 'south' }, 'autumn'],
    ['chip', { madeOn: '2027-02-14', climate: 'south' }, 'late-summer'],
    // Where there is no winter nothing sleeps until spring.
    ['chip', { madeOn: '2027-08-14', climate: 'tropics', season: season('chip', 'late-summer') }, 'early-summer'],
    ['patch', { madeOn: '2027-09-10', climate: 'tropics' }, 'spring'],
  ] as const)('%s made with %j is %s', (method, changes, id) => {
    expect(variant(method, changes).id).toBe(id);
  });
  it('is always one of its method, on every day, in every place and climate', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...METHODS),
        fc.integer({ min: 0, max: 730 }),
        fc.constantFrom('north', 'south', 'tropics'),
        fc.constantFrom('bench', 'field', 'pot'),
        (method, day, climate, place) => {
          const making = { place, madeOn: addDays('2027-01-01', day), season: null, climate } as const;
          expect(method.variants).toContain(variantOf(method, making));
        },
      ),
    );
  });
  it('is named by every season of a method that has several by season', () => {
    for (const { id, variants, use } of METHODS) {
      const bySeason = variants.filter(({ places }) => !places).map(({ id: name }) => name);
      if (bySeason.length < 2) continue;
      for (const { name, variant: named } of use.seasons) expect(bySeason, `${id}, ${name}`).toContain(named);
    }
  });
});

/* The days: usual practice, following up. */
describe('rounds by variant', () => {
  const from = (window: DueWindow | undefined, day: string): number => daysBetween(day, window!.from);

  it('of a whip at the bench: day 14, week 8 after its kin’s leaf, leaf fall, spring', () => {
    const rounds = due('whip-and-tongue', { place: 'bench' });
    expect(from(rounds.healed, '2027-03-06')).toBe(14);
    expect(from(rounds.growing, '2027-04-27')).toBe(56);
    expect(rounds.season).toEqual({ from: '2027-10-29', to: '2027-11-19' });
    expect(rounds.wintered!.from.slice(0, 7)).toBe('2028-04');
  });
  it('of a whip outdoors: day 21; under a cover: day 21 to 30 and week 10; of a tip: day 30 and week 12', () => {
    expect(from(due('whip-and-tongue', { place: 'field' }).healed, '2027-03-06')).toBe(21);
    for (const method of ['bark', 'inlay', 'four-flap']) {
      const rounds = due(method, {});
      expect(rounds.healed, method).toEqual({ from: '2027-03-27', to: '2027-04-05' });
      expect(from(rounds.growing, '2027-03-06'), method).toBe(70);
    }
    for (const method of ['side-veneer', 'top-wedge']) {
      expect(from(due(method, {}).healed, '2027-03-06'), method).toBe(30);
      expect(from(due(method, {}).growing, '2027-03-06'), method).toBe(84);
    }
  });
  it('of a chip of 21 April: no leaf stub, week 8, leaf fall of the same year', () => {
    const spring = variant('chip', { madeOn: '2027-04-21' });
    const rounds = due('chip', { madeOn: '2027-04-21' });
    expect(spring.rounds.flatMap(({ signs }) => signs)).not.toContain('stub-drops');
    expect(from(rounds.healed, '2027-04-21')).toBe(21);
    expect(from(rounds.growing, '2027-04-21')).toBe(56);
    expect(rounds.season!.from).toBe('2027-10-29');
  });
  it('of a bud in August: day 10 to 14, then nothing before the next spring', () => {
    for (const method of ['chip', 't-bud']) {
      const rounds = due(method, { madeOn: '2027-08-14', season: season(method, 'late-summer') });
      expect(Object.keys(rounds), method).toEqual(['healed', 'growing']);
      expect(rounds.healed).toEqual({ from: '2027-08-24', to: '2027-08-28' });
      // Six weeks after its kin is in leaf.
      expect(rounds.growing!.from).toBe(addDays(turnsOf(2028)['leaves-out']!, 7 + 42));
    }
  });
  it('of a patch in autumn: day 21, then the next spring; one in spring grows in the same year', () => {
    const autumn = due('patch', { madeOn: '2027-09-10', season: season('patch', 'autumn') });
    expect(Object.keys(autumn)).toEqual(['healed', 'growing']);
    expect(from(autumn.healed, '2027-09-10')).toBe(21);
    expect(autumn.growing!.from.slice(0, 4)).toBe('2028');
    const spring = due('patch', { madeOn: '2027-05-20' });
    expect(from(spring.growing, '2027-05-20')).toBe(56);
    expect(spring.season!.from.slice(0, 4)).toBe('2027');
  });
  it('where leaves do not fall: half a year and a year on', () => {
    const frostless = (year: number): TurnsOfYear => ({ midsummer: `${year}-06-21` });
    const { rounds } = timetable(variant('side-veneer', {}), { aftercare: [] }, '2027-03-06', { turnsOf: frostless });
    expect(rounds.map(({ due: window }) => daysBetween('2027-03-06', window!.from))).toEqual([30, 84, 175, 350]);
  });
  it('come in the order of a life, each dated on every day of the year, asked and looked for in words', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...METHODS.flatMap((method) => method.variants)),
        fc.integer({ min: 0, max: 730 }),
        ({ rounds }, day) => {
          const madeOn = addDays('2027-01-01', day);
          const dated = timetable({ wayOn: 'bench', rounds }, { aftercare: [] }, madeOn, { turnsOf }).rounds;
          const order = dated.map(({ milestone }) => MILESTONES.indexOf(milestone));
          expect(order).toEqual([...order].sort());
          for (const { due: window, signs, milestone, answers } of dated) {
            expect(window!.from >= madeOn && window!.from <= window!.to).toBe(true);
            expect(signWords(signs, 'mm').length).toBeGreaterThan(3);
            if (answers) expect(MILESTONES.indexOf(answers)).toBeGreaterThan(MILESTONES.indexOf(milestone));
          }
          // Nobody is asked in spring what only the spring after can tell.
          const spring = dated.find(({ milestone, answers }) => [milestone, answers].includes('wintered'))!.due!;
          const fall = dated.find(({ milestone }) => milestone === 'season')?.due;
          if (fall) expect(spring.from > fall.from).toBe(true);
        },
      ),
    );
  });
});
