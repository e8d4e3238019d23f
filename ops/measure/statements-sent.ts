import { runSql } from '@/e2e/setup/run-sql';

const COUNTED = ['SELECT', 'INSERT', 'UPDATE', 'DELETE', 'REPLACE'].map((verb) => `'COM_${verb}'`).join();

/** Statements the database in a data folder was sent so far; this question counts at the next. */
export function statementsSent(folder: string): number {
  return Number(
    runSql(
      folder,
      `SELECT SUM(variable_value) FROM information_schema.global_status WHERE variable_name IN (${COUNTED})`,
    ),
  );
}
