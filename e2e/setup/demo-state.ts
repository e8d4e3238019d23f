import { cpSync, existsSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { startMariaDb } from '../../ops/mariadb';
import { runSql } from './run-sql';

/*
 * Database and outbox as the demo left them, kept aside once and put back before every file of
 * tests: a file may count on the demo as it was loaded, whatever ran before it, and one that is
 * tried again meets nothing of its first try.
 */

const outboxes = (folder: string): { live: string; kept: string } => ({
  live: join(folder, 'outbox'),
  kept: join(folder, 'outbox-of-the-demo'),
});
const tables = (folder: string): string[] =>
  runSql(folder, "SELECT table_name FROM information_schema.tables WHERE table_schema = 'pear_bench'").split('\n');

/** Keeps the state aside, in a schema and a folder beside the live ones. */
export function keepDemoState(folder: string): void {
  const copies = tables(folder).map((table) => `CREATE TABLE of_the_demo.\`${table}\` AS SELECT * FROM \`${table}\`;`);
  runSql(folder, ['CREATE DATABASE of_the_demo CHARACTER SET utf8mb4;', ...copies].join('\n'));
  const { live, kept } = outboxes(folder);
  if (existsSync(live)) cpSync(live, kept, { recursive: true });
}

/** Puts the kept state back, and starts the database again where a broken-off test left it stopped. */
export async function restoreDemoState(folder: string, port: number): Promise<void> {
  const pidFile = join(folder, 'mariadb.pid');
  if (!existsSync(pidFile) || !existsSync(`/proc/${readFileSync(pidFile, 'utf8').trim()}`))
    await startMariaDb(folder, { port });
  const rows = tables(folder).flatMap((table) => [
    `DELETE FROM \`${table}\`;`,
    `INSERT INTO \`${table}\` SELECT * FROM of_the_demo.\`${table}\`;`,
  ]);
  runSql(folder, ['SET FOREIGN_KEY_CHECKS = 0;', 'START TRANSACTION;', ...rows, 'COMMIT;'].join('\n'));
  const { live, kept } = outboxes(folder);
  rmSync(live, { recursive: true, force: true });
  if (existsSync(kept)) cpSync(kept, live, { recursive: true });
}
