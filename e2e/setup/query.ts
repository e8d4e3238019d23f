import { WORLD } from './bench-test';
import { runSql } from './run-sql';

/** Asks the throwaway database directly, for what no page shows. */
export function query(sql: string): string {
  return runSql(WORLD, sql);
}
