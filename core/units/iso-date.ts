import { DateTime } from 'luxon';

/** A calendar date, YYYY-MM-DD, in the zone of the site it belongs to. */
export type IsoDate = string;

const DAY = 86_400_000;

/** Midnight UTC of a date, in ms: calendars are walked day by day, so this has to be quick. */
function midnight(date: IsoDate): number {
  const at = /^\d{4}-\d{2}-\d{2}$/.test(date) ? Date.parse(`${date}T00:00:00Z`) : Number.NaN;
  // Date.parse lets 30 February pass as 2 March.
  if (Number.isNaN(at) || new Date(at).getUTCDate() !== Number(date.slice(8))) throw new Error(`"${date}" is not a date of the form YYYY-MM-DD.`);
  return at;
}

/** True for an existing calendar date written YYYY-MM-DD. */
export function isIsoDate(text: string): boolean {
  return /^\d{4}-\d{2}-\d{2}$/.test(text) && DateTime.fromISO(text, { zone: 'utc' }).isValid;
}

/** The date `days` after (negative: before) `date`. */
export function addDays(date: IsoDate, days: number): IsoDate {
  return new Date(midnight(date) + Math.round(days) * DAY).toISOString().slice(0, 10);
}

/** First and last day that calendars are reckoned for. */
const RECKONED = { from: '1900-01-01', to: '2200-12-31' };

/**
 * A day that calendars can be reckoned for: itself, or the nearest one when its year cannot be right.
 * Whoever shows it says so.
 *
 * @example reckonedDay('0027-03-06') // '1900-01-01'
 */
export function reckonedDay(date: IsoDate): IsoDate {
  return date < RECKONED.from ? RECKONED.from : date > RECKONED.to ? RECKONED.to : date;
}

/** Whole days from `from` to `to`; negative when `to` is earlier. */
export function daysBetween(from: IsoDate, to: IsoDate): number {
  return (midnight(to) - midnight(from)) / DAY;
}

/** The calendar date in `zone` at the instant `at`. */
export function dateInZone(at: Date, zone: string): IsoDate {
  const local = DateTime.fromJSDate(at, { zone });
  if (!local.isValid) throw new Error(`"${zone}" is not a time zone this system knows.`);
  return local.toISODate()!;
}

/** Minutes since midnight in `zone` at the instant `at`. */
export function timeInZone(at: Date, zone: string): number {
  const local = DateTime.fromJSDate(at, { zone });
  if (!local.isValid) throw new Error(`"${zone}" is not a time zone this system knows.`);
  return local.hour * 60 + local.minute;
}

/** A date for reading: "14 Mar 2027". */
export function formatDate(date: IsoDate): string {
  return DateTime.fromMillis(midnight(date), { zone: 'utc' }).setLocale('en-GB').toFormat('d LLL yyyy');
}
