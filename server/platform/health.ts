import { QueryTypes } from 'sequelize';
import type { Database } from '@/db/database';
import { pendingMigrations } from '@/db/migrate';

export interface Health {
  ok: boolean;
  database: 'up' | 'down';
  migrations: 'done' | 'pending' | 'unknown';
}

/** Whether the database answers and has every migration of this build. */
export async function health(db: Database): Promise<Health> {
  try {
    await db.sequelize.query('SELECT 1', { type: QueryTypes.SELECT });
  } catch {
    return { ok: false, database: 'down', migrations: 'unknown' };
  }
  try {
    const pending = await pendingMigrations(db.sequelize);
    return { ok: pending.length === 0, database: 'up', migrations: pending.length === 0 ? 'done' : 'pending' };
  } catch {
    return { ok: false, database: 'up', migrations: 'unknown' };
  }
}
