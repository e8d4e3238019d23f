import { QueryTypes, type Sequelize } from 'sequelize';
import { EVERYBODY, type STAMPED_TABLES } from './stamped-tables';

type Stamped = (typeof STAMPED_TABLES)[number];

/** Column that names the club of a row; null where rows belong to no club. */
const CLUB_COLUMN: Partial<Record<Stamped, string | null>> = { clubs: 'id', users: null };

/** Triggers of a table that do `statement` after each change of a row; it is given the row's name in SQL. */
export function afterEachChange(table: string, statement: (row: string) => string): string[] {
  return [
    ['INSERT', 'NEW'],
    ['UPDATE', 'NEW'],
    ['DELETE', 'OLD'],
  ].map(
    ([event, row]) =>
      `CREATE OR REPLACE TRIGGER stamp_${table}_${event!.toLowerCase()} AFTER ${event} ON ${table} FOR EACH ROW ${statement(row!)}`,
  );
}

/** A new stamp with every change, in its transaction: seen by others together with it. By chance, so that a restored database never shows an old stamp on other rows. */
function triggers(table: Stamped): string[] {
  const column = CLUB_COLUMN[table] === undefined ? 'club_id' : CLUB_COLUMN[table];
  return afterEachChange(
    table,
    (row) =>
      `INSERT INTO table_stamps (club_id, table_name, stamp) VALUES (${column === null ? `'${EVERYBODY}'` : `${row}.${column}`}, '${table}', UUID()) ON DUPLICATE KEY UPDATE stamp = VALUES(stamp)`,
  );
}

/** A server with a binary log lets only some accounts make triggers. */
const NOT_ALLOWED = new Set([1227, 1419]);

/** Has changes of some tables leave their stamps. */
export async function stampTriggers(sequelize: Sequelize, tables: readonly Stamped[]): Promise<void> {
  await makeTriggers(sequelize, tables.flatMap(triggers));
}

/**
 * Makes triggers. Without them nothing is remembered between two looks at a page, which is slower and just as
 * right: on a server that does not allow them we say how to allow them and work without.
 *
 * @returns whether they were made
 */
export async function makeTriggers(sequelize: Sequelize, statements: readonly string[]): Promise<boolean> {
  try {
    for (const statement of statements) await sequelize.query(statement, { type: QueryTypes.RAW });
    return true;
  } catch (error) {
    if (!NOT_ALLOWED.has((error as { parent?: { errno?: number } }).parent?.errno ?? 0)) throw error;
    console.warn(
      'This database server does not allow Pear Bench to create triggers, so every page reads the database again. To mend this, set log_bin_trust_function_creators=1 there, delete the rows 0006-stamps, 0014-places, 0015-follow-up, 0016-causes, 0018-table-changes and 0023-spoiled-cuts from the table migrations, and restart.',
    );
    await sequelize.query('DELETE FROM table_stamps', { type: QueryTypes.RAW });
    return false;
  }
}
