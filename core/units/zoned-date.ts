import { DateTime } from 'luxon';
import type { IsoDate } from './iso-date';

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
