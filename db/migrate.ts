import { QueryTypes, type Sequelize } from 'sequelize';
import { SequelizeStorage, Umzug } from 'umzug';
import * as workshopLife from './migrations/0001-workshop-life';
import * as teaching from './migrations/0002-teaching';
import * as planning from './migrations/0003-planning';
import * as scoring from './migrations/0004-scoring';
import * as faultsAndDoors from './migrations/0005-faults-and-doors';
import * as stamps from './migrations/0006-stamps';

function migrator(sequelize: Sequelize) {
  return new Umzug({
    migrations: [
      { name: '0001-workshop-life', up: () => workshopLife.up(sequelize) },
      { name: '0002-teaching', up: () => teaching.up(sequelize) },
      { name: '0003-planning', up: () => planning.up(sequelize) },
      { name: '0004-scoring', up: () => scoring.up(sequelize) },
      { name: '0005-faults-and-doors', up: () => faultsAndDoors.up(sequelize) },
      { name: '0006-stamps', up: () => stamps.up(sequelize) },
    ],
    storage: new SequelizeStorage({ sequelize, tableName: 'migrations' }),
    logger: undefined,
  });
}

/** Seconds that a server waits for another one that is at it. */
const PATIENCE = 120;

/**
 * Runs the migrations that are still to do and returns their names. Of servers that start at once one
 * does them and the others wait; the database itself keeps the lock, and frees it if its holder dies.
 *
 * @throws Error when another server does not get done.
 */
export function migrate(sequelize: Sequelize): Promise<string[]> {
  // A transaction, so that the lock is taken and given back on one connection; the migrations use others.
  return sequelize.transaction(async (transaction) => {
    const ask = async (what: string): Promise<number | null> =>
      (
        await sequelize.query<{ got: number | null }>(`SELECT ${what} AS got`, { transaction, type: QueryTypes.SELECT })
      )[0]!.got;
    if ((await ask(`GET_LOCK(CONCAT(DATABASE(), ' migrations'), ${PATIENCE})`)) !== 1)
      throw new Error(
        'Another server has been changing the tables for two minutes. Look whether it hangs, then start again.',
      );
    try {
      return (await migrator(sequelize).up()).map(({ name }) => name);
    } finally {
      await ask("RELEASE_LOCK(CONCAT(DATABASE(), ' migrations'))");
    }
  });
}

/** Names of the migrations this build has and the database has not. */
export async function pendingMigrations(sequelize: Sequelize): Promise<string[]> {
  return (await migrator(sequelize).pending()).map(({ name }) => name);
}
