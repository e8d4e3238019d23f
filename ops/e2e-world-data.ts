import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { openDatabase } from '@/db/database';
import { migrate } from '@/db/migrate';
import { loadDemo } from '@/demo/load-demo';
import { keepDemoState } from '@/e2e/setup/demo-state';
import { makeSecondClub } from '@/e2e/setup/second-club';
import { deedLogIn } from '@/server/platform/deed-log';
import { erasedListIn } from '@/server/platform/erased-list';
import { folderMail } from '@/stand-ins/mail/folder-mail';
import { simulatedWeather } from '@/stand-ins/weather/simulated-weather';

/*
 * Fills the database of a world with the demo guild and a second club, and ends: e2e-world.ts serves them in a process
 * that holds nothing else, as ./start does.
 */

const [folder, password] = process.argv.slice(2) as [string, string];
process.once('disconnect', () => process.exit(1));
const db = openDatabase(process.env.DATABASE_URL!, { silence: 0 });
await migrate(db.sequelize);
const services = {
  db,
  mail: folderMail(process.env.PEAR_BENCH_MAIL!),
  weather: simulatedWeather,
  erased: erasedListIn(process.env.PEAR_BENCH_ERASED!),
  deeds: deedLogIn(process.env.PEAR_BENCH_DEEDS!),
  publicUrl: process.env.PEAR_BENCH_PUBLIC_URL!,
  now: new Date(),
};
await loadDemo(services, password);
const second = await makeSecondClub(services, password);
await db.sequelize.close();
keepDemoState(folder);
writeFileSync(join(folder, 'second-club.json'), JSON.stringify(second));
process.exit(0);
