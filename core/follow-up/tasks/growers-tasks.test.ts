import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { addDays, daysBetween } from '../../units/iso-date';
import { isGrowersTask, isQuietHour, isWrittenAbout, mayWriteOfTasks, MOST_TASK_LETTERS } from './growers-tasks';

const task = (from: string, to: string) => ({ from, to });

describe('tasks of growers', () => {
  it('are for their hands: what ties, what is cut, what wants shade; not a look, and no regraft', () => {
    expect(['binding-off', 'head-back', 'foil-off', 'suckers', 'dark-seal'].map(isGrowersTask)).toEqual([
      true,
      true,
      true,
      true,
      true,
    ]);
    expect(['swell', 'bud-wakes', 'second-chance', 'first-crop'].some(isGrowersTask)).toBe(false);
    expect(isWrittenAbout('binding-off')).toBe(true);
    expect(isWrittenAbout('tie-up')).toBe(false);
  });
  it('are written about when they fall due, and once more for a last day', () => {
    const ties = [task('2027-06-01', '2027-06-20')];
    expect(mayWriteOfTasks(ties, [], '2027-05-31')).toBe(false);
    expect(mayWriteOfTasks(ties, [], '2027-06-01')).toBe(true);
    expect(mayWriteOfTasks(ties, ['2027-06-01'], '2027-06-08')).toBe(false);
    expect(mayWriteOfTasks(ties, ['2027-06-01'], '2027-06-15')).toBe(true);
    // Nothing is said twice of what has months to go.
    expect(mayWriteOfTasks([task('2027-06-01', '2027-09-20')], ['2027-06-01'], '2027-07-01')).toBe(false);
    expect(mayWriteOfTasks(ties, ['2027-05-01', '2027-06-01'], '2027-06-18')).toBe(false);
    expect(mayWriteOfTasks([], [], '2027-06-15')).toBe(false);
  });
  it('bring no more than two letters in any half year, however the tasks fall', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.nat(360), fc.nat(60)), { minLength: 1, maxLength: 12 }), (windows) => {
        const tasks = windows.map(([from, days]) =>
          task(addDays('2027-01-01', from), addDays('2027-01-01', from + days)),
        );
        const sent: string[] = [];
        for (let day = 0; day < 400; day++) {
          const today = addDays('2027-01-01', day);
          if (mayWriteOfTasks(tasks, sent, today)) sent.push(today);
          const recent = sent.filter((on) => daysBetween(on, today) < 183);
          expect(recent.length).toBeLessThanOrEqual(MOST_TASK_LETTERS);
        }
        expect(sent.length).toBeGreaterThan(0);
      }),
      { numRuns: 40 },
    );
  });
  it('are not written about at night', () => {
    expect([0, 7, 8, 19, 20, 23].map(isQuietHour)).toEqual([true, true, false, false, true, true]);
  });
});
