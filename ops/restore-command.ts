import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { restoreBackup } from './restore';

/*
 * ./restore FILE [--dry-run]: see restore.ts.
 */

const DATA = process.env.PEAR_BENCH_DATA ?? join(process.cwd(), '.data');
const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: { 'dry-run': { type: 'boolean', default: false } },
});
const [file] = positionals;
if (!file || positionals.length > 1) {
  console.error(
    'Usage: ./restore FILE [--dry-run]\nBackups lie in .data/backups. A dry run tries one out and changes nothing.',
  );
  process.exit(2);
}
if (!existsSync(file)) {
  console.error(`There is no file ${file}.`);
  process.exit(2);
}
try {
  const dryRun = values['dry-run'];
  console.log(dryRun ? 'Trying the backup out; nothing is changed.' : 'Playing the backup back.');
  const { manifest, migrated, erased, redone, replaced } = await restoreBackup(DATA, file, { dryRun });
  const rows = Object.values(manifest.rows).reduce((sum, count) => sum + count, 0);
  console.log(
    `It is of ${manifest.at}: ${rows} rows in ${Object.keys(manifest.rows).length} tables, ${manifest.letters} letters.`,
  );
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
