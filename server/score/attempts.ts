import type { Attempt } from '@/core/score/readiness/ready-rule';
import type { JudgementRow } from '@/db/models/union-rows';

/** A judgement as readiness sees it. */
export function attemptOf({ score, fatal, marks }: Pick<JudgementRow, 'score' | 'fatal' | 'marks'>): Attempt {
  return { score, fatal: fatal.length > 0, recut: Object.values(marks).includes('recut') };
}
