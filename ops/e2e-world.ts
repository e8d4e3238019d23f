import { mkdirSync, rmSync } from 'node:fs';
import { monitorEventLoopDelay } from 'node:perf_hooks';
import { join } from 'node:path';
import type { World } from '@/e2e/setup/world';
import { endLeftover, freePort, startMariaDb } from './mariadb';
import { runProgram } from './program';
import { serve, stopServing } from './serve';

/*
 * node .next-check/programs/e2e-world.mjs FOLDER PASSWORD
 * One world of the end-to-end tests: a throwaway MariaDB, the demo guild and a second club, and the
 * production build that serves them on a free port. Tells its parent when it is ready, and ends with it.
 */

const [folder, password] = process.argv.slice(2) as [string, string];

/** The server that runs on the world's data, also one a test has started anew. */
const pidFile = join(folder, 'mariadb.pid');

/** A parent that ends while the world is being made takes it along. */
const abandoned = (): void => void endLeftover(pidFile).then(() => process.exit(1));
process.once('disconnect', abandoned);

await endLeftover(pidFile);
rmSync(folder, { recursive: true, force: true });
mkdirSync(folder, { recursive: true });
const own = await startMariaDb(folder);
const port = await freePort();
const url = `http://127.0.0.1:${port}`;
const environment = {
  DATABASE_URL: own.url,
  PEAR_BENCH_MAIL: join(folder, 'outbox'),
  PEAR_BENCH_ERASED: join(folder, 'erased.txt'),
  PEAR_BENCH_PUBLIC_URL: url,
};
Object.assign(process.env, environment);
await runProgram('e2e-world-data', [folder, password]);
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
