import type { Transaction } from 'sequelize';
import type { Database } from '@/db/database';

/** Who did what to which id, and when. */
export interface AuditEntry {
  clubId: string;
  actorId: string | null;
  action: string;
  subjectId: string;
  at: Date;
}

/** Notes who did what to which id. Ids only: names live with the person and can be erased there. */
export async function audit(db: Database, transaction: Transaction, ...entries: AuditEntry[]): Promise<void> {
  await db.audit.bulkCreate(entries, { transaction });
}
