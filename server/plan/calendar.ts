import { createHash } from 'node:crypto';
import type { PlannedDate } from '@/core/plan/dates/planned-date';
import type { CalendarEntryRow } from '@/db/models/plan-rows';
import { isDuplicate, transact } from '@/db/transact';
import { calendarFile } from '@/exchange/calendar';
import { allow, type Context } from '@/server/platform/context';
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
  const entries = await remember(context, workshopId, dates, JSON.stringify(times));
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

async function remember(
  context: Context,
  workshopId: string,
  dates: PlannedDate[],
  times: string,
): Promise<CalendarEntryRow[]> {
  const {
    db,
    actor: { clubId },
  } = context;
  for (let attempt = 1; ; attempt++) {
    try {
      return await transact(db, async (transaction) => {
        const known = await db.calendarEntries.findAll({ where: { clubId, workshopId }, transaction, raw: true });
        for (const date of dates) {
          const row = { fromDate: date.from, toDate: date.to, title: date.name, cancelled: false };
          const contentHash = createHash('sha256')
            .update(JSON.stringify([date.from, date.to, date.name, date.how, date.id === 'day' ? times : '']))
            .digest('hex');
          const before = known.find(({ entry }) => entry === date.id);
          if (!before)
            await db.calendarEntries.create(
              { clubId, workshopId, entry: date.id, sequence: 0, contentHash, ...row },
              { transaction },
            );
          else if (before.contentHash !== contentHash || before.cancelled) {
            await db.calendarEntries.update(
              { ...row, contentHash, sequence: before.sequence + 1 },
              { where: { clubId, workshopId, entry: date.id }, transaction },
            );
          }
        }
        for (const gone of known.filter(
          ({ entry, cancelled }) => !cancelled && !dates.some(({ id }) => id === entry),
        )) {
          await db.calendarEntries.update(
            { cancelled: true, sequence: gone.sequence + 1 },
            { where: { clubId, workshopId, entry: gone.entry }, transaction },
          );
        }
        return db.calendarEntries.findAll({
          where: { clubId, workshopId },
          order: [
            ['fromDate', 'ASC'],
            ['entry', 'ASC'],
          ],
          transaction,
          raw: true,
        });
      });
    } catch (error) {
      // Two files asked for at once: the second finds what the first noted.
      if (!isDuplicate(error) || attempt === 3) throw error;
    }
  }
}
