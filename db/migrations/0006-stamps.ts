import { QueryTypes, type Sequelize } from 'sequelize';
import { EVERYBODY, STAMPED_TABLES } from '../stamped-tables';

const TABLE = `CREATE TABLE IF NOT EXISTS table_stamps (
  club_id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL, table_name VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL, stamp CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  PRIMARY KEY (club_id, table_name)) ENGINE=InnoDB`;

/** Column that names the club of a row; null where rows belong to no club. */
const CLUB_COLUMN: Partial<Record<(typeof STAMPED_TABLES)[number], string | null>> = { clubs: 'id', users: null };

/** A new stamp with every change, in its transaction: seen by others together with it. By chance, so that a restored database never shows an old stamp on other rows. */
function triggers(table: (typeof STAMPED_TABLES)[number]): string[] {
  const column = CLUB_COLUMN[table] === undefined ? 'club_id' : CLUB_COLUMN[table];
  return [
    ['INSERT', 'NEW'],
    ['UPDATE', 'NEW'],
    ['DELETE', 'OLD'],
  ].map(
    ([event, row]) =>
      `CREATE OR REPLACE TRIGGER stamp_${table}_${event!.toLowerCase()} AFTER ${event} ON ${table} FOR EACH ROW
     INSERT INTO table_stamps (club_id, table_name, stamp) VALUES (${column === null ? `'${EVERYBODY}'` : `${row}.${column}`}, '${table}', UUID()) ON DUPLICATE KEY UPDATE stamp = VALUES(stamp)`,
  );
}

/** A server with a binary log lets only some accounts make triggers. */
const NOT_ALLOWED = new Set([1227, 1419]);

/**
 * Without its triggers nothing is kept between two looks, which is slower and as right: a server that
 * does not let us make them is told how to, and used all the same.
 */
export async function up(sequelize: Sequelize): Promise<void> {
  await sequelize.query(TABLE, { type: QueryTypes.RAW });
  try {
    for (const statement of STAMPED_TABLES.flatMap(triggers))
      await sequelize.query(statement, { type: QueryTypes.RAW });
  } catch (error) {
    if (!NOT_ALLOWED.has((error as { parent?: { errno?: number } }).parent?.errno ?? 0)) throw error;
    console.warn(
      'This database server does not let Pear Bench make triggers, so pages are read anew each time. Set log_bin_trust_function_creators=1 there and remove the row 0006-stamps from the table migrations to mend it.',
    );
    await sequelize.query('DELETE FROM table_stamps', { type: QueryTypes.RAW });
  }
}
