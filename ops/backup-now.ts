import { join } from 'node:path';
import { makeBackup } from './backup';

/*
 * DATABASE_URL=mariadb://... node --import tsx ops/backup-now.ts
 * Makes a backup into the data folder at once, beside a running server too.
 */

if (!process.env.DATABASE_URL) {
  console.error('Set DATABASE_URL to the database to back up.');
  process.exit(2);
}
try {
  console.log(
    await makeBackup(
      { data: process.env.PEAR_BENCH_DATA ?? join(process.cwd(), '.data'), url: process.env.DATABASE_URL },
      new Date(),
    ),
  );
} catch (error) {
  console.error(`The backup failed: ${(error as Error).message}`);
  process.exit(1);
}
