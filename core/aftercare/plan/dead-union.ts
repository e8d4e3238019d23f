import { type AftercareTask, task } from '../../methods/timetable/aftercare-task';
import { calendarDays } from '../../methods/timetable/trigger';
import { daysBetween, type IsoDate } from '../../units/iso-date';

/*
 * A dead union turns the tasks of its stock round: the stock is grown on, to be worked again. Days are counted from the
 * day it was seen dead. Source: usual practice, aftercare; the days are our guess.
 */
export const DEAD_UNION_TASKS: readonly AftercareTask[] = [
  task(
    'stock-shoots',
    'Keep the best one or two shoots of the stock, and take the others off',
    calendarDays(0, 7, 21),
    'The stock dies with its graft, or grows a thicket.',
  ),
  task(
    'dead-wood',
    'Cut the dead scion out, back to live wood, so that the stump heals',
    calendarDays(0, 14, 42),
    'The stump rots down into the stock.',
  ),
];

/** What is done on the stock of a dead union, and by when. */
export interface RegraftDue {
  name: string;
  from: IsoDate;
  to: IsoDate;
}

/** Grafting a stock again, by the way that comes next. */
export function regraftTask({ name, from, to }: RegraftDue): AftercareTask {
  const days = [0, 0, daysBetween(from, to)] as const;
  return task(REGRAFT, name, calendarDays(...days), 'A year is lost.');
}

/** The task of grafting again, by its id. */
export const REGRAFT = 'second-chance';

/** Tasks that make no sense while a union lives. */
export const ONLY_WHEN_DEAD: ReadonlySet<string> = new Set([REGRAFT]);
