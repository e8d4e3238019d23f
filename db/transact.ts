import type { Transaction } from 'sequelize';
import type { Database } from './database';
import { isConnectionLost } from './connection-lost';
import { insideTransaction } from './inside-transaction';

/**
 * Error numbers of MariaDB that ask for the whole transaction to be tried again: deadlock (on a cluster
 * also a change that another node was quicker with), lock wait, a node that is not ready to serve.
 */
const AGAIN = new Set([1213, 1205, 1047]);

/** Number that MariaDB gave an error, or null for errors of other origin. */
export function databaseErrno(error: unknown): number | null {
  const parent = (error as { parent?: { errno?: number } } | null)?.parent;
  return parent?.errno ?? null;
}

/** True when a unique key refused a row: somebody else, or an earlier try, was first. */
export function isDuplicate(error: unknown): boolean {
  return databaseErrno(error) === 1062;
}

/**
 * Runs `work` in one transaction. Deadlocks and lost connections are tried again, five times at most;
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
      const again = AGAIN.has(databaseErrno(error) ?? 0) || (isConnectionLost(error) && !committing);
      if (attempt === 5 || !again) throw error;
      // A little longer each time, and unequal, so that two that met do not meet again.
      await new Promise((resolve) => setTimeout(resolve, attempt * 20 + Math.random() * 30));
    }
  }
}
