import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';

/** Runs statements as root on the database below `folder`; gives what they print, without headings. */
export function runSql(folder: string, statements: string): string {
  const password = readFileSync(join(folder, 'root.password'), 'utf8').trim();
  return execFileSync(
    'mariadb',
    ['--no-defaults', `--socket=${join(folder, 'mariadb.sock')}`, '-uroot', `-p${password}`, '-N', 'pear_bench'],
    { encoding: 'utf8', input: statements },
  ).trim();
}
