import type { AftercareTask } from '../../methods/timetable/aftercare-task';
import { dueWindow, type Known } from '../../methods/timetable/due-window';
import { phaseWindow } from '../../methods/timetable/season-phases';
import { tasksFor } from '../../methods/timetable/tasks-by-way';
import type { WayOn } from '../../methods/variant';
import { addDays, type IsoDate } from '../../units/iso-date';
import { growthDate, type GrowthObservation } from '../growth/growth-date';
import { movedWindow } from '../warmth/stretched-window';

/** How a task was closed. */
export interface Closed {
  task: string;
  on: IsoDate;
  how: 'done' | 'not-needed' | 'skipped';
}

/** What is known of a union's life, besides its day. */
export interface LifeSoFar extends Known {
  /** Knitting rates of the days after it was made, and of a usual day at the place it stood in. */
  warmth?: { rates: readonly number[]; references: readonly number[] };
  /** Heights seen, by days since it was made. */
  growth?: readonly GrowthObservation[];
  closed?: readonly Closed[];
  /** It died, or its plant was given up. */
  ended?: { on: IsoDate; why: 'dead' | 'voided' } | null;
}

/** Days on which a task is due. */
export interface TaskDays {
  from: IsoDate;
  best: IsoDate;
  to: IsoDate;
}

/** A task of one union, as it stands. */
export interface PlannedTask extends AftercareTask {
  /** Null where it waits for something that nobody has seen yet. */
  due: TaskDays | null;
  /** By how many days warmth or cold moved its best day; 0 for what goes by the calendar. */
  movedBy: number;
  /** Of what is round the stem and must come off: the last day it may stay on, where that can be said. */
  latest: IsoDate | null;
  state: 'open' | 'done' | 'not-needed' | 'skipped' | 'no-longer-possible';
}

/** Tasks that take off what is round a stem. */
const TIES = new Set(['binding-off', 'unwrap-bud', 'foil-off', 'bag-open', 'cover-off']);

/**
 * The plan of one union: each task of its aftercare with the days it is due, moved by warmth and growth, and how it
 * stands. It is made again whenever something is learnt; what was closed stays closed, and a task that recurs is due
 * again from the day it was last done.
 *
 * @example unionPlan({ wayOn: 'bench', aftercare, madeOn: '2027-03-06' }).find(({ id }) => id === 'warm')?.due
 */
export function unionPlan(
  { wayOn, aftercare, madeOn }: { wayOn: WayOn; aftercare: readonly AftercareTask[]; madeOn: IsoDate },
  life: LifeSoFar = {},
): PlannedTask[] {
  return tasksFor(wayOn, aftercare).map((task) => {
    const last = (life.closed ?? [])
      .filter((closed) => closed.task === task.id)
      .sort((a, b) => (a.on < b.on ? 1 : -1))[0];
    const first = dueOf(task, madeOn, life);
    const again = last && task.every !== null ? addDays(last.on, task.every) : null;
    const due = again === null ? first.due : { from: again, best: again, to: again };
    const closed = last && again === null ? last.how : null;
    return {
      ...task,
      due,
      movedBy: again === null ? first.movedBy : 0,
      latest: TIES.has(task.id) ? latestDay(due, madeOn, life) : null,
      state: closed ?? (life.ended && !TIES.has(task.id) ? 'no-longer-possible' : 'open'),
    };
  });
}

/** When a task first falls due, and by how much warmth moved it. */
function dueOf({ trigger }: AftercareTask, madeOn: IsoDate, life: LifeSoFar): Pick<PlannedTask, 'due' | 'movedBy'> {
  if (trigger.kind === 'days') {
    const usual = [trigger.earliest, trigger.best, trigger.latest] as const;
    const { warmth } = life;
    const moved = trigger.count === 'healing' && warmth ? movedWindow(usual, warmth.rates, warmth.references) : usual;
    const [from, best, to] = moved.map((day) => addDays(madeOn, day)) as [IsoDate, IsoDate, IsoDate];
    return { due: { from, best, to }, movedBy: moved[1] - usual[1] };
  }
  if (trigger.kind === 'growth') {
    const day = (height: number): IsoDate | null => {
      const reached = growthDate(life.growth ?? [], height);
      return reached === null ? null : addDays(madeOn, Math.ceil(reached));
    };
    const [from, best, to] = [day(trigger.from), day(trigger.best), day(trigger.to)];
    return { due: from && best && to ? { from, best, to } : null, movedBy: 0 };
  }
  const window = dueWindow(trigger, madeOn, life);
  return { due: window && { from: window.from, best: window.from, to: window.to }, movedBy: 0 };
}

/** The last day of a tie: that of its task, and never past the buds of the next spring. */
function latestDay(due: TaskDays | null, madeOn: IsoDate, { turnsOf }: LifeSoFar): IsoDate | null {
  const swelling = turnsOf ? nextSpring(madeOn, turnsOf) : null;
  const days = [due?.to ?? null, swelling && addDays(swelling, -1)].filter((day): day is IsoDate => day !== null);
  return days.length > 0 ? days.reduce((first, day) => (day < first ? day : first)) : null;
}

/** So many days after it was made, the spring in which a union was made is over. */
const SAME_SPRING = 120;

function nextSpring(madeOn: IsoDate, turnsOf: NonNullable<Known['turnsOf']>): IsoDate | null {
  return phaseWindow('buds-swell', 1, addDays(madeOn, SAME_SPRING), turnsOf)?.from ?? null;
}
