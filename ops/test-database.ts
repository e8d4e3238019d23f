import { rmSync } from 'node:fs';
import { join } from 'node:path';
import type { TestProject } from 'vitest/node';
import { openDatabase } from '@/db/database';
import { migrate } from '@/db/migrate';
import { startMariaDb } from './mariadb';

declare module 'vitest' {
  interface ProvidedContext {
    databaseUrl: string;
  }
}

/** A throwaway MariaDB for the unit tests that speak to one; each test file makes its own club in it. */
export default async function setup(project: TestProject): Promise<() => Promise<void>> {
  const folder = join(process.cwd(), '.check', `unit-database-${process.pid}`);
  const own = await startMariaDb(folder);
  const db = openDatabase(own.url, { silence: 0 });
  await migrate(db.sequelize);
  await db.sequelize.close();
  project.provide('databaseUrl', own.url);
  return async () => {
    await own.stop();
    rmSync(folder, { recursive: true, force: true });
  };
}
