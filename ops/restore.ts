import { appendFileSync, existsSync, mkdirSync, readdirSync, readFileSync, renameSync, rmSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { openDatabase } from '@/db/database';
import { migrate, pendingMigrations } from '@/db/migrate';
import { erasePersonRows } from '@/server/club/erase-person';
import { type Deed, deedLogIn } from '@/server/platform/deed-log';
import { type Erasure, erasedListIn } from '@/server/platform/erased-list';
import { folderMail } from '@/stand-ins/mail/folder-mail';
import { simulatedWeather } from '@/stand-ins/weather/simulated-weather';
import { decryptWith, isEncrypted } from './backup-encryption';
import { inWords, type Manifest, removeUnfinished, unpackBackup, workFolder } from './backup';
import { contentOf, loadSchema } from './dump';
import { startMariaDb } from './mariadb';
import { bringLetters, redoDeeds, type Redone } from './redo-deeds';

export interface Restored {
  manifest: Manifest;
  migrated: string[];
  /** People erased since the backup was made, and now again. */
  erased: number;
  /** What was done since, and now again. */
  redone: Redone;
  /** Where what was there before lies now; null when nothing was, and in a dry run. */
  replaced: string | null;
}

/**
 * Plays a backup back into a data folder whose server does not run: into a new database first, brought
 * up to date, with everybody erased who was erased since; only then it takes the place of the old one,
 * which is kept beside it. In a dry run it does all but the last step.
 *
 * @param options `key`: file with the key of an encrypted one.
 *
 * @throws Error when the backup cannot be read or does not come up; the folder is then as it was.
 */
export async function restoreBackup(
  givenData: string,
  file: string,
  { dryRun = false, now = new Date(), key = '' } = {},
): Promise<Restored> {
  const data = resolve(givenData);
  mkdirSync(data, { recursive: true, mode: 0o700 });
  await removeUnfinished(data);
  const work = workFolder(data, 'restoring');
  try {
    const unpacked = join(work, 'backup');
    const open = join(work, 'opened.tar.gz');
    if (isEncrypted(file)) await decryptWith(key, file, open);
    const manifest = await unpackBackup(existsSync(open) ? open : file, unpacked);
    rmSync(open, { force: true });
    const outbox = join(work, 'outbox');
    if (existsSync(join(unpacked, 'outbox'))) renameSync(join(unpacked, 'outbox'), outbox);
    const server = await startMariaDb(work, { endsWithParent: true });
    let migrated: string[];
    let redone: Redone;
    let erased = 0;
    try {
      await loadSchema(server.url, join(unpacked, 'database.sql'));
      compare(manifest, (await contentOf(server.url)).rows);
      const db = openDatabase(server.url, { silence: 0 });
      try {
        const pending = await pendingMigrations(db.sequelize);
        migrated = await migrate(db.sequelize);
        if (pending.join() !== migrated.join()) throw new Error('The backup could not be brought up to date.');
        // Whoever signed out since then stays signed out.
        await db.sessions.destroy({ where: {} });
        redone = await redoDeeds(db, await deedsInEither(data, unpacked, new Date(manifest.at)));
        await bringLetters(db, join(data, 'outbox'), outbox);
        const erasures = await erasedInEither(data, unpacked);
        const services = {
          db,
          mail: folderMail(outbox),
          weather: simulatedWeather,
          // All of them are on the list that is written below.
          erased: { all: () => Promise.resolve(erasures), add: () => Promise.resolve() },
          deeds: deedLogIn(join(work, 'deeds')),
          publicUrl: 'http://127.0.0.1',
          now,
        };
        for (const { clubId, personId } of erasures) {
          if ((await db.people.count({ where: { clubId, id: personId, erasedAt: null as never } })) === 0) continue;
          await erasePersonRows(services, clubId, personId, null);
          erased++;
        }
      } finally {
        await db.sequelize.close();
      }
    } finally {
      await server.stop();
    }
    if (dryRun) return { manifest, migrated, erased, redone, replaced: null };
    await keepErased(data, unpacked);
    keepDeeds(data, unpacked);
    return { manifest, migrated, erased, redone, replaced: swapIn(data, work, now) };
  } catch (error) {
    throw inWords(error, data);
  } finally {
    rmSync(work, { recursive: true, force: true });
  }
}

/** Who was erased by the list that is there, or by the one of the backup: an empty machine has none of its own. */
async function erasedInEither(data: string, unpacked: string): Promise<Erasure[]> {
  const lists = await Promise.all([data, unpacked].map((folder) => erasedListIn(join(folder, 'erased.txt')).all()));
  return [...new Map(lists.flat().map((each) => [`${each.clubId} ${each.personId}`, each])).values()];
}

/** Writes both lists as one, whole or not at all. */
async function keepErased(data: string, unpacked: string): Promise<void> {
  const erasures = await erasedInEither(data, unpacked);
  if (erasures.length === 0) return;
  const fresh = join(unpacked, 'erased-of-both.txt');
  for (const each of erasures) await erasedListIn(fresh).add(each);
  renameSync(fresh, join(data, 'erased.txt'));
}

/** A deed is noted with the time it was begun at: what was under way while the backup was made is looked at too, ms. */
const UNDER_WAY = 3_600_000;

/** What was done since a backup was made, by its own log and by the one that is there: it may be of another machine. */
async function deedsInEither(data: string, unpacked: string, madeAt: Date): Promise<Deed[]> {
  const since = new Date(madeAt.getTime() - UNDER_WAY);
  const logs = await Promise.all([unpacked, data].map((folder) => deedLogIn(join(folder, 'deeds')).since(since)));
  return logs.flat().sort((a, b) => a.at.getTime() - b.at.getTime());
}

/** Brings what the log of the backup has and the one that is there has not: an older backup that is played back later does it all again too. */
function keepDeeds(data: string, unpacked: string): void {
  const [from, to] = [join(unpacked, 'deeds'), join(data, 'deeds')];
  if (!existsSync(from)) return;
  mkdirSync(to, { recursive: true, mode: 0o700 });
  for (const month of readdirSync(from)) {
    const file = join(to, month);
    const known = new Set(existsSync(file) ? readFileSync(file, 'utf8').split('\n') : []);
    const lines = readFileSync(join(from, month), 'utf8').split('\n');
    const missing = lines.filter((line) => line !== '' && !known.has(line));
    if (missing.length > 0) appendFileSync(file, `\n${missing.join('\n')}\n`, { mode: 0o600 });
  }
}

/** Every table has the rows that its backup says. */
function compare(manifest: Manifest, found: Record<string, number>): void {
  for (const [table, count] of Object.entries(manifest.rows))
    if (found[table] !== count)
      throw new Error(
        `The backup does not come back whole: table ${table} has ${found[table] ?? 'no'} rows and not ${count}.`,
      );
}

/** Puts database and outbox in their places; renames only, so that a full disk cannot stop it half-way. */
function swapIn(data: string, work: string, now: Date): string | null {
  const old = join(data, `replaced-${now.toISOString().slice(0, 19).replace(/[-:]/g, '')}Z`);
  const there = ['mariadb', 'outbox'].filter((name) => existsSync(join(data, name)));
  if (there.length > 0) mkdirSync(old, { mode: 0o700 });
  for (const name of there) renameSync(join(data, name), join(old, name));
  renameSync(join(work, 'mariadb'), join(data, 'mariadb'));
  if (existsSync(join(work, 'outbox'))) renameSync(join(work, 'outbox'), join(data, 'outbox'));
  return there.length > 0 ? old : null;
}
