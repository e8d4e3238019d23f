import type { Transaction } from 'sequelize';
import type { Database } from '@/db/database';

/** Notes who did what to which id. Ids only: names live with the person and can be erased there. */
export async function audit(
  db: Database,
  transaction: Transaction,
  entry: { clubId: string; actorId: string | null; action: string; subjectId: string; at: Date },
): Promise<void> {
  await db.audit.create(entry, { transaction });
}
