import type { AftercareTask } from '../../methods/timetable/aftercare-task';
import { dueWindow, type Known } from '../../methods/timetable/due-window';
import { phaseWindow } from '../../methods/timetable/season-phases';
import { addDays, type IsoDate } from '../../units/iso-date';
import { growthDate, type GrowthObservation } from '../growth/growth-date';
import { movedWindow } from '../warmth/stretched-window';

/** Knitting rates of the days after a union was made, and of a usual day at the place it stood in. */
export interface DailyWarmth {
  rates: readonly number[];
  references: readonly number[];
}

/** Days on which a task is due. */
export interface TaskDays {
  from: IsoDate;
  best: IsoDate;
  to: IsoDate;
}

/** What moves the days of a task. */
export interface DaysKnown extends Known {
  warmth?: DailyWarmth;
  /** Heights seen, by days since it was made. */
  growth?: readonly GrowthObservation[];
}

/**
 * When a task first falls due: days of healing moved by warmth, growth by what was measured, phases by the site's year.
 *
 * @returns no days where it waits for something that nobody has seen yet, and by how many days warmth moved its best one.
 */
export function firstDue(
  { trigger, every }: AftercareTask,
  madeOn: IsoDate,
  known: DaysKnown,
): { due: TaskDays | null; movedBy: number } {
  if (trigger.kind === 'days') {
    const usual = [trigger.earliest, trigger.best, trigger.latest] as const;
    const { warmth } = known;
    const moved = trigger.count === 'healing' && warmth ? movedWindow(usual, warmth.rates, warmth.references) : usual;
    const [from, best, to] = moved.map((day) => addDays(madeOn, day)) as [IsoDate, IsoDate, IsoDate];
    return { due: { from, best, to }, movedBy: moved[1] - usual[1] };
  }
  if (trigger.kind === 'growth') {
    const [from, best, to] = [trigger.from, trigger.best, trigger.to].map((height) => grownOn(height, madeOn, known));
    return { due: from && best && to ? { from, best, to } : null, movedBy: 0 };
  }
  if (trigger.kind === 'recurring')
    return { due: trigger.at === 'year' && every !== null ? againDays(madeOn, every) : null, movedBy: 0 };
  const window = dueWindow(trigger, madeOn, known);
  return { due: window && { from: window.from, best: window.from, to: window.to }, movedBy: 0 };
}

/** The day on which growth reaches a height, as far as it was seen; null where that is not known. */
export function grownOn(height: number, madeOn: IsoDate, { growth = [] }: DaysKnown): IsoDate | null {
  const reached = growthDate(growth, height);
  return reached === null ? null : addDays(madeOn, Math.ceil(reached));
}

/** A recurring task is done within a third of its interval from the day it is due again. */
const WITHIN = 1 / 3;

/** When a task that recurs is due again after the day it was done. */
export function againDays(doneOn: IsoDate, every: number): TaskDays {
  const from = addDays(doneOn, every);
  return { from, best: from, to: addDays(from, Math.round(every * WITHIN)) };
}

/** The day leaves fall after a day; null where they do not. */
export function nextLeafFall(day: IsoDate, turnsOf: Known['turnsOf']): IsoDate | null {
  return turnsOf ? (phaseWindow('leaf-fall', 1, day, turnsOf)?.to ?? null) : null;
}
