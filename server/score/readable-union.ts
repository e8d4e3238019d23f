import type { UnionRow } from '@/db/models/union-rows';
import { allow, type Context } from '@/server/platform/context';
import { hiddenFrom } from '@/server/platform/waiting-for-second';
import { notFound } from '@/server/platform/use-case-error';

/** The union of that id, practice or keeper, unless its score must not be shown to this reader yet. */
export async function readableUnion(context: Context, unionId: string): Promise<UnionRow> {
  allow(context, 'viewer');
  const {
    db,
    actor: { clubId, userId },
  } = context;
  const union = await db.unions.findOne({ where: { clubId, id: unionId }, raw: true });
  const judgements = union ? await db.judgements.findAll({ where: { clubId, unionId }, raw: true }) : [];
  if (!union || hiddenFrom(userId, union, judgements)) throw notFound('The union');
  return union;
}
