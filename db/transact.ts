import type { Transaction } from 'sequelize';
import type { Database } from './database';
import { isConnectionLost } from './connection-lost';
import { databaseErrno, TRY_AGAIN } from './database-errno';
import { insideTransaction } from './inside-transaction';

/** True when a unique key refused a row: somebody else, or an earlier try, was first. */
export function isDuplicate(error: unknown): boolean {
  return databaseErrno(error) === 1062;
}

/** A class that answers at once on a busy machine meets more often than a pair does. */
const TRIES = 8;

/**
 * Runs `work` in one transaction. Deadlocks and lost connections are tried again, eight times at most;
 * a connection lost while committing is not, since what was done may stand. Every statement of `work`
 * must name the transaction: one that does not is refused.
 */
export async function transact<T>(db: Database, work: (transaction: Transaction) => Promise<T>): Promise<T> {
  for (let attempt = 1; ; attempt++) {
    let committing = false;
    try {
      return await db.sequelize.transaction(async (transaction) => {
        const result = await insideTransaction(() => work(transaction));
        committing = true;
        return result;
      });
    } catch (error) {
      const again = TRY_AGAIN.has(databaseErrno(error) ?? 0) || (isConnectionLost(error) && !committing);
      if (attempt === TRIES || !again) throw error;
      // A little longer each time, and unequal, so that two that met do not meet again.
      await new Promise((resolve) => setTimeout(resolve, attempt * 20 + Math.random() * 20 * attempt));
    }
  }
}
