import { readInbox } from '@/server/follow-up/inbox/read-inbox';
import { askByItself } from '@/server/follow-up/letters/due-letters';
import type { Services } from '@/server/platform/context';

const EVERY = 60_000;
/** Whoever is due is looked for so often, in minutes: days do not change faster. */
const ASK_EVERY = 60;

/**
 * Reads the replies that came by mail every minute, and once an hour asks of what has fallen due.
 *
 * @returns stops it
 */
export function tendFollowUp(services: Omit<Services, 'now'>): () => void {
  let minute = 0;
  let atIt = false;
  const tend = async (): Promise<void> => {
    // A long turn is not overtaken by the next.
    if (atIt) return;
    atIt = true;
    try {
      await readInbox({ ...services, now: new Date() });
      if (minute % ASK_EVERY === 0) await askByItself({ ...services, now: new Date() });
      minute++;
    } catch {
      // The database is away; whoever keeps it says so, and the next minute tries again.
    } finally {
      atIt = false;
    }
  };
  const timer = setInterval(() => void tend(), EVERY);
  timer.unref();
  return () => clearInterval(timer);
}
