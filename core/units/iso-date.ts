import { DateTime } from 'luxon';

/** A calendar date, YYYY-MM-DD, in the zone of the site it belongs to. */
export type IsoDate = string;

function parse(date: IsoDate): DateTime {
  const parsed = DateTime.fromISO(date, { zone: 'utc' });
  if (!parsed.isValid || !/^\d{4}-\d{2}-\d{2}$/.test(date)) throw new Error(`"${date}" is not a date of the form YYYY-MM-DD.`);
  return parsed;
}

/** True for an existing calendar date written YYYY-MM-DD. */
export function isIsoDate(text: string): boolean {
  return /^\d{4}-\d{2}-\d{2}$/.test(text) && DateTime.fromISO(text, { zone: 'utc' }).isValid;
}

/** The date `days` after (negative: before) `date`. */
export function addDays(date: IsoDate, days: number): IsoDate {
  return parse(date).plus({ days }).toISODate()!;
}

/** Whole days from `from` to `to`; negative when `to` is earlier. */
export function daysBetween(from: IsoDate, to: IsoDate): number {
  return parse(to).diff(parse(from), 'days').days;
}

/** The calendar date in `zone` at the instant `at`. */
export function dateInZone(at: Date, zone: string): IsoDate {
  const local = DateTime.fromJSDate(at, { zone });
  if (!local.isValid) throw new Error(`"${zone}" is not a time zone this system knows.`);
  return local.toISODate()!;
}

/** A date for reading: "14 Mar 2027". */
export function formatDate(date: IsoDate): string {
  return parse(date).setLocale('en-GB').toFormat('d LLL yyyy');
}
