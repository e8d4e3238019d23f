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
  const alarms = newTasks(
    candidates,
    tasks.filter(({ alarm }) => alarm),
  );
  const all = newTasks(candidates, tasks);
  let best = NONE;
  // The best that ends on each candidate, with one visit more in each round.
  let ending: (Served | null)[] = candidates.map(() => null);
  for (let visits = 1; visits <= Math.min(most, candidates.length); visits++) {
    ending = candidates.map((day, i): Served | null => {
      let found: Served | null = null;
      for (let k = visits === 1 ? -1 : 0; k < (visits === 1 ? 0 : i); k++) {
        const served = k < 0 ? NONE : ending[k]!;
        if (!served) continue;
        const next = {
          alarms: served.alarms + alarms(i, k),
          tasks: served.tasks + all(i, k),
          days: [...served.days, day],
        };
        if (found === null || better(next, found)) found = next;
      }
      return found;
    });
    for (const served of ending) if (served && better(served, best)) best = served;
  }
  return [...best.days];
}

/**
 * Counts what is new on one candidate after another: tasks whose window holds it and began after the earlier one. The
 * table of all pairs is made once.
 *
 * @returns the count for candidate `i` after candidate `k`, by their places; `k` is -1 for the first visit
 */
function newTasks(candidates: readonly number[], tasks: readonly VisitTask[]): (i: number, k: number) => number {
  const size = candidates.length;
  // Windows by the first and the last candidate in them.
  const windows = new Float64Array(size * size);
  for (const { window } of tasks) {
    const [first, last] = [placeFrom(candidates, window[0]), placeFrom(candidates, window[1] + 1) - 1];
    if (first <= last) windows[first * size + last]!++;
  }
  // Of each candidate: windows that hold it, by how late they began at least.
  const table = new Float64Array(size * (size + 1));
  for (let i = 0; i < size; i++) {
    let sum = 0;
    for (let first = i; first >= 0; first--) {
      for (let last = i; last < size; last++) sum += windows[first * size + last]!;
      table[i * (size + 1) + first] = sum;
    }
  }
  return (i, k) => table[i * (size + 1) + k + 1]!;
}

/** Place of the first candidate from a day on; their number where there is none. */
function placeFrom(candidates: readonly number[], day: number): number {
  let [low, high] = [0, candidates.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (candidates[middle]! < day) low = middle + 1;
    else high = middle;
  }
  return low;
}
