import type { Prose } from '../../units/prose';
import type { AftercareTask } from './aftercare-task';
import type { Known } from './due-window';
import { nextSpring } from './spring-after';
import type { SeasonPhaseId } from './season-phases';
import type { IsoDate } from '../../units/iso-date';
import { calendarDays, type Trigger } from './trigger';

/*
 * Aftercare where no winter comes, or on a kind that has none: counted in days, by flushes and half-years. Our guesses
 * all, but for ties, which come off after two months as practitioners without a winter to leave them on for say.
 */

/** When a phase of the year is due where the place does not know it, by days since the union was made. */
const DAYS: Record<SeasonPhaseId, Trigger> = {
  'first-season': calendarDays(30, 60, 150),
  'mid-summer': calendarDays(60, 75, 105),
  'late-summer': calendarDays(120, 135, 165),
  'leaf-fall': calendarDays(180, 182, 210),
  'kin-in-leaf': calendarDays(365, 365, 395),
  winter: calendarDays(180, 182, 210),
  'late-winter': calendarDays(180, 182, 210),
  'buds-swell': calendarDays(180, 182, 210),
  'last-frost': calendarDays(21, 28, 42),
};
/** A tie that elsewhere stays on until late summer, or over the winter. */
const TWO_MONTHS = calendarDays(55, 60, 75);
const TIES: ReadonlySet<string> = new Set(['binding-off', 'unwrap-bud', 'foil-off', 'bag-open', 'cover-off']);

/** What is said of winters, and what instead; nothing at all where only a winter could do it. */
const WORDS: readonly [said: string, instead: string][] = [
  [
    ': it stays on over the winter, and comes off sooner where the girth strains it',
    ', sooner where the girth strains it',
  ],
  ['It girdles in the next spring’s growth; earlier where the girth strains it.', 'It girdles with the next flush.'],
  ['It girdles: before growth of the next spring at the latest.', 'It girdles with the next flush.'],
  ['The film stayed on through the winter: ', 'Look at the film: '],
  [': it stayed on through the winter', ''],
  [': it covered the bud until spring', ': it covered the bud until it grew'],
  ['it stays covered until spring', 'it stays covered until it grows'],
  ['so that it grows this year', 'so that it grows with the next flush'],
  ['It sleeps until spring, or grows too late to ripen.', 'It sits asleep.'],
  ['as feeders until winter, then', 'as feeders for half a year, then'],
  ['what a dull summer has left of it', 'what dull weather has left of it'],
  ['and the graft dies later in summer.', 'and the graft dies weeks later.'],
  ['Frosted growth; buried, the scion roots.', 'Buried, the scion roots.'],
  ['Frosted growth.', 'Its roots fill the pot.'],
  ['on until late winter, then', 'on for half a year, then'],
];

const said = (words: Prose): Prose =>
  typeof words === 'string' ? WORDS.reduce((text, [from, to]) => text.replace(from, to), words) : words;

/** Whether no spring comes for a union, by the turns of the year of its kind; where nobody knows them one is taken to come. */
export function isWinterless(madeOn: IsoDate, turnsOf: Known['turnsOf']): boolean {
  return turnsOf !== undefined && nextSpring(madeOn, turnsOf) === null;
}

/** A task as it is done where no winter comes. */
export function taskWithoutWinter(task: AftercareTask): AftercareTask {
  const { trigger } = task;
  const days = trigger.kind === 'phase' ? daysOf(task.id, trigger) : trigger;
  return { ...task, name: said(task.name), missed: task.missed === null ? null : said(task.missed), trigger: days };
}

function daysOf(id: string, { phase, nth, offset }: Extract<Trigger, { kind: 'phase' }>): Trigger {
  if (TIES.has(id) && phase !== 'mid-summer') return TWO_MONTHS;
  const usual = DAYS[phase];
  if (usual.kind !== 'days') return usual;
  const later = offset + (nth - 1) * 365;
  return calendarDays(usual.earliest + later, usual.best + later, usual.latest + later);
}
