import { createEvents, type DateArray, type EventAttributes } from 'ics';
import { DateTime } from 'luxon';
import { addDays } from '@/core/units/iso-date';

/** One entry of a workshop's calendar. Dates are whole days; `times` makes it a stretch of one day in the site's zone. */
export interface CalendarEvent {
  uid: string;
  sequence: number;
  title: string;
  description: string;
  from: string;
  /** Last day, included. */
  to: string;
  times: { start: string; end: string; zone: string } | null;
  place: string;
  cancelled: boolean;
  /** A reminder in the morning of its day. */
  reminds?: boolean;
}

/** Eight in the morning of a whole day. */
const MORNING = { hours: 8, minutes: 0, before: false };

const day = (date: string): DateArray => date.split('-').map(Number) as DateArray;

/**
 * An iCalendar file (RFC 5545). An entry keeps its UID while the plan changes and its SEQUENCE
 * grows, so that a calendar replaces what it had.
 */
export function calendarFile(name: string, events: readonly CalendarEvent[]): string {
  const { error, value } = createEvents(
    events.map((event): EventAttributes => {
      const { uid, sequence, title, description, from, to, times, place, cancelled } = event;
      const instant = (time: string): DateArray => {
        const at = DateTime.fromISO(`${from}T${time.padStart(5, '0')}`, { zone: times!.zone }).toUTC();
        return [at.year, at.month, at.day, at.hour, at.minute];
      };
      const when = times
        ? {
            start: instant(times.start),
            startInputType: 'utc' as const,
            startOutputType: 'utc' as const,
            end: instant(times.end),
            endInputType: 'utc' as const,
            endOutputType: 'utc' as const,
          }
        : { start: day(from), end: day(addDays(to, 1)) };
      return {
        ...when,
        uid,
        sequence,
        title,
        description,
        location: place,
        calName: name,
        productId: 'pear-bench',
        method: 'PUBLISH',
        status: cancelled ? 'CANCELLED' : 'CONFIRMED',
        busyStatus: times ? 'BUSY' : 'FREE',
        ...(event.reminds
          ? { alarms: [{ action: 'display' as const, description: 'Pear Bench', trigger: MORNING }] }
          : {}),
      };
    }),
  );
  if (error || !value) throw error ?? new Error('The calendar could not be written.');
  return foldedAtOctets(value);
}

/** Longest line of a calendar file, octets without its line break: RFC 5545, 3.1. */
const LINE = 75;

/** Lines folded by octets; the writer folds by characters, of which some are up to four octets long. */
function foldedAtOctets(file: string): string {
  const fold = (line: string): string => {
    let folded = '';
    let octets = 0;
    for (const character of line) {
      const size = Buffer.byteLength(character);
      if (octets + size > LINE) {
        folded += '\r\n ';
        octets = 1;
      }
      folded += character;
      octets += size;
    }
    return folded;
  };
  return file
    .replaceAll(/\r?\n[ \t]/g, '')
    .split(/\r?\n/)
    .map(fold)
    .join('\r\n');
}
