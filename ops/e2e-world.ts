import { mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { monitorEventLoopDelay } from 'node:perf_hooks';
import { join } from 'node:path';
import type { World } from '@/e2e/setup/world';
import { endLeftover, freePort, startMariaDb } from './mariadb';
import { runProgram } from './program';
import { serve, stopServing } from './serve';

/*
 * node .next-check/programs/e2e-world.mjs FOLDER PASSWORD [serve]
 * Worlds of the end-to-end tests. Without `serve` it makes one and ends: a throwaway MariaDB with the demo guild and a second
 * club, to be copied. With it a folder made so is served by the production build on a free port; tells its parent when it is
 * ready, and ends with it.
 */

const [folder, password, serves] = process.argv.slice(2) as [string, string, string | undefined];
/** Where links in letters lead until it is known where a world is served; five digits, as most ports have. */
const ANY_URL = 'http://127.0.0.1:54321';

/** The server that runs on the world's data, also one a test has started anew. */
const pidFile = join(folder, 'mariadb.pid');

/** A parent that ends while the world is being made takes it along. */
const abandoned = (): void => void endLeftover(pidFile).then(() => process.exit(1));
process.once('disconnect', abandoned);

await endLeftover(pidFile);
if (!serves) rmSync(folder, { recursive: true, force: true });
mkdirSync(folder, { recursive: true });
const own = await startMariaDb(folder);
let port = await freePort();
while (serves && port < 10_000) port = await freePort();
const url = serves ? `http://127.0.0.1:${port}` : ANY_URL;
const environment = {
  DATABASE_URL: own.url,
  PEAR_BENCH_MAIL: join(folder, 'outbox'),
  PEAR_BENCH_ERASED: join(folder, 'erased.txt'),
  PEAR_BENCH_DEEDS: join(folder, 'deeds'),
  PEAR_BENCH_BACKUPS: join(folder, 'backups'),
  PEAR_BENCH_PUBLIC_URL: url,
};
Object.assign(process.env, environment);
if (!serves) {
  await runProgram('e2e-world-data', [folder, password]);
  await own.stop();
  process.exit(0);
}
for (const outbox of ['outbox', 'outbox-of-the-demo'])
  for (const name of readdirSync(join(folder, outbox))) {
    const file = join(folder, outbox, name);
    writeFileSync(file, readFileSync(file, 'latin1').replaceAll(ANY_URL, url), 'latin1');
  }
const delay = monitorEventLoopDelay({ resolution: 5 });
delay.enable();
// Whoever measures asks for the longest pause of this thread since it last asked.
process.on('message', (asked) => {
  if (asked !== 'longest pause') return;
  process.send!({ longestPause: delay.max / 1e6 });
  delay.reset();
});
const server = await serve({ host: '127.0.0.1', port });
process.off('disconnect', abandoned);
process.once('disconnect', () => {
  void stopServing(server)
    .then(() => endLeftover(pidFile))
    .then(() => process.exit());
});
process.send!({ url, folder, password, pid: process.pid, databasePort: own.port, environment } satisfies World);
