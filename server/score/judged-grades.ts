import type { Method } from '@/core/methods/method';
import { judgeUnion, type ScoringRule, type UnionJudgement } from '@/core/score/rubric/judge-union';
import type { JudgementRow } from '@/db/models/union-rows';
import { kept } from '@/server/platform/kept';

/** Grades of a judgement by the rubric it names, worked out once: neither of the two ever changes. */
export function judgedGrades(
  method: Method,
  rule: ScoringRule,
  { rubricId, measures, marks, stage }: Pick<JudgementRow, 'rubricId' | 'measures' | 'marks' | 'stage'>,
): UnionJudgement['grades'] {
  return kept(
    'grades',
    { method: method.id, rubricId, measures, marks, stage },
    () => judgeUnion(method, rule, measures, marks, stage).grades,
  );
}
