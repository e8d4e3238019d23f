import { daySchools } from '@/server/plan/taught';
import { agreementOf, type BlindJudgement } from '@/core/score/agreement/agreement';
import { whatToRecalibrate } from '@/core/score/agreement/what-to-recalibrate';
import { methodById } from '@/core/methods/registry';
import { wordedPoints } from '@/core/score/rubric/worded-points';
import { allow, type Context } from '@/server/platform/context';
import { judgedGrades } from './judged-grades';
import { standing } from '@/server/platform/counting-judgement';
import { currentRule } from '@/server/teach/current-rule';
import { groupByUnion } from './scored-unions';
import { scoringSettings } from './scoring-settings';
import { waitsForSecond } from '@/server/platform/waiting-for-second';
import { getWorkshop } from '@/server/plan/workshops';
import type { Method } from '@/core/methods/method';
import type { RubricRow } from '@/db/models/score-rows';
import type { UnionRow, JudgementRow } from '@/db/models/union-rows';

/**
 * How far assessors agree on unions that were scored twice without seeing the first score; of one
 * workshop, or of all the club's workshops of its method.
 */
export async function assessorAgreement(
  context: Context,
  workshopId: string,
  scope: 'workshop' | 'method',
  asked: string | null = null,
) {
  allow(context, 'viewer');
  const {
    db,
    actor: { clubId },
  } = context;
  const workshop = await getWorkshop(context, workshopId);
  const drawn = await db.unions.findAll({
    where: { clubId, ...(scope === 'workshop' ? { workshopId } : {}), kind: 'practice', secondWanted: true },
    raw: true,
  });
  const here = drawn.filter((union) => union.workshopId === workshopId).map((union) => union.method);
  const methods = [...new Set([workshop.method, ...here])].map(methodById);
  const method = methods.find(({ id }) => id === asked) ?? methods[0]!;
  const unions = drawn.filter((union) => union.method === method.id);
  const byUnion = groupByUnion(
    await db.judgements.findAll({
      where: { clubId, unionId: unions.map(({ id }) => id) },
      order: [['recordedAt', 'ASC']],
      raw: true,
    }),
  );
  const [{ blindRate }, rule, users] = await Promise.all([
    scoringSettings(context, workshopId),
    currentRule(context, method.id, await daySchools(context, workshop)),
    db.users.findAll({
      where: { id: [...new Set([...byUnion.values()].flat().map(({ assessorId }) => assessorId))] },
      raw: true,
    }),
  ]);
  const rubrics = await db.rubrics.findAll({
    where: { clubId, id: [...new Set([...byUnion.values()].flat().map(({ rubricId }) => rubricId))] },
    raw: true,
  });
  const points = wordedPoints(method, rule).filter(({ stage, faults }) => stage === 'joined' && faults.length > 0);
  const waiting = unions.filter((union) => waitsForSecond(union, byUnion.get(union.id) ?? [])).length;
  const seen = blindScores(unions, byUnion, method, rubrics);
  const agreement = agreementOf(
    seen,
    points.map(({ id }) => id),
  );
  const nameOf = (id: string): string => users.find((user) => user.id === id)?.name ?? 'A former member';
  const pointName = (id: string): string => points.find((point) => point.id === id)?.name ?? id;
  return {
    workshop,
    method: { id: method.id, name: method.name },
    methods: methods.map(({ id, name }) => ({ id, name })),
    blindRate,
    waiting,
    agreement,
    nameOf: Object.fromEntries(users.map(({ id, name }) => [id, name])),
    points: points.map(({ id, name }) => ({ id, name })),
    advice: whatToRecalibrate(agreement, nameOf, pointName),
    // Each union by its pair, for the picture.
    differences: agreement.pairs.map(({ first, second }) => ({
      first,
      second,
      points: [...new Set(seen.map(({ unionId }) => unionId))].flatMap((unionId) => {
        const judgementBy = (assessorId: string) =>
          seen.find((blindJudgement) => blindJudgement.unionId === unionId && blindJudgement.assessorId === assessorId);
        const [a, b] = [judgementBy(first), judgementBy(second)];
        return a?.score == null || b?.score == null
          ? []
          : [{ hours: Math.max(a.hours, b.hours), difference: a.score - b.score }];
      }),
    })),
  };
}

/** ms. */
const HOUR = 3_600_000;

/** What was scored blind, with the score it was blind to. */
function blindScores(
  unions: UnionRow[],
  byUnion: Map<string, JudgementRow[]>,
  method: Method,
  rubrics: RubricRow[],
): BlindJudgement[] {
  // When the first union of a workshop was judged, ms.
  const began = new Map<string, number>();
  for (const { id, workshopId } of unions)
    for (const { madeAt } of byUnion.get(id) ?? [])
      began.set(workshopId, Math.min(began.get(workshopId) ?? Infinity, madeAt.getTime()));
  return unions.flatMap((union): BlindJudgement[] => {
    const stands = standing(byUnion.get(union.id) ?? []);
    // Only what was scored blind, beside the score it was blind to.
    if (waitsForSecond(union, stands) || !stands.some(({ blind }) => blind)) return [];
    const alike = stands.filter((judgement) => judgement.method === method.id);
    // Scored by two methods, the two say nothing of each other.
    if (alike.length < 2 || !alike.some(({ blind }) => blind)) return [];
    return alike.map((judgement) => ({
      unionId: union.id,
      assessorId: judgement.assessorId,
      score: judgement.score,
      hours: (judgement.madeAt.getTime() - began.get(union.workshopId)!) / HOUR,
      grades: Object.fromEntries(
        judgedGrades(method, rubrics.find(({ id }) => id === judgement.rubricId)!.body, judgement).map(
          ({ point, grade }) => [point.id, grade],
        ),
      ),
    }));
  });
}
