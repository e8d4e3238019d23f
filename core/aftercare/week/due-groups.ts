import type { IsoDate } from '../../units/iso-date';
import type { DueTask } from './due-tasks';
import { minutesOf } from './minutes';

/** A plant among those a task is due on. */
export interface DuePlant {
  unionId: string;
  /** Of its tag; empty for a limb, which has none. */
  code: string;
  /** As people call it. */
  called: string;
  occurrence: number;
  /** Where it sits on its plant; empty for the only one. */
  place: string;
}

/** One task due on several plants of one lot at one place: what one tap closes. */
export interface DueGroup<Where> extends Pick<DueTask, 'task' | 'name' | 'missed' | 'alarm' | 'movedBy' | 'tonight'> {
  where: Where;
  from: IsoDate;
  /** The end that comes first. */
  to: IsoDate;
  latest: IsoDate | null;
  late: boolean;
  plants: DuePlant[];
  minutes: number;
}

/**
 * Tasks of many unions put together by where the plants stand and what is done: alarms first, then what ends first.
 *
 * @param keyOf what tells one place and lot from another
 */
export function dueGroups<Where>(
  items: readonly { due: DueTask; plant: Omit<DuePlant, 'occurrence'>; where: Where }[],
  keyOf: (where: Where) => string,
): DueGroup<Where>[] {
  const groups = new Map<string, DueGroup<Where>>();
  for (const { due, plant, where } of items) {
    const key = `${keyOf(where)} ${due.task} ${String(due.alarm)} ${JSON.stringify(due.name)}`;
    const held = groups.get(key);
    const listed: DuePlant = { ...plant, occurrence: due.occurrence };
    if (!held)
      groups.set(key, {
        task: due.task,
        name: due.name,
        missed: due.missed,
        alarm: due.alarm,
        movedBy: due.movedBy,
        ...(due.tonight ? { tonight: true } : {}),
        where,
        from: due.due.from,
        to: due.due.to,
        latest: due.latest,
        late: due.late,
        plants: [listed],
        minutes: minutesOf(due.task),
      });
    else {
      held.plants.push(listed);
      held.minutes += minutesOf(due.task);
      held.from = earlier(held.from, due.due.from);
      held.to = earlier(held.to, due.due.to);
      held.late ||= due.late;
      if (due.latest && (!held.latest || due.latest < held.latest)) held.latest = due.latest;
    }
  }
  return [...groups.values()]
    .map((group) => ({ ...group, minutes: Math.ceil(group.minutes) }))
    .sort(
      (a, b) =>
        Number(b.alarm) - Number(a.alarm) ||
        Number(b.tonight ?? false) - Number(a.tonight ?? false) ||
        (a.to < b.to ? -1 : a.to > b.to ? 1 : 0) ||
        b.plants.length - a.plants.length,
    );
}

const earlier = (a: IsoDate, b: IsoDate): IsoDate => (a < b ? a : b);
