import { execFile } from 'node:child_process';
import {
  cpSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { join } from 'node:path';
import { promisify } from 'node:util';
import type { LastGood } from '@/core/club/server-status';
import { LAST_GOOD } from '@/server/club/backup-state';
import { deedLogIn } from '@/server/platform/deed-log';
import { backupKey, encryptFor, ENCRYPTED } from './backup-encryption';
import { backupsToKeep } from './backup-retention';
import { contentOf, dumpSchema, loadSchema } from './dump';
import { endLeftover, isAlive, startMariaDb } from './mariadb';

const run = promisify(execFile);

/** What a backup says of itself. */
export interface Manifest {
  at: string;
  migrations: string[];
  /** Rows of each table; where rows were being written meanwhile, as they came back. */
  rows: Record<string, number>;
  letters: number;
}

export interface BackupPlace {
  /** The data folder: the outbox, the list of the erased and the backups lie in it. */
  data: string;
  url: string;
}

const NAME = /^pear-bench-(\d{8}T\d{6}Z)(-[\w-]+)?\.tar\.gz(\.age)?$/;

/** When a backup was made, by its name. */
function madeAt(name: string): Date | null {
  const [, stamp] = NAME.exec(name) ?? [];
  return stamp ? new Date(stamp.replace(/^(\d{4})(\d\d)(\d\d)T(\d\d)(\d\d)(\d\d)Z$/, '$1-$2-$3T$4:$5:$6Z')) : null;
}

/**
 * Makes a backup: the database, the outbox and the list of the erased, in one packed file, which is
 * played back into a throwaway server before it is called good, and encrypted where the lead gave a key for that. Older
 * ones are thinned out.
 *
 * @param why goes into the name, such as `before-0005`.
 * @returns the file.
 * @throws Error when it could not be made or does not come back whole; the earlier ones stay as they were.
 */
export async function makeBackup({ data, url }: BackupPlace, now: Date, why = ''): Promise<string> {
  const folder = join(data, 'backups');
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const release = takeLock(folder);
  try {
    await removeUnfinished(folder);
    return await makeAlone({ data, url }, folder, now, why);
  } catch (error) {
    throw inWords(error, folder);
  } finally {
    release();
  }
}

async function makeAlone({ data, url }: BackupPlace, folder: string, now: Date, why: string): Promise<string> {
  const work = workFolder(folder, 'making');
  try {
    const inside = join(work, 'backup');
    mkdirSync(inside);
    const before = await contentOf(url);
    await dumpSchema(url, join(inside, 'database.sql'));
    const after = await contentOf(url);
    const outbox = join(data, 'outbox');
    if (existsSync(outbox)) cpSync(outbox, join(inside, 'outbox'), { recursive: true });
    if (existsSync(join(data, 'erased.txt'))) cpSync(join(data, 'erased.txt'), join(inside, 'erased.txt'));
    if (existsSync(join(data, 'deeds'))) cpSync(join(data, 'deeds'), join(inside, 'deeds'), { recursive: true });
    const rows = await prove(work, join(inside, 'database.sql'), before, after);
    const manifest: Manifest = {
      at: now.toISOString(),
      migrations: after.migrations,
      rows,
      letters: existsSync(outbox) ? readdirSync(outbox).length : 0,
    };
    writeFileSync(join(inside, 'manifest.json'), JSON.stringify(manifest, null, 1));
    const stamp = `${now.toISOString().slice(0, 19).replace(/[-:]/g, '')}Z`;
    const name = `pear-bench-${stamp}${why ? `-${why}` : ''}.tar.gz`;
    await run('tar', ['-czf', join(work, name), '-C', inside, '.']);
    await run('gzip', ['-t', join(work, name)]);
    // It has come back whole by now: once encrypted nobody here can read it.
    const key = backupKey(data);
    const kept = key ? `${name}${ENCRYPTED}` : name;
    if (key) await encryptFor(key, join(work, name), join(work, kept));
    const file = join(folder, kept);
    renameSync(join(work, kept), file);
    const good: LastGood = {
      file: kept,
      encrypted: key !== null,
      at: now.toISOString(),
      bytes: statSync(file).size,
      rows: Object.values(rows).reduce((sum, count) => sum + count, 0),
      letters: manifest.letters,
    };
    writeFileSync(join(work, LAST_GOOD), JSON.stringify(good));
    renameSync(join(work, LAST_GOOD), join(folder, LAST_GOOD));
    thinOut(folder, now);
    // No backup that is kept is older.
    await deedLogIn(join(data, 'deeds')).forgetBefore(new Date(now.getTime() - 400 * 86_400_000));
    return file;
  } finally {
    rmSync(work, { recursive: true, force: true });
  }
}

/** Not the name of the data folder's own lock, which ./start holds. */
const LOCK = 'making.lock';

/**
 * One backup is made at a time: two would take each other for what a killed one left.
 *
 * @throws Error while another is being made
 */
function takeLock(folder: string): () => void {
  const lock = join(folder, LOCK);
  for (;;) {
    try {
      writeFileSync(lock, String(process.pid), { flag: 'wx', mode: 0o600 });
      return () => rmSync(lock, { force: true });
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== 'EEXIST') throw inWords(error, folder);
    }
    const holder = Number(readFileSync(lock, 'utf8'));
    if (holder > 0 && isAlive(holder)) throw new Error('Another backup is being made. Wait for it, then try again.');
    // Its maker was killed.
    rmSync(lock, { force: true });
  }
}

/** A folder to work in, which says whose it is. */
export function workFolder(folder: string, kind: 'making' | 'restoring'): string {
  const work = mkdtempSync(join(folder, `${kind}-`));
  writeFileSync(join(work, MAKER), String(process.pid));
  return work;
}
const MAKER = 'maker.pid';

/** Ends and removes what killed backups and restores left in a folder, their throwaway servers too. */
export async function removeUnfinished(folder: string): Promise<void> {
  if (!existsSync(folder)) return;
  for (const name of readdirSync(folder).filter((each) => /^(making|restoring)-/.test(each))) {
    const maker = join(folder, name, MAKER);
    const pid = existsSync(maker) ? Number(readFileSync(maker, 'utf8')) : 0;
    // What is being made right now is no leftover.
    if (pid > 0 && pid !== process.pid && isAlive(pid)) continue;
    await endLeftover(join(folder, name, 'proof', 'mariadb.pid'));
    await endLeftover(join(folder, name, 'mariadb.pid'));
    rmSync(join(folder, name), { recursive: true, force: true });
  }
}

/** A full disk in words, whichever program met it first. */
export function inWords(error: unknown, folder: string): unknown {
  const { message = '', stderr = '' } = error as { message?: string; stderr?: string };
  return /ENOSPC|no space left|errcode: 28|errno: 28|disk full/i.test(`${message} ${stderr}`)
    ? new Error(`The disk is full. Free some room where ${folder} lies, then try again.`, { cause: error })
    : error;
}

/** Plays a dump into a throwaway server and looks whether all of it is there. */
async function prove(
  work: string,
  sql: string,
  before: { rows: Record<string, number> },
  after: { rows: Record<string, number>; migrations: string[] },
): Promise<Record<string, number>> {
  const server = await startMariaDb(join(work, 'proof'), { endsWithParent: true });
  try {
    await loadSchema(server.url, sql);
    const back = await contentOf(server.url);
    for (const [table, count] of Object.entries(after.rows)) {
      const [least, most] = [Math.min(count, before.rows[table] ?? 0), Math.max(count, before.rows[table] ?? 0)];
      const found = back.rows[table];
      if (found === undefined || found < least || found > most)
        throw new Error(
          `The backup does not come back whole: table ${table} has ${found ?? 'no'} rows and not ${count}.`,
        );
    }
    if (back.migrations.join() !== after.migrations.join())
      throw new Error('The backup does not come back whole: its migrations differ.');
    return back.rows;
  } finally {
    await server.stop();
  }
}

/** Days for which what stood before a new version is kept besides. */
const BEFORE_MIGRATION_DAYS = 60;

function thinOut(folder: string, now: Date): void {
  const all = readdirSync(folder).flatMap((name) => {
    const at = madeAt(name);
    const young =
      at !== null && name.includes('-before-') && now.getTime() - at.getTime() < BEFORE_MIGRATION_DAYS * 86_400_000;
    return at && !young ? [{ name, at }] : [];
  });
  const kept = new Set(
    backupsToKeep(
      all.map(({ at }) => at),
      now,
    ).map((at) => at.getTime()),
  );
  for (const { name, at } of all) if (!kept.has(at.getTime())) rmSync(join(folder, name));
}

/** Unpacks a backup into a folder and says what it holds. */
export async function unpackBackup(file: string, into: string): Promise<Manifest> {
  mkdirSync(into, { recursive: true });
  await run('tar', ['-xzf', file, '-C', into, '--no-same-owner']);
  if (!existsSync(join(into, 'manifest.json')) || !existsSync(join(into, 'database.sql')))
    throw new Error(`${file} is no backup of Pear Bench.`);
  return JSON.parse(readFileSync(join(into, 'manifest.json'), 'utf8')) as Manifest;
}
