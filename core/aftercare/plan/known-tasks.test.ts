import { describe, expect, it } from 'vitest';
import { METHODS } from '../../methods/registry';
import { dueTasks } from '../week/due-tasks';
import { tiesOf } from '../ties/ties';
import { knownTasks } from './known-tasks';
import { planBasis } from './made-union';
import { unionPlan } from './union-plan';

describe('known tasks', () => {
  it('hold whatever a plan ever names, and nothing made up', () => {
    for (const method of METHODS)
      for (const { id: variant } of method.variants) {
        const made = { method: method.id, variant, schools: {}, materials: [], species: 'pear', madeOn: '2027-03-06' };
        const known = knownTasks(made);
        const tasks = unionPlan(
          { ...planBasis(made), madeOn: made.madeOn },
          {
            ended: { on: '2027-09-01', why: 'dead' },
            regraft: { name: 'Again', from: '2027-09-01', to: '2027-09-20' },
          },
        );
        const ties = tiesOf({
          materials: ['bag', 'brace', 'label'],
          tasks,
          doneOn: () => null,
          seen: [],
          madeOn: made.madeOn,
          braceDays: 700,
          today: '2029-12-01',
        });
        const named = [...tasks.map(({ id }) => id), ...dueTasks(tasks, ties, '2029-12-01').map(({ task }) => task)];
        expect(
          named.filter((task) => !known.has(task)),
          method.id,
        ).toEqual([]);
        expect(known.has('sing-to-it')).toBe(false);
      }
  });
});
