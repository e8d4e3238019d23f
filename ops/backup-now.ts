import { join } from 'node:path';
import { clockNow } from '@/server/platform/clock';
import { makeBackup } from './backup';

/*
 * DATABASE_URL=mariadb://... node --import tsx ops/backup-now.ts
 * Makes a backup into the data folder at once, beside a running server too. The server starts it each night.
 */

if (!process.env.DATABASE_URL) {
  console.error('Set DATABASE_URL to the database to back up.');
  process.exit(2);
}
try {
  const file = await makeBackup(
    { data: process.env.PEAR_BENCH_DATA ?? join(process.cwd(), '.data'), url: process.env.DATABASE_URL },
    clockNow(),
  );
  if (process.send) {
    process.send(file);
    process.disconnect();
  } else console.log(file);
} catch (error) {
  console.error(`The backup failed: ${(error as Error).message}`);
  process.exit(1);
}
