import { v5 } from 'uuid';
import { InputError } from '@/core/contact/input-error';
import type { Method } from '@/core/methods/method';
import { methodById } from '@/core/methods/registry';
import { judgeUnion, type ScoringRule } from '@/core/score/rubric/judge-union';
import type { JudgementRow } from '@/db/models/union-rows';
import { isDuplicate, transact } from '@/db/transact';
import { audit } from '@/server/platform/audit';
import { allow, type Context } from '@/server/platform/context';
import { standing } from '@/server/platform/counting-judgement';
import { refreshUnionFacts } from '@/server/platform/union-facts';
import type { WorkshopRow } from '@/db/models/plan-rows';
import type { RubricRow } from '@/db/models/score-rows';
import { getWorkshop } from '@/server/plan/workshops';
import { currentRubric } from './rubrics';
import { groupByUnion } from './scored-unions';

/** A judgement by another rule; null where its measures are no union's by today's reading. */
export function rejudge(
  method: Method,
  rule: ScoringRule,
  { measures, marks, stage }: Pick<JudgementRow, 'measures' | 'marks' | 'stage'>,
): ReturnType<typeof judgeUnion> | null {
  try {
    return judgeUnion(method, rule, measures, marks, stage);
  } catch (error) {
    if (error instanceof InputError) return null;
    throw error;
  }
}

/** How many unions of a workshop stand as another rubric, or an earlier contact model, scored them. */
export async function countScoredOtherwise(context: Context, workshopId: string): Promise<number> {
  allow(context, 'viewer');
  const otherwise = await scoredOtherwise(context, await getWorkshop(context, workshopId));
  return new Set(otherwise.map(({ old }) => old.unionId)).size;
}

interface ScoredOtherwise {
  old: JudgementRow;
  method: Method;
  rubric: RubricRow;
}

/** Standing judgements of a workshop that another rubric of their method, or contact model, made. */
async function scoredOtherwise(context: Context, { id: workshopId, schools }: WorkshopRow): Promise<ScoredOtherwise[]> {
  const {
    db,
    actor: { clubId },
  } = context;
  const unions = await db.unions.findAll({ where: { clubId, workshopId }, raw: true });
  const unionId = unions.map((union) => union.id);
  const all = await db.judgements.findAll({ where: { clubId, unionId }, raw: true });
  const stands = [...groupByUnion(all).values()].flatMap((own) => standing(own));
  const otherwise: ScoredOtherwise[] = [];
  for (const id of new Set(stands.map(({ method }) => method))) {
    const method = methodById(id);
    const rubric = await currentRubric(context, id, schools);
    for (const old of stands)
      if (old.method === id && (old.rubricId !== rubric.id || old.modelVersion !== method.contactModel))
        otherwise.push({ old, method, rubric });
  }
  return otherwise;
}

/**
 * Scores the standing judgements of a workshop again by the rubric and the contact model of now. Each gets a
 * further row that names the one it replaces; the assessor stays who it was. Asked twice it is done once.
 */
export async function rescoreWorkshop(context: Context, workshopId: string): Promise<number> {
  allow(context, 'lead');
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  const workshop = await getWorkshop(context, workshopId);
  const rescore = async (): Promise<number> => {
    const otherwise = await scoredOtherwise(context, workshop);
    return transact(db, async (transaction) => {
      const fresh = otherwise.flatMap(({ old, method, rubric }) => {
        const judged = rejudge(method, rubric.body, old);
        if (!judged) return [];
        const { contact, contactGrade } = judged.assessment;
        // An id made of what it is scored by and of the old row, so that two who ask at once make the same one.
        return [
          {
            ...old,
            id: v5(`${rubric.id} ${method.contactModel}`, old.id),
            rubricId: rubric.id,
            score: judged.score,
            fatal: judged.fatal,
            contact: contact.contact,
            contactLeft: contact.left,
            contactRight: contact.right,
            touchingMm: contact.touching,
            runs: contact.ring,
            contactGrade: contactGrade.grade as JudgementRow['contactGrade'],
            contactWords: contactGrade.words,
            modelVersion: method.contactModel,
            correctsId: old.id,
            liveCorrectsId: old.id,
            rescoredBy: userId,
            recordedAt: now,
            blind: old.blind,
            sentHash: null,
          },
        ];
      });
      if (fresh.length === 0) return 0;
      await db.judgements.bulkCreate(fresh, { transaction });
      await refreshUnionFacts(db, clubId, [...new Set(fresh.map(({ unionId }) => unionId))], transaction);
      await audit(db, transaction, {
        clubId,
        actorId: userId,
        action: `rescored: ${fresh.length}`,
        subjectId: workshopId,
        at: now,
      });
      return fresh.length;
    });
  };
  try {
    return await rescore();
  } catch (error) {
    // Somebody else asked in this moment, or corrected one of them: count again.
    if (!isDuplicate(error)) throw error;
    return rescore();
  }
}
