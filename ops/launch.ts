import { existsSync, mkdirSync, writeFileSync } from 'node:fs';
import type { Server } from 'node:http';
import { join, resolve } from 'node:path';
import { clockNow } from '@/server/platform/clock';
import { removeUnfinished } from './backup';
import { keepBackupKey } from './backup-encryption';
import { clockMove, keepClockMove } from './demo-clock';
import { backUpNightly, canBackUp } from './nightly-backup';
import { type OwnMariaDb, startMariaDb } from './mariadb';
import type { PreparedData } from './prepare-data';
import { ProgramEnded, runProgram } from './program';
import { serve, stopServing } from './serve';
import { port, refuse, settings } from './start-settings';

const DATA = resolve(process.env.PEAR_BENCH_DATA ?? '.data');
process.env.PEAR_BENCH_DATA = DATA;
const said = (text: string): void => console.log(text);

const scheme = settings.cert ? 'https' : 'http';
const shownHost = ['0.0.0.0', '::'].includes(settings.host) ? '127.0.0.1' : settings.host;
const address = `${scheme}://${shownHost}:${port}`;
process.env.PEAR_BENCH_PUBLIC_URL = (settings['public-url'] ?? address).replace(/\/+$/, '');
mkdirSync(DATA, { recursive: true, mode: 0o700 });
process.env.PEAR_BENCH_MAIL ??= join(DATA, 'outbox');
process.env.PEAR_BENCH_BACKUPS ??= join(DATA, 'backups');
process.env.PEAR_BENCH_ERASED ??= join(DATA, 'erased.txt');
process.env.PEAR_BENCH_DEEDS ??= join(DATA, 'deeds');

if (settings['backup-key'] !== undefined) {
  try {
    keepBackupKey(DATA, settings['backup-key']);
  } catch (error) {
    refuse((error as Error).message);
  }
  said(
    settings['backup-key'] === 'none'
      ? 'Backups from now on are not encrypted. Those that are stay so: keep their key.'
      : 'Backups from now on are encrypted for your key. Keep its file safe and elsewhere: without it nobody can play them back, you neither. Earlier backups stay as they are.',
  );
}

let own: OwnMariaDb | null = null;
let server: Server | null = null;
let stopping = false;
let stopBackingUp = (): void => undefined;

async function stop(code: number): Promise<void> {
  if (stopping) return;
  stopping = true;
  said('Stopping.');
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

try {
  // Throwaway servers of backups and restores that were killed hold everybody's data.
  for (const folder of [DATA, join(DATA, 'backups')]) await removeUnfinished(folder);
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
  }
  process.env.PEAR_BENCH_WANTS_DEMO = (process.env.DATABASE_URL_OUTSIDE ? settings.demo : !settings.empty) ? '1' : '';
  const move = clockMove(DATA, settings.today, new Date());
  process.env.PEAR_BENCH_CLOCK_OFFSET = String(move);
  const { demo } = (await runProgram<PreparedData>('prepare-data'))!;
  keepClockMove(DATA, move);
  if (move !== 0)
    said(
      `The clock of the demo is set to ${clockNow().toISOString().slice(0, 10)} and runs on from there. Start with --today ${new Date().toISOString().slice(0, 10)} to set it right again.`,
    );
  if (canBackUp()) stopBackingUp = backUpNightly({ data: DATA }, said);
  else
    said(
      'No backups are made from here: the programs of mariadb-server are not installed. Back the database up on its own server.',
    );
  said('Starting the application.');
  // Letters are read and written by the server's own copy of the code (instrumentation.ts).
  process.env.PEAR_BENCH_TENDS = '1';
  server = await serve({
    host: settings.host,
    port,
    cert: settings.cert,
    key: settings.key,
    behindProxy: settings['behind-proxy'],
  });
  writeFileSync(join(DATA, 'server.pid'), String(process.pid));
  said(`\nPear Bench is ready at ${address}`);
  if (process.env.PEAR_BENCH_PUBLIC_URL !== address)
    said(`Links and QR codes lead to ${process.env.PEAR_BENCH_PUBLIC_URL}`);
  if (demo) {
    said(`Demo sign-ins, all with the password ${demo.password}`);
    for (const { role, email } of demo.people) said(`  ${role.padEnd(10)} ${email}`);
  }
  said('Ctrl-C stops it.');
} catch (error) {
  const busy = (error as NodeJS.ErrnoException).code === 'EADDRINUSE';
  if (error instanceof ProgramEnded) await stop(error.code ?? 1);
  console.error(
    busy
      ? `Port ${port} is taken by another program. Choose another: ./start --port ${port + 1}`
      : (error as Error).stack,
  );
  await stop(1);
}
