import { describe, expect, it } from 'vitest';
import { planBasis } from '../../aftercare/plan/made-union';
import { unionPlan } from '../../aftercare/plan/union-plan';
import { siteCalendar } from '../../plan/dates/taught-on';
import { warm } from '../../plan/climate/testing/climates';
import { addDays } from '../../units/iso-date';
import { written } from '../../units/prose';
import { factsOf } from '../method-facts';
import { METHODS } from '../registry';
import { triggerWords } from './trigger-words';

const MADE = '2027-05-10';
const calendar = siteCalendar(
  { hemisphere: 'north', climate: warm, edits: {}, observations: [] },
  METHODS.map(factsOf),
);
const SEASONS = /winter|spring|summer|autumn|frost|leaf fall|leaves fall|next year|this year/i;

describe.each(METHODS.map((method) => [method.id, method] as const))(
  'aftercare of %s without a winter',
  (_id, method) => {
    const choices = method.schools.flatMap(({ id, options }) => options.map((option) => ({ [id]: option.id })));
    const plans = method.use.places.flatMap((place) =>
      ['pear', 'walnut', 'citrus'].flatMap((species) =>
        [{}, ...choices].map((schools) => {
          const planned = { method: method.id, place, scionSpecies: species, stockSpecies: species } as const;
          const { variant, turnsOf } = calendar.on(
            { ...planned, practiceEach: 0, keepersEach: 1, practiceOn: 'good' },
            MADE,
          );
          const basis = planBasis({ ...planned, variant: variant.id, schools, species, materials: [], madeOn: MADE });
          return { words: variant.words, tasks: unionPlan({ ...basis, madeOn: MADE }, { turnsOf, today: MADE }) };
        }),
      ),
    );
    it('names no season that does not come', () => {
      for (const { words, tasks } of plans)
        for (const { name, missed, trigger } of tasks)
          for (const text of [
            written(name, 'mm'),
            missed === null ? '' : written(missed, 'mm'),
            triggerWords(trigger, 'mm'),
            words,
          ])
            expect(text).not.toMatch(SEASONS);
    });
    it('has a day for all that no plant has to show first, and no tie on for longer than four months', () => {
      for (const { tasks } of plans)
        for (const { id, trigger, due, latest } of tasks) {
          if (trigger.kind === 'days') expect(due, id).not.toBeNull();
          if (latest !== null) expect(latest <= addDays(MADE, 120), `${id} ${latest}`).toBe(true);
        }
    });
  },
);
