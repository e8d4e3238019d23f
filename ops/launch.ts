import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import type { Server } from 'node:http';
import { join } from 'node:path';
import { QueryTypes } from 'sequelize';
import { openDatabase, type Database } from '@/db/database';
import { migrate, pendingMigrations } from '@/db/migrate';
import { tableNames } from '@/db/table-names';
import { loadDemo } from '@/demo/load-demo';
import { ASSISTANT, LEAD, VIEWER } from '@/demo/scenario';
import { erasedListIn } from '@/server/platform/erased-list';
import { forgetOldSessions } from '@/server/club/sign-in';
import { folderMail } from '@/stand-ins/mail/folder-mail';
import { simulatedWeather } from '@/stand-ins/weather/simulated-weather';
import { backUpNightly, canBackUp, makeBackup } from './backup';
import { type OwnMariaDb, startMariaDb } from './mariadb';
import { tendFollowUp } from './tend-follow-up';
import { tendOutbox } from './tend-outbox';
import { serve, stopServing } from './serve';
import { port, refuse, settings } from './start-settings';

const DATA = process.env.PEAR_BENCH_DATA ?? join(process.cwd(), '.data');
const said = (text: string): void => console.log(text);

const scheme = settings.cert ? 'https' : 'http';
const shownHost = ['0.0.0.0', '::'].includes(settings.host) ? '127.0.0.1' : settings.host;
const address = `${scheme}://${shownHost}:${port}`;
process.env.PEAR_BENCH_PUBLIC_URL = (settings['public-url'] ?? address).replace(/\/+$/, '');
mkdirSync(DATA, { recursive: true, mode: 0o700 });
process.env.PEAR_BENCH_MAIL ??= join(DATA, 'outbox');
process.env.PEAR_BENCH_BACKUPS ??= join(DATA, 'backups');
process.env.PEAR_BENCH_ERASED ??= join(DATA, 'erased.txt');

let own: OwnMariaDb | null = null;
let server: Server | null = null;
let stopping = false;
let stopTending = (): void => undefined;
let stopBackingUp = (): void => undefined;

async function stop(code: number): Promise<void> {
  if (stopping) return;
  stopping = true;
  said('Stopping.');
  stopTending();
  stopBackingUp();
  if (server) await stopServing(server);
  await own?.stop();
  said('Stopped. Nothing is lost; ./start goes on from here.');
  process.exit(code);
}
process.on('SIGINT', () => void stop(0));
process.on('SIGTERM', () => void stop(0));

/** Deaths of the database within a minute after which it is not started again: something is wrong that a start does not mend. */
const MOST_DEATHS = 3;
let deaths: number[] = [];

/** Starts the own database, and again should it die while the application runs. */
async function keepMariaDb(at?: number): Promise<OwnMariaDb> {
  const started = await startMariaDb(DATA, at === undefined ? {} : { port: at });
  started.process.once('exit', () => {
    if (stopping) return;
    deaths = [...deaths.filter((at) => at > Date.now() - 60_000), Date.now()];
    if (deaths.length > MOST_DEATHS) {
      console.error(`The database keeps stopping. Its log is ${join(DATA, 'mariadb.log')}.`);
      void stop(1);
      return;
    }
    said('The database stopped by itself; starting it again.');
    keepMariaDb(started.port).then(
      (again) => (own = again),
      (error: Error) => {
        console.error(error.message);
        void stop(1);
      },
    );
  });
  own = started;
  return started;
}

function demoPassword(): string {
  const file = join(DATA, 'demo.password');
  if (!existsSync(file)) writeFileSync(file, randomBytes(9).toString('base64url'), { mode: 0o600 });
  return readFileSync(file, 'utf8').trim();
}

/** There while the demo is being loaded: a start that finds it was preceded by one that died at it. */
const LOADING = join(DATA, 'demo.loading');

/** Makes the own schema anew after a demo that was cut off half-way. Never touches an outside server. */
async function clearHalfLoadedDemo(url: string): Promise<void> {
  if (!existsSync(LOADING)) return;
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
      'No backup is made before the tables are changed: install mariadb-server beside the outside server’s address, or back it up there.',
    );
  said(`Backing up before ${next}.`);
  said(
    `Backup made: ${await makeBackup({ data: DATA, url: process.env.DATABASE_URL! }, new Date(), `before-${next.slice(0, 4)}`)}.`,
  );
}

async function prepare(db: Database): Promise<void> {
  if (settings.demo) {
    const tables = await tableNames(db.sequelize);
    if (tables.length > 0 && !tables.includes('migrations'))
      refuse('--demo loads into an empty schema only; this one has tables of something else. Name another schema.');
  }
  await backUpBeforeMigrating(db);
  const done = await migrate(db.sequelize);
  if (done.length > 0) said(`Database brought up to date: ${done.join(', ')}.`);
  await forgetOldSessions({ db, now: new Date() });
  const empty = (await db.users.count()) === 0;
  if (settings.demo && !empty)
    refuse('--demo loads into an empty schema only; this one has accounts. Leave --demo out, or name another schema.');
  const wanted = process.env.DATABASE_URL_OUTSIDE ? settings.demo : !settings.empty;
  if (!empty || !wanted) return;
  said('Loading the demo guild.');
  writeFileSync(LOADING, '');
  await loadDemo(
    {
      db,
      mail: folderMail(process.env.PEAR_BENCH_MAIL!),
      weather: simulatedWeather,
      erased: erasedListIn(process.env.PEAR_BENCH_ERASED!),
      publicUrl: process.env.PEAR_BENCH_PUBLIC_URL!,
      now: new Date(),
    },
    demoPassword(),
  );
  rmSync(LOADING);
}

try {
  if (process.env.DATABASE_URL) {
    process.env.DATABASE_URL_OUTSIDE = '1';
    said('Using the database server of DATABASE_URL.');
  } else {
    said(
      existsSync(join(DATA, 'mariadb'))
        ? 'Starting the database.'
        : 'Setting up the database, a moment the first time.',
    );
    process.env.DATABASE_URL = (await keepMariaDb()).url;
    await clearHalfLoadedDemo(process.env.DATABASE_URL);
  }
  // Changing tables and loading the demo take as long as they take.
  const patient = openDatabase(process.env.DATABASE_URL, { silence: 0 });
  await prepare(patient);
  await patient.sequelize.close();
  const db = openDatabase(process.env.DATABASE_URL);
  const demo =
    (await db.users.findOne({ where: { email: LEAD.email }, raw: true })) !== null &&
    existsSync(join(DATA, 'demo.password'));
  const mail = folderMail(process.env.PEAR_BENCH_MAIL);
  const stopOutbox = await tendOutbox(db, mail, said);
  const stopFollowUp = tendFollowUp({
    db,
    mail,
    weather: simulatedWeather,
    erased: erasedListIn(process.env.PEAR_BENCH_ERASED!),
    publicUrl: process.env.PEAR_BENCH_PUBLIC_URL!,
  });
  stopTending = () => {
    stopOutbox();
    stopFollowUp();
  };
  if (canBackUp()) stopBackingUp = backUpNightly({ data: DATA, url: process.env.DATABASE_URL }, said);
  else
    said(
      'No backups are made from here: the programs of mariadb-server are not installed. Whoever runs the outside server backs it up.',
    );
  said('Starting the application.');
  server = await serve({
    host: settings.host,
    port,
    cert: settings.cert,
    key: settings.key,
    behindProxy: settings['behind-proxy'],
  });
  said(`\nPear Bench is ready at ${address}`);
  if (process.env.PEAR_BENCH_PUBLIC_URL !== address)
    said(`Links and QR codes lead to ${process.env.PEAR_BENCH_PUBLIC_URL}`);
  if (demo) {
    said(`Demo sign-ins, all with the password ${demoPassword()}`);
    for (const [role, { email }] of [
      ['lead', LEAD],
      ['assistant', ASSISTANT],
      ['viewer', VIEWER],
    ] as const)
      said(`  ${role.padEnd(10)} ${email}`);
  }
  said('Ctrl-C stops it.');
} catch (error) {
  const busy = (error as NodeJS.ErrnoException).code === 'EADDRINUSE';
  console.error(
    busy
      ? `Port ${port} is taken by another program. Choose another: ./start --port ${port + 1}`
      : (error as Error).stack,
  );
  await stop(1);
}
