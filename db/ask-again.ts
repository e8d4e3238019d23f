import { QueryTypes, type Sequelize } from 'sequelize';
import { isConnectionLost } from './connection-lost';
import { databaseErrno, TRY_AGAIN } from './database-errno';

const TRIES = 3;

/**
 * A connection that was not made in time. Nothing was asked on it yet, and a process that reckons for seconds misses the
 * answer of a database that was there: it is tried once more.
 */
const NOT_MADE_IN_TIME = 45012;

/**
 * Makes a pool ask again, on another connection, what was asked outside a transaction and failed for no
 * fault of its own: a statement that the database says it has not done, one whose connection was not made in
 * time, and one that only reads when its connection was lost. A write whose connection was
 * lost may have been done and is not repeated; statements of a transaction are begun again with all of it
 * (see transact.ts).
 */
export function askAgain(sequelize: Sequelize): void {
  const ask = sequelize.query.bind(sequelize) as (sql: unknown, options?: Asked) => Promise<unknown>;
  const again = async (sql: unknown, options?: Asked): Promise<unknown> => {
    if (options?.transaction) return ask(sql, options);
    for (let attempt = 1; ; attempt++) {
      try {
        return await ask(sql, options);
      } catch (error) {
        const lost = isConnectionLost(error) && !neverConnected(error) && options?.type === QueryTypes.SELECT;
        const late = databaseErrno(error) === NOT_MADE_IN_TIME && attempt === 1;
        if (attempt === TRIES || !(lost || late || TRY_AGAIN.has(databaseErrno(error) ?? 0))) throw error;
        await new Promise((resolve) => setTimeout(resolve, attempt * 20 + Math.random() * 30));
      }
    }
  };
  sequelize.query = again as Sequelize['query'];
}

interface Asked {
  transaction?: unknown;
  type?: string;
}

/** A database that cannot be reached is reported at once instead of being waited for three times. */
function neverConnected(error: unknown): boolean {
  return /^Sequelize(Connection|Host|AccessDenied|InvalidConnection)/.test((error as { name?: string }).name ?? '');
}
