import { UNSET } from '@/db/unset';
import { transact } from '@/db/transact';
import { audit } from '@/server/platform/audit';
import { allow, type Context } from '@/server/platform/context';
import { FREE_TEXTS, rowKey } from './free-texts';
import { notFound } from '@/server/platform/use-case-error';

/** A text in which an erased person may still be named. */
export interface NameTrace {
  id: string;
  what: string;
  text: string;
  page: string;
}

/** What is left for the lead to mend after people were erased. */
export async function nameTraces(context: Context): Promise<NameTrace[]> {
  allow(context, 'lead');
  const {
    db,
    actor: { clubId },
  } = context;
  const open = await db.nameTraces.findAll({
    where: { clubId, settledAt: UNSET },
    order: [
      ['foundAt', 'ASC'],
      ['id', 'ASC'],
    ],
    limit: 100,
    raw: true,
  });
  const traces: NameTrace[] = [];
  for (const place of FREE_TEXTS) {
    const own = open.filter(({ tableName }) => tableName === place.model);
    if (own.length === 0) continue;
    const where = { clubId, [place.key[0]!]: own.map((trace) => trace.rowKey.split(' ')[0]!) };
    const rows = (await (db[place.model] as typeof db.people).findAll({
      where: where as never,
      raw: true,
    })) as unknown as Record<string, unknown>[];
    for (const trace of own) {
      const row = rows.find((candidate) => rowKey(place, candidate) === trace.rowKey);
      const value = row?.[trace.columnName];
      // Gone with its row: nothing is left to mend.
      if (row)
        traces.push({
          id: trace.id,
          what: place.what,
          text: typeof value === 'string' ? value : JSON.stringify(value),
          page: place.page(row),
        });
    }
  }
  return traces;
}

/** Says that a text was mended, or names nobody. */
export async function settleTrace(context: Context, traceId: string): Promise<void> {
  allow(context, 'lead');
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  await transact(db, async (transaction) => {
    const [settled] = await db.nameTraces.update({ settledAt: now }, { where: { clubId, id: traceId }, transaction });
    if (settled === 0) throw notFound('This text');
    await audit(db, transaction, { clubId, actorId: userId, action: 'trace settled', subjectId: traceId, at: now });
  });
}
