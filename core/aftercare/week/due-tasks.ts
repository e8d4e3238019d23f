import { addDays, type IsoDate } from '../../units/iso-date';
import type { TaskDays } from '../plan/task-days';
import type { PlannedTask } from '../plan/union-plan';
import { DARK_SEAL_TASK } from '../shade/shade-tonight';
import { TIES, type Tie } from '../ties/ties';

/** A task of one union that wants doing, or a tie that must come off. */
export interface DueTask {
  /** Id by which it is marked. */
  task: string;
  name: PlannedTask['name'];
  missed: PlannedTask['missed'];
  due: TaskDays;
  occurrence: number;
  /** A tie past its last day. */
  alarm: boolean;
  /** The last day of a tie. */
  latest: IsoDate | null;
  movedBy: number;
  /** Its window has passed. */
  late: boolean;
  /** A hot day is at hand: it cannot wait for tomorrow. */
  tonight?: boolean;
}

/** What is dark and meets a hot day, in words. */
export interface ShadeTask {
  name: string;
  occurrence: number;
}

/** Days of a week. */
export const WEEK = 7;

/**
 * What of a union wants doing until a day: open tasks whose window has begun by then, and ties that are near or past
 * their last day, alarms first, then what ends first.
 *
 * @param until last day that counts, such as the end of the week
 * @param shade has to be painted or shaded by tonight, in the place of the task that covers what is dark
 */
export function dueTasks(
  tasks: readonly PlannedTask[],
  ties: readonly Tie[],
  today: IsoDate,
  until: IsoDate = addDays(today, WEEK - 1),
  shade: ShadeTask | null = null,
): DueTask[] {
  const alarmed = new Map(ties.filter(({ state }) => state === 'alarm').map((tie) => [tie.offTask, tie]));
  const near = new Map(
    ties.filter(({ state }) => state === 'soon' || state === 'alarm').map((tie) => [tie.offTask, tie]),
  );
  const off = new Set(ties.filter(({ state }) => state === 'off').map(({ offTask }) => offTask));
  const on = new Set(ties.filter(({ state }) => state !== 'off').map(({ offTask }) => offTask));
  const open = tasks.flatMap((task): DueTask[] => {
    if (shade !== null && task.id === DARK_SEAL_TASK) return [];
    if (task.state !== 'open' || (off.has(task.id) && !on.has(task.id))) return [];
    const tie = near.get(task.id);
    const begun = task.due !== null && task.due.from <= until;
    if (!begun && !tie) return [];
    // What growth strains comes off now, however far its usual window lies ahead.
    const usual = begun && !(tie && task.due!.from > today);
    const due = usual ? task.due! : { from: today, best: today, to: tie!.latest! };
    return [
      {
        task: task.id,
        name: task.name,
        missed: task.missed,
        due,
        occurrence: task.occurrence,
        alarm: alarmed.has(task.id),
        latest: near.get(task.id)?.latest ?? task.latest,
        movedBy: task.movedBy,
        late: due.to < today,
      },
    ];
  });
  const bare = ties
    .filter(
      ({ state, offTask }) => (state === 'soon' || state === 'alarm') && !open.some(({ task }) => task === offTask),
    )
    .map((tie): DueTask => ({
      task: tie.offTask,
      name: `${TIES[tie.id]}: take it off`,
      missed: 'It girdles.',
      due: { from: today, best: today, to: tie.latest! },
      occurrence: 0,
      alarm: tie.state === 'alarm',
      latest: tie.latest,
      movedBy: 0,
      late: tie.latest! < today,
    }));
  const dark = shade === null ? [] : [shadeTask(shade, today)];
  return [...dark, ...open, ...bare].sort(
    (a, b) =>
      Number(b.alarm) - Number(a.alarm) ||
      Number(b.tonight ?? false) - Number(a.tonight ?? false) ||
      (a.due.to < b.due.to ? -1 : a.due.to > b.due.to ? 1 : 0),
  );
}

function shadeTask({ name, occurrence }: ShadeTask, today: IsoDate): DueTask {
  return {
    task: DARK_SEAL_TASK,
    name,
    missed: 'In the sun it heats the cambium until no callus forms.',
    due: { from: today, best: today, to: today },
    occurrence,
    alarm: false,
    latest: null,
    movedBy: 0,
    late: false,
    tonight: true,
  };
}
