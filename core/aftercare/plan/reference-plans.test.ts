import { readFileSync } from 'node:fs';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { methodById } from '../../methods/registry';
import { shownTechnique } from '../../methods/shown-technique';
import { turnsOf } from '../../methods/testing/lake-year';
import type { Trigger } from '../../methods/timetable/trigger';
import type { VariantId } from '../../methods/use';
import { planBasis } from './made-union';
import { unionPlan } from './union-plan';

/*
 * 24 unions whose plans were read off the trade's table and the method sheets, line by line; each names its row. The
 * turns of the year are those of a place by a lake.
 */
const { data: rows } = Papa.parse<Record<string, string>>(
  readFileSync(new URL('../reference/plans.csv', import.meta.url), 'utf8'),
  { header: true, skipEmptyLines: true },
);
const unions = [...new Set(rows.map(({ union }) => union!))].map((id) => rows.filter(({ union }) => union === id));

/** A trigger as the table writes it. */
function said(trigger: Trigger, every: number | null): string {
  const again = every === null ? '' : `, again after ${every}`;
  switch (trigger.kind) {
    case 'days':
      return `${trigger.count} days ${trigger.earliest} ${trigger.best} ${trigger.latest}${again}`;
    case 'growth':
      return `growth ${trigger.from} ${trigger.to} mm${again}`;
    case 'phase':
      return `phase ${trigger.phase} ${trigger.nth}${trigger.notBefore === undefined ? '' : ` not before day ${trigger.notBefore}`}${again}`;
    case 'event':
      return `event ${trigger.event}${trigger.after ? ` plus ${trigger.after} days` : ''}${again}`;
    case 'recurring':
      return `every ${trigger.at}${again}`;
  }
}

describe('plans of unions as the trade has them', () => {
  it('are there for every method, and in every variant but the usual', () => {
    expect(unions).toHaveLength(24);
    expect(new Set(rows.map(({ method }) => method)).size).toBe(11);
    expect(rows.every(({ source }) => source!.length > 10)).toBe(true);
  });
  it.each(unions.map((plan) => [plan[0]!.union!, plan] as const))('%s: tasks, windows and last day', (_id, plan) => {
    const {
      method,
      variant,
      species,
      made_on: madeOn,
      latest_tie_day: latest,
    } = plan[0]! as Record<string, string> & {
      method: string;
      variant: VariantId;
      species: string;
      made_on: string;
      latest_tie_day: string;
    };
    const schools = JSON.parse(plan[0]!.schools!) as Record<string, string>;
    const materials =
      plan[0]!.materials === ''
        ? shownTechnique(methodById(method), schools).materials.map(({ id }) => id)
        : plan[0]!.materials!.split(' ');
    const basis = planBasis({ method, variant, schools, species, materials, madeOn });
    const tasks = unionPlan({ ...basis, madeOn }, { turnsOf });
    expect(
      tasks.map(({ id, trigger, every, due }) => [id, said(trigger, every), due?.from ?? '', due?.to ?? '']),
    ).toEqual(plan.map(({ task, when, from, to }) => [task, when, from, to]));
    const tie = tasks.find(({ id }) => ['binding-off', 'unwrap-bud'].includes(id));
    expect(tie?.latest ?? '').toBe(latest);
  });
});
