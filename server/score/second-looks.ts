import { transact } from '@/db/transact';
import { audit } from '@/server/platform/audit';
import { allow, type Context } from '@/server/platform/context';
import { refreshUnionFacts } from '@/server/platform/union-facts';
import { getWorkshop } from '@/server/plan/workshops';

/** True when a union is among the share `rate` that is scored twice; by chance, and the same for all who ask. */
export function isDrawn(unionId: string, rate: number): boolean {
  // The last digits of an id are random.
  return Number.parseInt(unionId.slice(-8), 16) / 0x1_0000_0000 < rate;
}

/** Gives up the second looks that are still waited for: from now on the first scores are shown and count. */
export async function closeSecondLooks(context: Context, workshopId: string): Promise<number> {
  allow(context, 'lead');
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  await getWorkshop(context, workshopId);
  return transact(db, async (transaction) => {
    const where = { clubId, workshopId, secondWanted: true, secondSettledAt: null };
    const open = await db.unions.findAll({ where, transaction, raw: true });
    if (open.length === 0) return 0;
    await db.unions.update({ secondSettledAt: now }, { where, transaction });
    await refreshUnionFacts(
      db,
      clubId,
      open.map(({ id }) => id),
      transaction,
    );
    await audit(db, transaction, {
      clubId,
      actorId: userId,
      action: `second looks given up: ${open.length}`,
      subjectId: workshopId,
      at: now,
    });
    return open.length;
  });
}
