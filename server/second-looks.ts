import type { JudgementRow, UnionRow } from '@/db/models/rows';
import { transact } from '@/db/transact';
import { audit } from './audit';
import { allow, type Context } from './context';
import { countingJudgement, standing } from './counting-judgement';
import { refreshUnionFacts } from './union-facts';
import { getWorkshop } from './workshops';

/*
 * Some unions are scored twice, the second assessor not knowing the first score. Until they have,
 * nobody but the first assessor is told it: a number that leaks through a page, a table or the wall
 * would make the second score worth nothing.
 */

type Drawn = Pick<UnionRow, 'id' | 'secondWanted' | 'secondSettledAt'>;

/** True when a union is among the share `rate` that is scored twice; by chance, and the same for all who ask. */
export function isDrawn(unionId: string, rate: number): boolean {
  // The last digits of an id are random.
  return Number.parseInt(unionId.slice(-8), 16) / 0x1_0000_0000 < rate;
}

/** True while a union waits for its second assessor. */
export function waitsForSecond(union: Drawn, judgements: readonly JudgementRow[]): boolean {
  if (!union.secondWanted || union.secondSettledAt) return false;
  return new Set(standing([...judgements]).map(({ assessorId }) => assessorId)).size === 1;
}

/** The judgement of a union that counts, as far as everybody may know it: none while it waits for its second assessor. */
export function openJudgement(union: Drawn & Pick<UnionRow, 'chosenJudgementId'>, judgements: readonly JudgementRow[]): JudgementRow | null {
  return waitsForSecond(union, judgements) ? null : countingJudgement(union, [...judgements]);
}

/** True when what was judged must not be shown to this user yet. */
export function hiddenFrom(userId: string, union: Drawn, judgements: readonly JudgementRow[]): boolean {
  return waitsForSecond(union, judgements) && !judgements.some(({ assessorId, withdrawnAt }) => assessorId === userId && withdrawnAt === null);
}

/** Gives up the second looks that are still waited for: from now on the first scores are shown and count. */
export async function closeSecondLooks(context: Context, workshopId: string): Promise<number> {
  allow(context, 'lead');
  const { db, actor: { clubId, userId }, now } = context;
  await getWorkshop(context, workshopId);
  return transact(db, async (transaction) => {
    const where = { clubId, workshopId, secondWanted: true, secondSettledAt: null };
    const open = await db.unions.findAll({ where, transaction, raw: true });
    if (open.length === 0) return 0;
    await db.unions.update({ secondSettledAt: now }, { where, transaction });
    await refreshUnionFacts(db, clubId, open.map(({ id }) => id), transaction);
    await audit(db, transaction, { clubId, actorId: userId, action: `second looks given up: ${open.length}`, subjectId: workshopId, at: now });
    return open.length;
  });
}
