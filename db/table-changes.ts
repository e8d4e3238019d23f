import { QueryTypes } from 'sequelize';
import { afterEachChange } from './stamp-triggers';
import { transact } from './transact';
import type { Database } from './database';

/**
 * Tables that every judgement and every answer writes. A stamp of their own row, as the other tables bear
 * (stamped-tables.ts), would have all who save wait for one another, so each statement leaves a row in
 * `table_changes` instead, and count and checksum of those rows are the table's stamp.
 */
export const LOGGED_TABLES = [
  'unions',
  'judgements',
  'union_facts',
  'reports',
  'task_marks',
  'union_observations',
  'photos',
  'recalibrations',
  'place_readings',
  'visit_rules',
  'learner_questions',
] as const;

/** Bears a stamp where changes are logged. */
export const LOG = 'table_changes';

/** SQL of a JSON object with the stamp of each logged table of a club; an expression for the club's id goes in. */
export function loggedStampsSql(clubId: string): string {
  const stamp = (table: string): string =>
    `(SELECT CONCAT(COUNT(*), '-', COALESCE(BIT_XOR(CRC32(CONCAT(changed_at, ' ', connection_id))), 0)) FROM table_changes WHERE club_id = ${clubId} AND table_name = '${table}')`;
  return `JSON_OBJECT(${LOGGED_TABLES.map((table) => `'${table}', ${stamp(table)}`).join(', ')})`;
}

/** Statements that log changes: one row a statement and club, in the transaction that changes, so that others see both together. */
export function changeTriggers(): string[] {
  return LOGGED_TABLES.flatMap((table) =>
    afterEachChange(
      table,
      (row) =>
        `INSERT IGNORE INTO table_changes (club_id, table_name, changed_at, connection_id) VALUES (${row}.club_id, '${table}', NOW(6), CONNECTION_ID())`,
    ),
  );
}

/** Rows of a table and club from which on old ones are removed, and how old they are by then, minutes. */
const MANY = 50;
const OLD = 10;

/**
 * Removes old rows of the log. Each removal leaves a row of its own: a stamp never becomes one that was there before.
 *
 * @returns rows removed
 */
export async function pruneTableChanges(db: Database): Promise<number> {
  const { sequelize } = db;
  const long = await sequelize.query<{ clubId: string; tableName: string }>(
    `SELECT club_id AS clubId, table_name AS tableName FROM table_changes GROUP BY club_id, table_name
     HAVING COUNT(*) > :many AND MIN(changed_at) < NOW(6) - INTERVAL :old MINUTE`,
    { replacements: { many: MANY, old: OLD }, type: QueryTypes.SELECT },
  );
  let removed = 0;
  for (const replacements of long)
    await transact(db, async (transaction) => {
      removed += await sequelize.query(
        `DELETE FROM table_changes WHERE club_id = :clubId AND table_name = :tableName AND changed_at < NOW(6) - INTERVAL ${OLD} MINUTE`,
        { replacements: { ...replacements }, type: QueryTypes.BULKDELETE, transaction },
      );
      await sequelize.query(
        'INSERT IGNORE INTO table_changes (club_id, table_name, changed_at, connection_id) VALUES (:clubId, :tableName, NOW(6), CONNECTION_ID())',
        { replacements: { ...replacements }, type: QueryTypes.INSERT, transaction },
      );
    });
  return removed;
}
