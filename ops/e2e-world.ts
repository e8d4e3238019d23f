import { mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { openDatabase } from '@/db/database';
import { migrate } from '@/db/migrate';
import { loadDemo } from '@/demo/load-demo';
import { keepDemoState } from '@/e2e/setup/demo-state';
import { makeSecondClub } from '@/e2e/setup/second-club';
import type { World } from '@/e2e/setup/world';
import { erasedListIn } from '@/server/platform/erased-list';
import { folderMail } from '@/stand-ins/mail/folder-mail';
import { simulatedWeather } from '@/stand-ins/weather/simulated-weather';
import { endLeftover, freePort, startMariaDb } from './mariadb';
import { serve, stopServing } from './serve';

/*
 * node --import tsx ops/e2e-world.ts FOLDER PASSWORD
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
const mail = join(folder, 'outbox');
const erased = join(folder, 'erased.txt');
const own = await startMariaDb(folder);
const db = openDatabase(own.url, { silence: 0 });
await migrate(db.sequelize);
const port = await freePort();
const url = `http://127.0.0.1:${port}`;
const services = {
  db,
  mail: folderMail(mail),
  weather: simulatedWeather,
  erased: erasedListIn(erased),
  publicUrl: url,
  now: new Date(),
};
await loadDemo(services, password);
const second = await makeSecondClub(services, password);
await db.sequelize.close();
keepDemoState(folder);
writeFileSync(join(folder, 'second-club.json'), JSON.stringify(second));

const environment = {
  DATABASE_URL: own.url,
  PEAR_BENCH_MAIL: mail,
  PEAR_BENCH_ERASED: erased,
  PEAR_BENCH_PUBLIC_URL: url,
};
Object.assign(process.env, environment);
const server = await serve({ host: '127.0.0.1', port });
process.off('disconnect', abandoned);
process.once('disconnect', () => {
  void stopServing(server)
    .then(() => endLeftover(pidFile))
    .then(() => process.exit());
});
process.send!({ url, folder, password, databasePort: own.port, environment } satisfies World);
