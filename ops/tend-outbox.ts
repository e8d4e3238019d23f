import type { Database } from '@/db/database';
import { deliverLetters, sweepOutbox } from '@/server/platform/outbox';
import type { MailService } from '@/stand-ins/mail/mail-service';

const EVERY = 60_000;

/**
 * Sees to the outbox now and every minute: what a dying server left waiting goes out, what no letter
 * speaks of is removed.
 *
 * @param say told what was found waiting at the start.
 * @returns stops it.
 */
export async function tendOutbox(db: Database, mail: MailService, say: (text: string) => void): Promise<() => void> {
  const waiting =
    (await db.messages.count({ where: { state: 'queued' } })) +
    (await db.accountLetters.count({ where: { state: 'queued' } }));
  if (waiting > 0)
    say(
      `${waiting} ${waiting === 1 ? 'letter' : 'letters'} of an earlier run ${waiting === 1 ? 'waits' : 'wait'}; sending.`,
    );
  const tend = async (): Promise<void> => {
    try {
      await deliverLetters({ db, mail });
      await sweepOutbox({ db, mail, now: new Date() });
    } catch {
      // The database is away; whoever keeps it says so, and the next minute tries again.
    }
  };
  await tend();
  const timer = setInterval(() => void tend(), EVERY);
  timer.unref();
  return () => clearInterval(timer);
}
