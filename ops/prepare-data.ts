import { randomBytes } from 'node:crypto';
import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { QueryTypes } from 'sequelize';
import { openDatabase, type Database } from '@/db/database';
import { migrate, pendingMigrations } from '@/db/migrate';
import { tableNames } from '@/db/table-names';
import { loadDemo } from '@/demo/load-demo';
import { ASSISTANT, LEAD, VIEWER } from '@/demo/scenario';
import { clockNow, clockOffset } from '@/server/platform/clock';
import { deedLogIn } from '@/server/platform/deed-log';
import { erasedListIn } from '@/server/platform/erased-list';
import { forgetOldSessions } from '@/server/club/sign-in';
import { folderMail } from '@/stand-ins/mail/folder-mail';
import { simulatedWeather } from '@/stand-ins/weather/simulated-weather';
import { makeBackup } from './backup';
import { canBackUp } from './nightly-backup';

/*
 * Readies the database before the server starts, and ends: brings the tables up to date, after a backup, and loads the
 * demo into an empty one. Settings come by the environment, as launch.ts set them; it sends its parent whose data it is.
 */

/** What the launcher is told. */
export interface PreparedData {
  /** Sign-ins of the demo, where it is the demo. */
  demo: { password: string; people: { role: string; email: string }[] } | null;
}

const url = process.env.DATABASE_URL!;
const data = process.env.PEAR_BENCH_DATA!;
const outside = process.env.DATABASE_URL_OUTSIDE === '1';
const wantsDemo = process.env.PEAR_BENCH_WANTS_DEMO === '1';
const said = (text: string): void => console.log(text);

/** Ends a start that cannot be, with what to change. */
function refuse(message: string): never {
  console.error(message);
  process.exit(2);
}

const passwordFile = join(data, 'demo.password');
function demoPassword(): string {
  if (!existsSync(passwordFile)) writeFileSync(passwordFile, randomBytes(9).toString('base64url'), { mode: 0o600 });
  return readFileSync(passwordFile, 'utf8').trim();
}

/** There while the demo is being loaded: a start that finds it was preceded by one that died at it. */
const LOADING = join(data, 'demo.loading');

/** Empties the own schema after a demo that was cut off half-way. Never touches an outside server. */
async function clearHalfLoadedDemo(): Promise<void> {
  if (outside || !existsSync(LOADING)) return;
  said('The demo was cut off while it was loading; loading it afresh.');
  const db = openDatabase(url, { silence: 0 });
  await db.sequelize.query('DROP DATABASE pear_bench', { type: QueryTypes.RAW });
  await db.sequelize.query('CREATE DATABASE pear_bench CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci', {
    type: QueryTypes.RAW,
  });
  await db.sequelize.close();
  rmSync(process.env.PEAR_BENCH_MAIL!, { recursive: true, force: true });
  rmSync(LOADING);
}

/** Real data is not changed by a new version before a backup of it was made and proven. */
async function backUpBeforeMigrating(db: Database): Promise<void> {
  const tables = await tableNames(db.sequelize);
  const [next] = await pendingMigrations(db.sequelize);
  if (!next || !tables.includes('users') || (await db.users.count()) === 0) return;
  if (!canBackUp())
    return said(
      'No backup is made before the tables are changed: install mariadb-server on this machine, or back the database up on its own server.',
    );
  said(`Backing up before ${next}.`);
  said(`Backup made: ${await makeBackup({ data, url }, new Date(), `before-${next.slice(0, 4)}`)}.`);
}

async function loadWantedDemo(db: Database): Promise<void> {
  const empty = (await db.users.count()) === 0;
  if (outside && wantsDemo && !empty)
    refuse('--demo loads into an empty schema only; this one has accounts. Leave --demo out, or name another schema.');
  if (!empty || !wantsDemo) return;
  said('Loading the demo guild.');
  writeFileSync(LOADING, '');
  await loadDemo(
    {
      db,
      mail: folderMail(process.env.PEAR_BENCH_MAIL!),
      weather: simulatedWeather,
      erased: erasedListIn(process.env.PEAR_BENCH_ERASED!),
      deeds: deedLogIn(process.env.PEAR_BENCH_DEEDS!),
      publicUrl: process.env.PEAR_BENCH_PUBLIC_URL!,
      now: clockNow(),
    },
    demoPassword(),
  );
  writeFileSync(LOADED, clockNow().toISOString().slice(0, 10));
  rmSync(LOADING);
}

/** The day a demo was loaded on, by its own clock. */
const LOADED = join(data, 'demo.loaded');

/** The clock is moved for the demo alone, and never to before the day it was loaded on: its data would lie ahead. */
async function checkClock(db: Database): Promise<void> {
  const tables = await tableNames(db.sequelize);
  if (!tables.includes('users') || (await db.users.count()) === 0) {
    if (clockOffset() !== 0 && !wantsDemo) refuse(NOT_MOVED);
    return;
  }
  if (!(await isDemo(db))) {
    if (clockOffset() !== 0) refuse(NOT_MOVED);
    return;
  }
  // An earlier version did not note the day; its demo is no older than the present.
  const real = new Date().toISOString().slice(0, 10);
  const loaded = existsSync(LOADED) ? readFileSync(LOADED, 'utf8') : clockOffset() < 0 ? real : '';
  const today = clockNow().toISOString().slice(0, 10);
  if (today < loaded)
    refuse(
      `The demo was loaded as of ${loaded} and cannot go back to ${today}. Choose a later day, or load it afresh into another folder: PEAR_BENCH_DATA=folder ./start --today ${today}`,
    );
}
const NOT_MOVED = '--today moves the clock of the demo only, and this is the data of a club. Leave --today out.';

const isDemo = async (db: Database): Promise<boolean> =>
  existsSync(passwordFile) && (await db.users.count({ where: { email: LEAD.email } })) > 0;

// A launcher that dies takes this along: the next one finds what is half done.
const orphaned = (): never => process.exit(1);
process.once('disconnect', orphaned);
await clearHalfLoadedDemo();
// Changing tables and loading the demo take as long as they take.
const db = openDatabase(url, { silence: 0 });
if (outside && wantsDemo) {
  const tables = await tableNames(db.sequelize);
  if (tables.length > 0 && !tables.includes('migrations'))
    refuse('--demo loads into an empty schema only; this one has tables of something else. Name another schema.');
}
await checkClock(db);
await backUpBeforeMigrating(db);
const done = await migrate(db.sequelize);
if (done.length > 0) said(`Database brought up to date: ${done.join(', ')}.`);
await forgetOldSessions({ db, now: clockNow() });
await loadWantedDemo(db);
const demo = await isDemo(db);
await db.sequelize.close();
process.send?.({
  demo: demo
    ? {
        password: demoPassword(),
        people: [
          { role: 'lead', email: LEAD.email },
          { role: 'assistant', email: ASSISTANT.email },
          { role: 'viewer', email: VIEWER.email },
        ],
      }
    : null,
} satisfies PreparedData);
process.off('disconnect', orphaned);
process.disconnect?.();
