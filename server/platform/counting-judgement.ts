import { STAGES } from '@/core/score/rubric/judge-union';
import type { JudgementRow, UnionRow } from '@/db/models/union-rows';

/** Judgements that stand: not withdrawn, and not replaced by a later correction that stands itself. */
export function standing(judgements: JudgementRow[]): JudgementRow[] {
  const live = judgements.filter(({ withdrawnAt }) => withdrawnAt === null);
  const corrected = new Set(live.map(({ correctsId }) => correctsId));
  return live.filter(({ id }) => !corrected.has(id));
}

/** The judgement that a correction chain began with. */
function origin(judgement: JudgementRow, all: JudgementRow[]): JudgementRow {
  let at = judgement;
  while (at.correctsId) {
    const earlier = all.find(({ id }) => id === at.correctsId);
    if (!earlier) return at;
    at = earlier;
  }
  return at;
}

/**
 * The one judgement of a union that counts: the one the lead chose, or what has replaced it by
 * correction, else of those at the latest stage the first that was not blind. Order is that of arrival at the server.
 */
export function countingJudgement(
  union: Pick<UnionRow, 'chosenJudgementId'>,
  judgements: JudgementRow[],
): JudgementRow | null {
  const candidates = standing(judgements);
  const latest = Math.max(...candidates.map(({ stage }) => STAGES.indexOf(stage)));
  const atLatest = candidates.filter(({ stage }) => STAGES.indexOf(stage) === latest);
  const chosen = judgements.find(({ id }) => id === union.chosenJudgementId);
  if (chosen) {
    const root = origin(chosen, judgements).id;
    const replacement = atLatest.find((candidate) => origin(candidate, judgements).id === root);
    if (replacement) return replacement;
  }
  const arrival = (judgement: JudgementRow): number => origin(judgement, judgements).recordedAt.getTime();
  return (
    atLatest.sort(
      (a, b) => Number(a.blind) - Number(b.blind) || arrival(a) - arrival(b) || a.id.localeCompare(b.id),
    )[0] ?? null
  );
}
