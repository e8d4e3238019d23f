import { pruneTableChanges } from '@/db/table-changes';
import { askByItself } from '@/server/follow-up/letters/due-letters';
import { readInbox } from '@/server/follow-up/inbox/read-inbox';
import type { Services } from '@/server/platform/context';
import { deliverLetters, sweepOutbox } from '@/server/platform/outbox';
import { noteDone, noteFault, watchPauses } from '@/server/platform/server-record';

/** How often each thing is done, ms. */
const MINUTE = 60_000;
/** Days do not change faster. */
const HOUR = 60 * MINUTE;

/** What nobody asks for, in words for the log, and how often it is done. */
const TURNS: { what: string; task?: string; every: number; work: (services: Services) => Promise<unknown> }[] = [
  { what: 'Letters that wait could not be sent', every: MINUTE, work: deliverLetters },
  { what: 'Files of letters that were never sent could not be removed', every: MINUTE, work: sweepOutbox },
  { what: 'The log of changes could not be tidied', every: MINUTE, work: ({ db }) => pruneTableChanges(db) },
  { what: 'Replies by mail could not be read', every: MINUTE, work: readInbox },
  { what: 'What has fallen due could not be asked', task: 'ask', every: HOUR, work: askByItself },
];

/**
 * Does what nobody asks for, now and every minute or hour: sends letters that wait, removes files no letter belongs to,
 * tidies the log of changes, reads replies that came by mail, and asks what has fallen due. Each has turns of its own: one
 * that fails or takes long keeps none of the others back.
 *
 * @param services made afresh for each turn, with the time of that turn
 */
export async function startCaretaker(services: () => Services): Promise<void> {
  watchPauses();
  await sayWhatWaits(services());
  for (const turn of TURNS) takeTurns(turn, services);
}

function takeTurns({ what, task, every, work }: (typeof TURNS)[number], services: () => Services): void {
  let busy = false;
  let next = 0;
  const turn = async (): Promise<void> => {
    // A long turn is not overtaken by the next of its own.
    if (busy || Date.now() < next) return;
    busy = true;
    try {
      await work(services());
      if (task) noteDone(task);
      next = Date.now() + every - MINUTE / 2;
    } catch (error) {
      // Mostly the database is away, and the launcher says so; the next minute tries again.
      noteFault(what);
      console.error(`${what}; the next minute tries again:`, (error as Error).message);
    } finally {
      busy = false;
    }
  };
  void turn();
  setInterval(() => void turn(), MINUTE).unref();
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
