import { strikeInput } from '@/core/findings/causes/cause-inputs';
import { id } from '@/core/inputs/fields';
import { UNSET } from '@/db/unset';
import { isDuplicate, transact } from '@/db/transact';
import { audit } from '@/server/platform/audit';
import { allow, type Context } from '@/server/platform/context';
import { parse } from '@/server/platform/parse';
import { notFound, UseCaseError } from '@/server/platform/use-case-error';
import { clubTables } from './club-tables';
import { deadKeeper } from './dead-keeper';

/** Strikes evidence of a union out, with the reason: it is kept and shown, and counts for nothing. */
export async function strikeEvidence(context: Context, strikeId: string, input: unknown): Promise<void> {
  allow(context, 'assistant');
  parse(id('what is struck out'), strikeId);
  const { unionId, code, reason } = parse(strikeInput, input);
  const { db, actor, now } = context;
  const { clubId, userId } = actor;
  if (!(await clubTables(context)).model.evidence.has(code))
    throw new UseCaseError('invalid', 'Choose what is struck out again: no table names it.', { code: 'Not known.' });
  try {
    await transact(db, async (transaction) => {
      const known = await db.struckEvidence.findOne({ where: { id: strikeId }, transaction, raw: true });
      if (known && known.clubId !== clubId) throw notFound('What is struck out');
      if (known) return;
      await deadKeeper(context, unionId, transaction);
      const liveKey = `${unionId} ${code}`;
      const row = { id: strikeId, clubId, unionId, code, reason, struckBy: userId, struckAt: now, liveKey };
      await db.struckEvidence.create({ ...row, restoredAt: null }, { transaction });
      await audit(db, transaction, {
        clubId,
        actorId: userId,
        action: `struck out: ${code}`,
        subjectId: unionId,
        at: now,
      });
    });
  } catch (error) {
    if (!isDuplicate(error)) throw error;
    throw new UseCaseError('conflict', 'Somebody struck this out already. Reload the page to see their reason.');
  }
}

/** Lets evidence count again. What counts already changes nothing. */
export async function restoreEvidence(context: Context, strikeId: string): Promise<void> {
  allow(context, 'assistant');
  parse(id('what is struck out'), strikeId);
  const { db, actor, now } = context;
  const { clubId, userId } = actor;
  await transact(db, async (transaction) => {
    const known = await db.struckEvidence.findOne({ where: { clubId, id: strikeId }, transaction, raw: true });
    if (!known) throw notFound('What is struck out');
    const [restored] = await db.struckEvidence.update(
      { restoredAt: now, liveKey: null },
      { where: { clubId, id: strikeId, restoredAt: UNSET }, transaction },
    );
    if (restored > 0)
      await audit(db, transaction, {
        clubId,
        actorId: userId,
        action: `counts again: ${known.code}`,
        subjectId: known.unionId,
        at: now,
      });
  });
}
