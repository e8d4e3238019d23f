import { QueryTypes, type Sequelize } from 'sequelize';
import { SequelizeStorage, Umzug } from 'umzug';
import { v7 as uuid } from 'uuid';
import { databaseErrno } from './database-errno';
import * as workshopLife from './migrations/0001-workshop-life';
import * as teaching from './migrations/0002-teaching';
import * as planning from './migrations/0003-planning';
import * as scoring from './migrations/0004-scoring';
import * as faultsAndDoors from './migrations/0005-faults-and-doors';
import * as stamps from './migrations/0006-stamps';
import * as turns from './migrations/0007-turns';
import * as guards from './migrations/0008-guards';
import * as roundsByVariant from './migrations/0009-rounds-by-variant';
import * as unionMaking from './migrations/0010-union-making';
import * as woodAndEdges from './migrations/0011-wood-and-edges';
import * as learnerQuestions from './migrations/0012-learner-questions';
import * as aftercare from './migrations/0013-aftercare';
import * as places from './migrations/0014-places';
import * as followUp from './migrations/0015-follow-up';
import * as causes from './migrations/0016-causes';
import * as keeperCounts from './migrations/0017-keeper-counts';
import * as tableChanges from './migrations/0018-table-changes';
import * as chipCover from './migrations/0020-chip-cover';
import * as variantReason from './migrations/0022-variant-reason';
import * as spoiledCuts from './migrations/0023-spoiled-cuts';
import * as stopConfirmed from './migrations/0024-stop-confirmed';
import * as whoHasPlants from './migrations/0025-who-has-plants';
import * as calendarAddresses from './migrations/0026-calendar-addresses';
import * as moreSigns from './migrations/0021-more-signs';
import * as topworkingDay from './migrations/0019-topworking-day';

function migrator(sequelize: Sequelize) {
  return new Umzug({
    migrations: [
      { name: '0001-workshop-life', up: () => workshopLife.up(sequelize) },
      { name: '0002-teaching', up: () => teaching.up(sequelize) },
      { name: '0003-planning', up: () => planning.up(sequelize) },
      { name: '0004-scoring', up: () => scoring.up(sequelize) },
      { name: '0005-faults-and-doors', up: () => faultsAndDoors.up(sequelize) },
      { name: '0006-stamps', up: () => stamps.up(sequelize) },
      { name: '0007-turns', up: () => turns.up(sequelize) },
      { name: '0008-guards', up: () => guards.up(sequelize) },
      { name: '0009-rounds-by-variant', up: () => roundsByVariant.up(sequelize) },
      { name: '0010-union-making', up: () => unionMaking.up(sequelize) },
      { name: '0011-wood-and-edges', up: () => woodAndEdges.up(sequelize) },
      { name: '0012-learner-questions', up: () => learnerQuestions.up(sequelize) },
      { name: '0013-aftercare', up: () => aftercare.up(sequelize) },
      { name: '0014-places', up: () => places.up(sequelize) },
      { name: '0015-follow-up', up: () => followUp.up(sequelize) },
      { name: '0016-causes', up: () => causes.up(sequelize) },
      { name: '0017-keeper-counts', up: () => keeperCounts.up(sequelize) },
      { name: '0018-table-changes', up: () => tableChanges.up(sequelize) },
      { name: '0019-topworking-day', up: () => topworkingDay.up(sequelize) },
      { name: '0020-chip-cover', up: () => chipCover.up(sequelize) },
      { name: '0021-more-signs', up: () => moreSigns.up(sequelize) },
      { name: '0022-variant-reason', up: () => variantReason.up(sequelize) },
      { name: '0023-spoiled-cuts', up: () => spoiledCuts.up(sequelize) },
      { name: '0024-stop-confirmed', up: () => stopConfirmed.up(sequelize) },
      { name: '0025-who-has-plants', up: () => whoHasPlants.up(sequelize) },
      { name: '0026-calendar-addresses', up: () => calendarAddresses.up(sequelize) },
    ],
    storage: new SequelizeStorage({ sequelize, tableName: 'migrations' }),
    logger: undefined,
  });
}

/** How long a server waits for another one that is at it. */
const PATIENCE = 120_000;
/** Whoever changes the tables says every so often that it still does; unheard of for this long it is gone. */
const BEAT = 5_000;
const GONE = 30;

/**
 * Runs the migrations that are still to do and returns their names. Of servers that start at once one
 * does them and the others wait. Who does is written in a row that only one can take: a lock of the
 * database's own would hold on one node of a cluster and not on the others.
 *
 * @throws Error when another server does not get done.
 */
export async function migrate(sequelize: Sequelize): Promise<string[]> {
  const me = uuid();
  await takeGuard(sequelize, me);
  const beat = setInterval(() => {
    // One beat that fails is made good by the next.
    change(sequelize, 'UPDATE migration_guard SET seen_at = NOW(3) WHERE holder = :me', { me }).catch(() => undefined);
  }, BEAT);
  try {
    return (await migrator(sequelize).up()).map(({ name }) => name);
  } finally {
    clearInterval(beat);
    await change(sequelize, 'UPDATE migration_guard SET holder = NULL WHERE holder = :me', { me });
  }
}

async function takeGuard(sequelize: Sequelize, me: string): Promise<void> {
  const until = Date.now() + PATIENCE;
  await sequelize.query(
    'CREATE TABLE IF NOT EXISTS migration_guard (id TINYINT UNSIGNED PRIMARY KEY, holder CHAR(36) NULL, seen_at DATETIME(3) NULL)',
    { type: QueryTypes.RAW },
  );
  await change(sequelize, 'INSERT IGNORE INTO migration_guard (id) VALUES (1)', {});
  while (Date.now() < until) {
    const taken = await change(
      sequelize,
      'UPDATE migration_guard SET holder = :me, seen_at = NOW(3) WHERE id = 1 AND (holder IS NULL OR seen_at < NOW(3) - INTERVAL :gone SECOND)',
      { me, gone: GONE },
    );
    if (taken === 1) return;
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
  throw new Error(
    'Another server has been changing the tables for two minutes. Look whether it hangs, then start again.',
  );
}

/** Runs a statement that changes rows; gives how many it changed. Of two nodes that meet the slower one changes none. */
async function change(sequelize: Sequelize, sql: string, replacements: Record<string, unknown>): Promise<number> {
  try {
    const [, rows] = await sequelize.query(sql, { replacements, type: QueryTypes.UPDATE });
    return rows;
  } catch (error) {
    if (databaseErrno(error) === 1213) return 0;
    throw error;
  }
}

/** Names of the migrations this build has and the database has not. */
export async function pendingMigrations(sequelize: Sequelize): Promise<string[]> {
  return (await migrator(sequelize).pending()).map(({ name }) => name);
}
