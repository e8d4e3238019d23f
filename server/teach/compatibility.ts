import { kindOf } from '@/core/methods/compatibility/compatibility';
import type { CompatibilityRow } from '@/db/models/teach-rows';
import { isDuplicate, transact } from '@/db/transact';
import { allow, type Context } from '@/server/platform/context';
import { audit } from '@/server/platform/audit';
import { id } from '@/core/inputs/fields';
import { parse } from '@/server/platform/parse';
import { notFound, UseCaseError } from '@/server/platform/use-case-error';
import { pairInput } from '@/core/teach/pair-input';

/** Writes a row of the club's table under an id from the browser; there is one row a pair. */
export async function putPairing(context: Context, pairId: string, input: unknown): Promise<void> {
  allow(context, 'assistant');
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  parse(id('the pair'), pairId);
  const values = parse(pairInput, input);
  const row = { ...values, stock: kindOf(values.stock), scion: kindOf(values.scion), withdrawn: false };
  try {
    await transact(db, async (transaction) => {
      const known = await db.compatibility.findOne({ where: { id: pairId }, transaction, raw: true });
      if (known && known.clubId !== clubId) throw notFound('The pair');
      // A pair that was taken back makes room for the new row.
      const gone = await db.compatibility.findOne({
        where: { clubId, stock: row.stock, scion: row.scion, withdrawn: true },
        transaction,
        raw: true,
      });
      if (gone && gone.id !== pairId) await db.compatibility.destroy({ where: { clubId, id: gone.id }, transaction });
      if (known) await db.compatibility.update(row, { where: { clubId, id: pairId }, transaction });
      else await db.compatibility.create({ id: pairId, clubId, ...row } as CompatibilityRow, { transaction });
      await audit(db, transaction, {
        clubId,
        actorId: userId,
        action: known ? 'pair changed' : 'pair added',
        subjectId: pairId,
        at: now,
      });
    });
  } catch (error) {
    if (!isDuplicate(error)) throw error;
    // The same request sent twice at once: the other one wrote it.
    if (
      await db.compatibility.findOne({
        where: { clubId, id: pairId, stock: row.stock, scion: row.scion, withdrawn: false },
        raw: true,
      })
    )
      return;
    throw new UseCaseError(
      'conflict',
      `The club has a row for ${row.scion} on ${row.stock} already. Change that one.`,
      { scion: 'There is a row for this pair.' },
    );
  }
}

/** Takes a row of the club back; what is usual stands again. */
export async function withdrawPairing(context: Context, pairId: string): Promise<void> {
  allow(context, 'assistant');
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  await transact(db, async (transaction) => {
    const [changed] = await db.compatibility.update(
      { withdrawn: true },
      { where: { clubId, id: pairId, withdrawn: false }, transaction },
    );
    if (changed > 0)
      await audit(db, transaction, { clubId, actorId: userId, action: 'pair taken back', subjectId: pairId, at: now });
  });
}
