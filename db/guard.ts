import { QueryTypes, type Transaction } from 'sequelize';
import type { Database } from './database';

/**
 * Lets one transaction at a time decide about something of a club, which is not one row: who leads it,
 * who may be written to. To be called before what the decision hangs on is read.
 *
 * It writes a row instead of locking one. On one server whoever comes second waits for it; on a
 * cluster, where a lock holds on its own node only, two that met there write the same row, the slower
 * one is refused when it commits, and `transact` begins it again.
 *
 * @param name of what is decided about, such as 'leads' or `union ${id}`; 80 characters at most.
 */
export async function holdGuard(db: Database, transaction: Transaction, clubId: string, name: string): Promise<void> {
  await db.sequelize.query(
    'INSERT INTO guards (club_id, name, turn) VALUES (:clubId, :name, 1) ON DUPLICATE KEY UPDATE turn = turn + 1',
    { replacements: { clubId, name }, type: QueryTypes.INSERT, transaction },
  );
}
