import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { openDatabase } from '@/db/database';
import { migrate } from '@/db/migrate';
import { loadDemo } from '@/demo/load-demo';
import { keepDemoState } from '@/e2e/setup/demo-state';
import { makeSecondClub } from '@/e2e/setup/second-club';
import { erasedListIn } from '@/server/platform/erased-list';
import { folderMail } from '@/stand-ins/mail/folder-mail';
import { simulatedWeather } from '@/stand-ins/weather/simulated-weather';
import { freePort, startMariaDb } from './mariadb';
import { serve, stopServing } from './serve';

/*
 * Runs the end-to-end tests against the production build in a world of their own: a throwaway
 * MariaDB, a free port, the demo guild and a second club. Arguments go to Playwright.
 */

const folder = join(process.cwd(), '.check', 'world');
const password = 'bench-check-password';

/** Ends whatever server runs on the world's data, also one a test has started anew. */
async function endDatabase(): Promise<void> {
  const pidFile = join(folder, 'mariadb.pid');
  if (!existsSync(pidFile)) return;
  try {
    process.kill(Number(readFileSync(pidFile, 'utf8')), 'SIGTERM');
  } catch {
    // Already gone.
  }
}

await endDatabase();
rmSync(folder, { recursive: true, force: true });
mkdirSync(folder, { recursive: true });
const mail = join(folder, 'outbox');
const own = await startMariaDb(folder);
const db = openDatabase(own.url);
await migrate(db.sequelize);
const port = await freePort();
const url = `http://127.0.0.1:${port}`;
const services = { db, mail: folderMail(mail), weather: simulatedWeather, erased: erasedListIn(join(folder, 'erased.txt')), publicUrl: url, now: new Date() };
await loadDemo(services, password);
const second = await makeSecondClub(services, password);
await db.sequelize.close();
keepDemoState(folder);
writeFileSync(join(folder, 'second-club.json'), JSON.stringify(second));

Object.assign(process.env, { DATABASE_URL: own.url, PEAR_BENCH_MAIL: mail, PEAR_BENCH_ERASED: join(folder, 'erased.txt'), PEAR_BENCH_PUBLIC_URL: url });
const server = await serve({ host: '127.0.0.1', port });
const child = spawn(process.execPath, ['node_modules/@playwright/test/cli.js', 'test', ...process.argv.slice(2)], {
  stdio: 'inherit',
  env: { ...process.env, NODE_ENV: 'test', E2E_URL: url, E2E_PASSWORD: password, E2E_WORLD: folder, E2E_MARIADB_PORT: String(own.port) },
});
const code = await new Promise<number>((resolve) => child.once('exit', (exitCode) => resolve(exitCode ?? 1)));
await stopServing(server);
await endDatabase();
process.exit(code);
