import { Op } from 'sequelize';
import { id } from '@/core/inputs/fields';
import { transact } from '@/db/transact';
import { UNSET } from '@/db/unset';
import { audit } from '@/server/platform/audit';
import { allow, type Context } from '@/server/platform/context';
import { parse } from '@/server/platform/parse';
import { notFound } from '@/server/platform/use-case-error';
import { liveKey } from './mark-tasks';

/**
 * Says which of two outcomes of one task counts; the other is taken back. Settled twice it changes nothing.
 *
 * @param markId the one that counts: the first that was told, or one beside it
 */
export async function settleMark(context: Context, markId: string): Promise<void> {
  allow(context, 'lead');
  parse(id('the mark'), markId);
  const { db, actor, now } = context;
  const { clubId, userId } = actor;
  await transact(db, async (transaction) => {
    const chosen = await db.taskMarks.findOne({ where: { clubId, id: markId }, transaction, lock: true, raw: true });
    if (!chosen || chosen.undoneAt) throw notFound('What was told');
    const firstId = chosen.besideId ?? chosen.id;
    const others = await db.taskMarks.findAll({
      where: { clubId, [Op.or]: [{ id: firstId }, { besideId: firstId }], undoneAt: UNSET },
      transaction,
      lock: true,
      raw: true,
    });
    const refused = others.filter((mark) => mark.id !== chosen.id).map((mark) => mark.id);
    if (refused.length === 0) return;
    await db.taskMarks.update(
      { undoneAt: now, undoneBy: userId, liveKey: null },
      { where: { clubId, id: refused }, transaction },
    );
    await db.taskMarks.update(
      { besideId: null, liveKey: liveKey(chosen) },
      { where: { clubId, id: chosen.id }, transaction },
    );
    await audit(db, transaction, { clubId, actorId: userId, action: 'outcome settled', subjectId: markId, at: now });
  });
}
