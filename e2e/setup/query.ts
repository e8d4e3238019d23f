import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { WORLD } from './bench-test';

/** Asks the throwaway database directly, for what no page shows. */
export function query(sql: string): string {
  const password = readFileSync(join(WORLD, 'root.password'), 'utf8').trim();
  return execFileSync('mariadb', ['--no-defaults', `--socket=${join(WORLD, 'mariadb.sock')}`, '-uroot', `-p${password}`, '-N', '-e', sql, 'pear_bench'], { encoding: 'utf8' }).trim();
}
