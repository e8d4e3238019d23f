import { describe, expect, it } from 'vitest';
import { turnsOf } from '../../methods/testing/lake-year';
import { planBasis } from '../plan/made-union';
import { type LifeSoFar, unionPlan } from '../plan/union-plan';
import { tiesOf } from '../ties/ties';
import { dueGroups } from './due-groups';
import { type DueTask, dueTasks } from './due-tasks';
import { ALWAYS_BROUGHT, minutesOf, toolsFor } from './minutes';

const MADE = {
  method: 'whip-and-tongue',
  variant: 'bench',
  schools: {},
  species: 'pear',
  materials: ['vinyl-tape', 'film', 'sealant', 'label'],
  madeOn: '2027-03-06',
} as const;

/** What of a whip that was bound with vinyl wants doing on a day. */
function due(today: string, life: LifeSoFar = {}, until?: string): DueTask[] {
  const tasks = unionPlan({ ...planBasis(MADE), madeOn: MADE.madeOn }, { turnsOf, today, ...life });
  const doneOn = (task: string) => life.closed?.find((closed) => closed.task === task)?.on ?? null;
  const ties = tiesOf({
    materials: MADE.materials,
    tasks,
    doneOn,
    seen: [],
    madeOn: MADE.madeOn,
    braceDays: 1460,
    today,
  });
  return dueTasks(tasks, ties, today, until);
}
const ids = (tasks: readonly DueTask[]) => tasks.map(({ task }) => task);

describe('what of a union wants doing', () => {
  it('is what has begun by the end of the week, what ends first first', () => {
    expect(ids(due('2027-03-08'))).toEqual(['roots', 'warm']);
    // The week ends on 16 March, when one can look for callus.
    expect(ids(due('2027-03-10'))).toEqual(['roots', 'warm', 'callus-seen', 'swell']);
    expect(ids(due('2027-03-10', {}, '2027-03-10'))).toEqual(['roots', 'warm']);
  });
  it('leaves out what was done, and what was missed long ago', () => {
    const closed = [{ task: 'warm', on: '2027-03-20', how: 'done' }] as const;
    expect(ids(due('2027-03-21', { closed }))).not.toContain('warm');
    expect(ids(due('2027-06-01'))).not.toContain('callus-seen');
  });
  it('puts ties past their last day before all else, and names near ones before their window', () => {
    const [first] = due('2028-04-01');
    expect(first).toMatchObject({ task: 'binding-off', alarm: true, latest: '2028-03-19' });
    const strained = {
      girdle: 300,
      growth: [
        { day: 60, height: 0 },
        { day: 75, height: 150 },
      ],
    };
    // 300 mm on day 90, 4 June: soon from 21 May on, though the winter's window is far off.
    expect(due('2027-05-25', strained).find(({ task }) => task === 'binding-off')).toMatchObject({
      alarm: false,
      latest: '2027-06-04',
    });
    expect(ids(due('2027-05-20', strained))).not.toContain('binding-off');
    // Asked about the whole winter ahead, its usual window has begun by then: it is due now all the same.
    for (const today of ['2027-05-25', '2027-06-20'])
      expect(due(today, strained, '2028-03-30').find(({ task }) => task === 'binding-off')?.due).toEqual({
        from: today,
        best: today,
        to: '2027-06-04',
      });
  });
  it('has what is dark painted by tonight before all else, in the place of the task that covers it', () => {
    const shade = { name: 'Paint or shade by tonight', occurrence: 1 };
    const tasks = dueTasks([], [], '2027-06-20', undefined, shade);
    expect(tasks).toMatchObject([{ task: 'dark-seal', occurrence: 1, due: { from: '2027-06-20', to: '2027-06-20' } }]);
  });
});

describe('tasks put together', () => {
  const plant = (unionId: string) => ({ unionId, code: unionId, called: unionId, place: '' });
  const groupsOf = (today: string) => {
    const items = ['a', 'b', 'c'].flatMap((unionId) =>
      due(today).map((task) => ({ due: task, plant: plant(unionId), where: unionId === 'c' ? 'bed' : 'pail' })),
    );
    return dueGroups(items, (where) => where);
  };
  it('are one a place and task, with plants, minutes and the end that comes first', () => {
    const groups = groupsOf('2027-03-10');
    const pail = groups.find(({ task, where }) => task === 'roots' && where === 'pail')!;
    expect(pail.plants.map(({ unionId }) => unionId)).toEqual(['a', 'b']);
    expect(pail.minutes).toBe(2 * minutesOf('roots'));
    expect(groups.filter(({ task }) => task === 'roots')).toHaveLength(2);
  });
  it('lose no plant and no task', () => {
    const groups = groupsOf('2027-03-10');
    expect(groups.reduce((sum, { plants }) => sum + plants.length, 0)).toBe(3 * due('2027-03-10').length);
    expect(groupsOf('2028-04-01')[0]!.alarm).toBe(true);
  });
});

describe('what is brought', () => {
  it('is named once, and nothing for what hand and eye do', () => {
    expect(toolsFor(['suckers', 'callus-seen'])).toEqual([]);
    expect(toolsFor(['one-shoot', 'side-shoots'])).toEqual(['secateurs']);
    expect(ALWAYS_BROUGHT.length).toBeGreaterThan(0);
  });
});
