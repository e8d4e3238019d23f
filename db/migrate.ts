import type { Sequelize } from 'sequelize';
import { SequelizeStorage, Umzug } from 'umzug';
import * as workshopLife from './migrations/0001-workshop-life';
import * as teaching from './migrations/0002-teaching';
import * as planning from './migrations/0003-planning';
import * as scoring from './migrations/0004-scoring';

function migrator(sequelize: Sequelize) {
  return new Umzug({
    migrations: [
      { name: '0001-workshop-life', up: () => workshopLife.up(sequelize) },
      { name: '0002-teaching', up: () => teaching.up(sequelize) },
      { name: '0003-planning', up: () => planning.up(sequelize) },
      { name: '0004-scoring', up: () => scoring.up(sequelize) },
    ],
    storage: new SequelizeStorage({ sequelize, tableName: 'migrations' }),
    logger: undefined,
  });
}

/** Runs the migrations that are still to do and returns their names. */
export async function migrate(sequelize: Sequelize): Promise<string[]> {
  return (await migrator(sequelize).up()).map(({ name }) => name);
}

/** Names of the migrations this build has and the database has not. */
export async function pendingMigrations(sequelize: Sequelize): Promise<string[]> {
  return (await migrator(sequelize).pending()).map(({ name }) => name);
}
