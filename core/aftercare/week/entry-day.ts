import type { IsoDate } from '../../units/iso-date';
import type { DueTask } from './due-tasks';

/**
 * The one day on which a task stands in a calendar: its best day, or today where that has passed or the task is late. A window
 * of months is no entry of months.
 *
 * @example entryDay({ due: { from: '2027-06-01', best: '2027-06-20', to: '2027-09-01' }, late: false, alarm: false }, '2027-06-05') // '2027-06-20'
 */
export function entryDay({ due, late, alarm }: Pick<DueTask, 'due' | 'late' | 'alarm'>, today: IsoDate): IsoDate {
  return late || alarm || due.best < today ? today : due.best;
}
