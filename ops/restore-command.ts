import { existsSync, mkdirSync, writeFileSync } from 'node:fs';
import { basename, join } from 'node:path';
import { createInterface } from 'node:readline/promises';
import { parseArgs } from 'node:util';
import type { LastDrill } from '@/core/club/server-status';
import { LAST_DRILL } from '@/server/club/server-status';
import { clockNow } from '@/server/platform/clock';
import { isEncrypted } from './backup-encryption';
import { restoreBackup } from './restore';

/*
 * ./restore FILE [--dry-run] [--key KEYFILE]: see restore.ts.
 */

const DATA = process.env.PEAR_BENCH_DATA ?? join(process.cwd(), '.data');
const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: { 'dry-run': { type: 'boolean', default: false }, key: { type: 'string' } },
});
const [file] = positionals;
if (!file || positionals.length > 1) {
  console.error(
    'Usage: ./restore FILE [--dry-run] [--key KEYFILE]\nBackups lie in .data/backups. A dry run tries one out and changes nothing. An encrypted one needs the file with its key.',
  );
  process.exit(2);
}
if (!existsSync(file)) {
  console.error(`There is no file ${file}.`);
  process.exit(2);
}

/** The file with the key: as it was named, or as somebody at a terminal names it when asked. */
async function askForKey(): Promise<string> {
  let key = values.key;
  if (!key && process.stdin.isTTY) {
    const terminal = createInterface({ input: process.stdin, output: process.stdout });
    key = (await terminal.question('This backup is encrypted. File with its key: ')).trim();
    terminal.close();
  }
  if (key && existsSync(key)) return key;
  console.error(
    key
      ? `There is no file ${key}.`
      : 'This backup is encrypted. Name the file with its key: ./restore FILE --key pear-bench.key',
  );
  process.exit(2);
}

const key = isEncrypted(file) ? await askForKey() : '';
try {
  const dryRun = values['dry-run'];
  console.log(dryRun ? 'Trying the backup out; nothing is changed.' : 'Playing the backup back.');
  const { manifest, migrated, erased, redone, replaced } = await restoreBackup(DATA, file, { dryRun, key });
  const rows = Object.values(manifest.rows).reduce((sum, count) => sum + count, 0);
  console.log(
    `It is of ${manifest.at}: ${rows} rows in ${Object.keys(manifest.rows).length} tables, ${manifest.letters} letters.`,
  );
  // Practised: the status page of the lead asks for it once a year.
  const backups = process.env.PEAR_BENCH_BACKUPS ?? join(DATA, 'backups');
  mkdirSync(backups, { recursive: true, mode: 0o700 });
  const drill: LastDrill = { at: clockNow().toISOString(), file: basename(file), rows };
  writeFileSync(join(backups, LAST_DRILL), JSON.stringify(drill), { mode: 0o600 });
  if (migrated.length > 0) console.log(`Brought up to date: ${migrated.join(', ')}.`);
  if (erased > 0)
    console.log(
      `${erased} ${erased === 1 ? 'person was' : 'people were'} erased since then, and ${dryRun ? 'would be' : 'were'} erased again.`,
    );
  const again = [
    [redone.leave, 'leave to be written to, as given or taken back'],
    [redone.roles, 'roles and memberships, as changed or ended'],
    [redone.passwords, 'passwords, as changed'],
    [redone.letters, 'letters, as written; none is sent twice'],
  ] as const;
  for (const [count, words] of again) if (count > 0) console.log(`Done again since then: ${words} (${count}).`);
  if (redone.keptLeads > 0)
    console.log(
      `Left as lead, though they had left or changed since: ${redone.keptLeads}, the only lead of their club in this backup. Make another lead, then end that membership again.`,
    );
  if (replaced) console.log(`What was there before lies in ${replaced}. Remove it once all is well.`);
  console.log(dryRun ? 'The backup is good.' : 'Done. Everybody has to sign in again; ./start goes on from here.');
} catch (error) {
  console.error(`${(error as Error).message}\nNothing was changed.`);
  process.exit(1);
}
