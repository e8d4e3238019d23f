import type { VisitWindow } from './fewest-visits';

/** A task with the days on which it can be done; alarms go before all others. */
export interface VisitTask {
  window: VisitWindow;
  alarm: boolean;
}

/** What days serve: alarms first, then tasks. */
interface Served {
  alarms: number;
  tasks: number;
  days: readonly number[];
}

const NONE: Served = { alarms: 0, tasks: 0, days: [] };

const better = (a: Served, b: Served): boolean =>
  a.alarms !== b.alarms ? a.alarms > b.alarms : a.tasks !== b.tasks ? a.tasks > b.tasks : a.days.length < b.days.length;

/**
 * At most so many days that serve most alarms, and of these ways the one that serves most tasks. Exact: the best that
 * ends on a day follows from the best that ended on an earlier one, since a task is new on a day when it began after it.
 *
 * @param days one can go on, in any order
 * @param most visits
 * @returns the days in their order
 * @example bestVisits([1, 2], [{ window: [2, 3], alarm: false }], 1) // [2]
 */
export function bestVisits(days: readonly number[], tasks: readonly VisitTask[], most: number): number[] {
  const candidates = [...new Set(days)].sort((a, b) => a - b);
  const newOn = (day: number, after: number): { alarms: number; tasks: number } => {
    const fresh = tasks.filter(({ window: [from, to] }) => from > after && from <= day && day <= to);
    return { alarms: fresh.filter(({ alarm }) => alarm).length, tasks: fresh.length };
  };
  let best = NONE;
  // The best that ends on each candidate, with one visit more in each round.
  let ending: (Served | null)[] = candidates.map(() => null);
  for (let visits = 1; visits <= Math.min(most, candidates.length); visits++) {
    ending = candidates.map((day, i): Served | null => {
      const earlier: [Served, number][] =
        visits === 1
          ? [[NONE, -Infinity]]
          : ending.slice(0, i).flatMap((served, k): [Served, number][] => (served ? [[served, candidates[k]!]] : []));
      return earlier.reduce<Served | null>((found, [served, after]) => {
        const fresh = newOn(day, after);
        const next = {
          alarms: served.alarms + fresh.alarms,
          tasks: served.tasks + fresh.tasks,
          days: [...served.days, day],
        };
        return found === null || better(next, found) ? next : found;
      }, null);
    });
    for (const served of ending) if (served && better(served, best)) best = served;
  }
  return [...best.days];
}
