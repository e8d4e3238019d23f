import type { PlannedDate } from '@/core/plan/dates/planned-date';
import { calendarFile } from '@/exchange/calendar';
import { allow, type Context } from '@/server/platform/context';
import { CARE, rememberEntries } from './calendar-entries';
import { dayPlan } from './day-plan';
import { planning, reckonedPlan } from './planning';

/**
 * The dates of a workshop as iCalendar. What was given out before is remembered: an entry that
 * changed comes again under its UID with a higher sequence, one that went comes as cancelled.
 */
export async function workshopCalendar(context: Context, workshopId: string): Promise<string> {
  allow(context, 'viewer');
  const { workshop, site, facts } = await planning(context, workshopId);
  const { dates } = reckonedPlan(facts);
  const day = (await dayPlan(context, workshopId)).body;
  const times = { start: day.start, end: day.end, zone: site.timeZone };
  const entries = await rememberEntries(
    context,
    workshopId,
    dates.map(({ id, from, to, name, how }) => ({
      entry: id,
      from,
      to,
      title: name,
      content: [how, id === 'day' ? JSON.stringify(times) : ''],
    })),
    (entry) => !entry.startsWith(CARE),
  );
  return calendarFile(
    workshop.title,
    entries.map((entry) => {
      const planned = dates.find(({ id }) => id === entry.entry);
      return {
        uid: `${workshopId}.${entry.entry}@pear-bench.invalid`,
        sequence: entry.sequence,
        title: planned ? titleOf(planned, workshop.title) : entry.title,
        cancelled: entry.cancelled,
        description: planned
          ? `${planned.how}${planned.source === null && planned.kind !== 'day' && planned.kind !== 'round' ? ' The date is our guess: no source gives it.' : ''}`
          : '',
        from: entry.fromDate,
        to: entry.toDate,
        times: entry.entry === 'day' ? times : null,
        place: site.name,
      };
    }),
  );
}

function titleOf(date: PlannedDate, workshop: string): string {
  return date.kind === 'day' ? date.name : `${date.name} (${workshop})`;
}
