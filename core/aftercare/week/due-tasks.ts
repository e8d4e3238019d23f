import { addDays, type IsoDate } from '../../units/iso-date';
import type { TaskDays } from '../plan/task-days';
import type { PlannedTask } from '../plan/union-plan';
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
}

/** Days of a week. */
export const WEEK = 7;

/**
 * What of a union wants doing until a day: open tasks whose window has begun by then, and ties that are near or past
 * their last day, alarms first, then what ends first.
 *
 * @param until last day that counts, such as the end of the week
 */
export function dueTasks(
  tasks: readonly PlannedTask[],
  ties: readonly Tie[],
  today: IsoDate,
  until: IsoDate = addDays(today, WEEK - 1),
): DueTask[] {
  const alarmed = new Map(ties.filter(({ state }) => state === 'alarm').map((tie) => [tie.offTask, tie]));
  const near = new Map(
    ties.filter(({ state }) => state === 'soon' || state === 'alarm').map((tie) => [tie.offTask, tie]),
  );
  const off = new Set(ties.filter(({ state }) => state === 'off').map(({ offTask }) => offTask));
  const on = new Set(ties.filter(({ state }) => state !== 'off').map(({ offTask }) => offTask));
  const open = tasks.flatMap((task): DueTask[] => {
    if (task.state !== 'open' || (off.has(task.id) && !on.has(task.id))) return [];
    const tie = near.get(task.id);
    const begun = task.due !== null && task.due.from <= until;
    if (!begun && !tie) return [];
    const due = begun ? task.due! : { from: today, best: today, to: tie!.latest! };
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
  return [...open, ...bare].sort(
    (a, b) => Number(b.alarm) - Number(a.alarm) || (a.due.to < b.due.to ? -1 : a.due.to > b.due.to ? 1 : 0),
  );
}
