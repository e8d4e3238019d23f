import { createHash } from 'node:crypto';
import type { CalendarEntryRow } from '@/db/models/plan-rows';
import { isDuplicate, transact } from '@/db/transact';
import type { Context } from '@/server/platform/context';

/** Entries of aftercare begin so; all others are those of the day's plan. */
export const CARE = 'care.';

/** An entry as a calendar file gives it out. */
export interface GivenOut {
  entry: string;
  from: string;
  to: string;
  title: string;
  /** What else of it is written, so that a change of it counts up. */
  content: string[];
}

/**
 * Remembers what a calendar file gives out: an entry that changed counts up, one that went is cancelled.
 *
 * @param isOurs which entries of the workshop belong to this file
 */
export async function rememberEntries(
  context: Context,
  workshopId: string,
  dates: readonly GivenOut[],
  isOurs: (entry: string) => boolean,
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
          const row = { fromDate: date.from, toDate: date.to, title: date.title, cancelled: false };
          const contentHash = createHash('sha256')
            .update(JSON.stringify([date.from, date.to, date.title, ...date.content]))
            .digest('hex');
          const before = known.find(({ entry }) => entry === date.entry);
          if (!before)
            await db.calendarEntries.create(
              { clubId, workshopId, entry: date.entry, sequence: 0, contentHash, ...row },
              { transaction },
            );
          else if (before.contentHash !== contentHash || before.cancelled) {
            await db.calendarEntries.update(
              { ...row, contentHash, sequence: before.sequence + 1 },
              { where: { clubId, workshopId, entry: date.entry }, transaction },
            );
          }
        }
        for (const gone of known.filter(
          ({ entry, cancelled }) => !cancelled && isOurs(entry) && !dates.some((date) => date.entry === entry),
        )) {
          await db.calendarEntries.update(
            { cancelled: true, sequence: gone.sequence + 1 },
            { where: { clubId, workshopId, entry: gone.entry }, transaction },
          );
        }
        const rows = await db.calendarEntries.findAll({
          where: { clubId, workshopId },
          order: [
            ['fromDate', 'ASC'],
            ['entry', 'ASC'],
          ],
          transaction,
          raw: true,
        });
        return rows.filter(({ entry }) => isOurs(entry));
      });
    } catch (error) {
      // Two files asked for at once: the second finds what the first noted.
      if (!isDuplicate(error) || attempt === 3) throw error;
    }
  }
}
