import { AsyncLocalStorage } from 'node:async_hooks';
import type { Sequelize } from 'sequelize';

const inside = new AsyncLocalStorage<true>();

/** Runs the work of a transaction, which has its one connection already. */
export function insideTransaction<T>(work: () => Promise<T>): Promise<T> {
  return inside.run(true, work);
}

/**
 * Makes a pool refuse a second connection to whoever holds one in a transaction. As many such
 * transactions as the pool has connections would wait for one another for ever, and a statement
 * that forgot its transaction would be kept when the transaction is not.
 *
 * @throws Error from the statement that asks for it; it is a fault of the program, never of a user.
 */
export function refuseSecondConnections(sequelize: Sequelize): void {
  sequelize.addHook('beforePoolAcquire', () => {
    if (inside.getStore())
      throw new Error('A statement inside a transaction asked for a connection of its own. Hand it the transaction.');
  });
}
