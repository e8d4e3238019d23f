import type { Transaction } from 'sequelize';
import type { Database } from './database';
import { insideTransaction } from './inside-transaction';

/** Error numbers of MariaDB that ask for the whole transaction to be tried again: deadlock, lock wait. */
const AGAIN = new Set([1213, 1205]);

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
 * Runs `work` in one transaction; deadlocks are tried again, five times at most. Every statement of
 * `work` must name the transaction: one that does not is refused.
 */
export async function transact<T>(db: Database, work: (transaction: Transaction) => Promise<T>): Promise<T> {
  for (let attempt = 1; ; attempt++) {
    try {
      return await db.sequelize.transaction((transaction) => insideTransaction(() => work(transaction)));
    } catch (error) {
      if (attempt === 5 || !AGAIN.has(databaseErrno(error) ?? 0)) throw error;
      // A little longer each time, and unequal, so that two that met do not meet again.
      await new Promise((resolve) => setTimeout(resolve, attempt * 20 + Math.random() * 30));
    }
  }
}
