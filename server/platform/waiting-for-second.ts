import type { JudgementRow, UnionRow } from '@/db/models/union-rows';
import { countingJudgement, standing } from './counting-judgement';

/*
 * Some unions are scored twice, the second assessor not knowing the first score. Until they have,
 * nobody but the first assessor is told it: a number that leaks through a page, a table or the wall
 * would make the second score worth nothing.
 */

type Drawn = Pick<UnionRow, 'id' | 'secondWanted' | 'secondSettledAt'>;

/** True while a union waits for its second assessor. */
export function waitsForSecond(union: Drawn, judgements: readonly JudgementRow[]): boolean {
  if (!union.secondWanted || union.secondSettledAt) return false;
  return new Set(standing([...judgements]).map(({ assessorId }) => assessorId)).size === 1;
}

/** The judgement of a union that counts, as far as everybody may know it: none while it waits for its second assessor. */
export function openJudgement(
  union: Drawn & Pick<UnionRow, 'chosenJudgementId'>,
  judgements: readonly JudgementRow[],
): JudgementRow | null {
  return waitsForSecond(union, judgements) ? null : countingJudgement(union, [...judgements]);
}

/** True when what was judged must not be shown to this user yet. */
export function hiddenFrom(userId: string, union: Drawn, judgements: readonly JudgementRow[]): boolean {
  return (
    waitsForSecond(union, judgements) &&
    !judgements.some(({ assessorId, withdrawnAt }) => assessorId === userId && withdrawnAt === null)
  );
}
