import { DARK_SEAL_TASK } from '../../aftercare/shade/shade-tonight';
import { BINDING_OFF } from '../../aftercare/plan/actual-binding';
import { toolsFor } from '../../aftercare/week/minutes';
import { addDays, daysBetween, type IsoDate } from '../../units/iso-date';

/** Said of a task by whoever has the plant. */
export const TASK_SAID = ['done', 'not-yet', 'cannot'] as const;
export type TaskSaid = (typeof TASK_SAID)[number];

/** Tasks of those who know how to graft, and of who has the wood. */
const NOT_THEIRS: ReadonlySet<string> = new Set(['second-chance', 'scions', 'nurse', 'roots']);

/** What is rubbed off or pinched out with bare fingers. */
const BARE_HANDS: ReadonlySet<string> = new Set(['suckers', 'stock-shoots']);

/** Whether a task is one for the hands of a grower; what only wants a look is asked in other words. */
export function isGrowersTask(task: string): boolean {
  return !NOT_THEIRS.has(task) && (BARE_HANDS.has(task) || toolsFor([task]).length > 0);
}

/** Tasks whose day matters, so that they are written about: what girdles, what is headed back, what wants shade. */
const WRITTEN: ReadonlySet<string> = new Set([
  ...BINDING_OFF,
  'foil-off',
  'bag-open',
  'cover-off',
  'brace-off',
  'stake-off',
  'head-back',
  'head-back-last',
  'head-1',
  'head-2',
  'head-3',
  'patch-top',
  'lop-off',
  'soft-bark',
  'shade',
  DARK_SEAL_TASK,
]);

/** Whether a letter may be about a task. */
export function isWrittenAbout(task: string): boolean {
  return WRITTEN.has(task);
}

/** Letters about tasks in half a year at most, and the days between two of them at least. Our guesses. */
export const MOST_TASK_LETTERS = 2;
const SEASON_DAYS = 183;
const BETWEEN_DAYS = 14;
/** What falls due so many days ahead goes into the same letter. */
export const GATHERED_DAYS = 10;
/** A second letter is for what comes to its last day within these days, or is past it. */
const LAST_DAYS = 10;

/** A task a letter could be about: one that its grower has not answered today, nor cannot do. */
export interface LetterTask {
  from: IsoDate;
  /** The last day of it. */
  to: IsoDate;
}

/**
 * Whether somebody is written to about tasks today: once when the first of them falls due, a second time in half a year only
 * for what comes to its last day.
 *
 * @param lettersOn days on which they had letters about tasks
 */
export function mayWriteOfTasks(tasks: readonly LetterTask[], lettersOn: readonly IsoDate[], today: IsoDate): boolean {
  const recent = lettersOn.filter((on) => daysBetween(on, today) < SEASON_DAYS).sort();
  const open = tasks.filter(({ from }) => from <= today);
  if (open.length === 0 || recent.length >= MOST_TASK_LETTERS) return false;
  const last = recent.at(-1);
  if (last === undefined) return true;
  if (daysBetween(last, today) < BETWEEN_DAYS) return false;
  return open.some(({ to }) => to <= addDays(today, LAST_DAYS));
}

/** Hours of the day, at the site, in which letters about tasks are written. */
const AWAKE = { from: 8, until: 20 };

/** @example isQuietHour(22) // true */
export function isQuietHour(hour: number): boolean {
  return hour < AWAKE.from || hour >= AWAKE.until;
}
