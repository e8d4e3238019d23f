import { InputError } from '../../contact/input-error';

/** Days between which a task can be done, both included. */
export type VisitWindow = readonly [from: number, to: number];

/** Days to come on, and which windows none of the days one can go reaches. */
export interface Visits {
  days: number[];
  /** Places of the windows in the list that was asked with. */
  unreached: number[];
}

/**
 * The fewest days such that every window that can be reached holds one of them: for each window in the order of its
 * end that holds none yet, the last day one can go within it. Source: greedy stabbing of intervals, which is exact.
 *
 * @param days one can go on, in any order
 * @throws InputError when a window ends before it begins
 * @example fewestVisits([1, 6, 13, 18], [[13, 13], [11, 17], [18, 23]]).days // [13, 18]
 */
export function fewestVisits(days: readonly number[], windows: readonly VisitWindow[]): Visits {
  const candidates = checked(days, windows);
  const chosen: number[] = [];
  const unreached: number[] = [];
  const byEnd = windows.map((window, i) => ({ window, i })).sort((a, b) => a.window[1] - b.window[1]);
  for (const { window, i } of byEnd) {
    const [from, to] = window;
    if (chosen.some((day) => day >= from && day <= to)) continue;
    const day = candidates.findLast((candidate) => candidate <= to);
    if (day === undefined || day < from) unreached.push(i);
    else chosen.push(day);
  }
  return { days: chosen.sort((a, b) => a - b), unreached: unreached.sort((a, b) => a - b) };
}

function checked(days: readonly number[], windows: readonly VisitWindow[]): number[] {
  if (windows.some(([from, to]) => !(from <= to)))
    throw new InputError('windows', 'A window does not end before it begins.');
  if (days.some((day) => !Number.isFinite(day))) throw new InputError('days', 'Each day is a number.');
  return [...new Set(days)].sort((a, b) => a - b);
}
