import type { JudgementRow } from '@/db/models/rows';
import { methodById } from '@/core/methods/registry';
import { pointsOf } from '@/core/methods/shown-technique';
import type { Context } from './context';
import { countingJudgement, standing } from './counting-judgement';
import { getWorkshop } from './workshops';

export interface SeenJudgement extends JudgementRow {
  assessorName: string;
  /** Earlier values that this one replaced, latest first. */
  earlier: JudgementRow[];
}

/** A practice union with what counts of it. */
export interface ScoredUnion {
  id: string;
  seatId: string;
  number: number;
  counts: SeenJudgement;
  /** All judgements that stand, in the order they arrived. */
  judgements: SeenJudgement[];
  /** Judged more than once, and nobody has said yet whether that was meant. */
  likelyDouble: boolean;
  glyph: { runs: { from: number; to: number }[]; fatal: string | null };
}

/** The practice unions of a workshop that have a judgement that stands, by seat and number. */
export async function scoredUnions(context: Context, workshopId: string): Promise<ScoredUnion[]> {
  const workshop = await getWorkshop(context, workshopId);
  const { db, actor: { clubId } } = context;
  const points = pointsOf(methodById(workshop.method), workshop.schools);
  const unions = await db.unions.findAll({ where: { clubId, workshopId, kind: 'practice' }, order: [['number', 'ASC']], raw: true });
  const all = await db.judgements.findAll({ where: { clubId, unionId: unions.map(({ id }) => id) }, order: [['recordedAt', 'ASC'], ['id', 'ASC']], raw: true });
  const assessors = await db.users.findAll({ where: { id: [...new Set(all.map(({ assessorId }) => assessorId))] }, raw: true });
  const nameOf = new Map(assessors.map(({ id, name }) => [id, name]));
  const byUnion = groupByUnion(all);
  return unions.flatMap((union) => {
    const judgements = byUnion.get(union.id) ?? [];
    const seen = standing(judgements).map((judgement) => see(judgement, judgements, nameOf));
    const counting = countingJudgement(union, judgements);
    const counts = seen.find(({ id }) => id === counting?.id);
    if (!counts) return [];
    const fatal = counts.fatal[0];
    return [{
      id: union.id, seatId: union.seatId, number: union.number, counts, judgements: seen, likelyDouble: seen.length > 1 && !union.doubleSettledAt,
      glyph: { runs: counts.runs, fatal: fatal ? (points.find(({ id }) => id === fatal)?.letter ?? '!') : null },
    }];
  });
}

function groupByUnion(judgements: JudgementRow[]): Map<string, JudgementRow[]> {
  const groups = new Map<string, JudgementRow[]>();
  for (const judgement of judgements) groups.set(judgement.unionId, [...(groups.get(judgement.unionId) ?? []), judgement]);
  return groups;
}

function see(judgement: JudgementRow, all: JudgementRow[], nameOf: Map<string, string>): SeenJudgement {
  const earlier: JudgementRow[] = [];
  for (let at = all.find(({ id }) => id === judgement.correctsId); at; at = all.find(({ id }) => id === at!.correctsId)) earlier.push(at);
  return { ...judgement, assessorName: nameOf.get(judgement.assessorId) ?? 'a former member', earlier };
}

