import { pruneTableChanges } from '@/db/table-changes';
import { askByItself } from '@/server/follow-up/letters/due-letters';
import { readInbox } from '@/server/follow-up/inbox/read-inbox';
import type { Services } from '@/server/platform/context';
import { deliverLetters, sweepOutbox } from '@/server/platform/outbox';

const EVERY = 60_000;
/** Growers whose answer has fallen due are looked for so often, in minutes: days do not change faster. */
const ASK_EVERY = 60;

/**
 * Does what nobody asks for: now and every minute it sends letters that wait, removes files no letter belongs to, reads
 * replies that came by mail, and tidies the log of changes; once an hour it asks what has fallen due.
 *
 * @param services made afresh for each turn, with the time of that turn
 */
export async function startCaretaker(services: () => Services): Promise<void> {
  await sayWhatWaits(services());
  let minute = 0;
  let busy = false;
  const turn = async (): Promise<void> => {
    // A long turn is not overtaken by the next.
    if (busy) return;
    busy = true;
    const asks = minute++ % ASK_EVERY === 0;
    try {
      await deliverLetters(services());
      await sweepOutbox(services());
      await pruneTableChanges(services().db);
      await readInbox(services());
      if (asks) await askByItself(services());
    } catch (error) {
      // Mostly the database is away, and the launcher says so; the next minute tries again.
      console.error(`Letters could not be seen to this minute: ${(error as Error).message}`);
      if (asks) minute = 0;
    } finally {
      busy = false;
    }
  };
  void turn();
  setInterval(() => void turn(), EVERY).unref();
}

/** Says what an earlier run left to send. */
async function sayWhatWaits({ db }: Services): Promise<void> {
  const where = { state: 'queued' } as const;
  const waiting = (await db.messages.count({ where })) + (await db.accountLetters.count({ where }));
  if (waiting > 0)
    console.log(
      waiting === 1
        ? '1 letter of an earlier run is waiting; sending it.'
        : `${waiting} letters of an earlier run are waiting; sending them.`,
    );
}
