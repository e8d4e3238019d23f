import type { JudgedFacts } from '@/core/findings/causes/evidence/facts-of-union';
import { methodById } from '@/core/methods/registry';
import { USUAL_THRESHOLDS } from '@/core/methods/thresholds';
import { judgeUnion, type ScoringRule } from '@/core/score/rubric/judge-union';
import { dateInZone } from '@/core/units/zoned-date';
import type { JudgementRow, UnionRow } from '@/db/models/union-rows';
import type { Context } from '@/server/platform/context';
import { kept } from '@/server/platform/kept';
import { openJudgement } from '@/server/platform/waiting-for-second';
import { groupByUnion } from '@/server/score/scored-unions';

/** What was judged of some unions, by union: of each the judgement that counts, as far as everybody may know it. */
export async function judgedFacts(
  { db, actor: { clubId } }: Context,
  unions: readonly { union: UnionRow; zone: string }[],
): Promise<Map<string, JudgedFacts>> {
  const judgements = await db.judgements.findAll({
    where: { clubId, unionId: unions.map(({ union }) => union.id) },
    raw: true,
  });
  const byUnion = groupByUnion(judgements);
  const rubrics = await db.rubrics.findAll({
    where: { id: [...new Set(judgements.map(({ rubricId }) => rubricId))] },
    raw: true,
  });
  const ruleOf = new Map(rubrics.map(({ id, body }) => [id, body as ScoringRule]));
  return new Map(
    unions.flatMap(({ union, zone }): [string, JudgedFacts][] => {
      const counts = openJudgement(union, byUnion.get(union.id) ?? []);
      const rule = counts && ruleOf.get(counts.rubricId);
      if (!counts || !rule) return [];
      const { stage } = counts;
      return [
        [
          union.id,
          {
            on: dateInZone(counts.madeAt, zone),
            stage,
            grades: gradesOf(counts, rule),
            sidesMet: sidesMet(counts, rule),
          },
        ],
      ];
    }),
  );
}

function gradesOf(
  { method, measures, marks, stage, rubricId }: JudgementRow,
  rule: ScoringRule,
): JudgedFacts['grades'] {
  return kept('grades of a judgement', { method, measures, marks, stage, rubricId }, () =>
    Object.fromEntries(
      judgeUnion(methodById(method), rule, measures, marks, stage).grades.map(({ point, grade }) => [point.id, grade]),
    ),
  );
}

function sidesMet({ contactLeft, contactRight }: JudgementRow, { thresholds }: ScoringRule): JudgedFacts['sidesMet'] {
  if (contactLeft === null || contactRight === null) return null;
  const { matched } = { ...USUAL_THRESHOLDS, ...thresholds };
  return (Number(contactLeft >= matched) + Number(contactRight >= matched)) as 0 | 1 | 2;
}
