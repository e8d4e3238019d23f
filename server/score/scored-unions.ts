import type { WhereOptions } from 'sequelize';
import type { JudgementRow, UnionRow } from '@/db/models/union-rows';
import type { WorkshopRow } from '@/db/models/plan-rows';
import { hiddenFrom } from '@/server/platform/waiting-for-second';
import { methodById } from '@/core/methods/registry';
import { pointsOf } from '@/core/methods/shown-technique';
import type { Context } from '@/server/platform/context';
import { countingJudgement, standing } from '@/server/platform/counting-judgement';
import { getWorkshop } from '@/server/plan/workshops';

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

/** A practice union that wants a second assessor, and whose first score is not for this reader yet. */
export type UnseenUnion = Pick<ScoredUnion, 'id' | 'seatId' | 'number'>;

/** The practice unions of a workshop that have a judgement that stands, by seat and number. */
export async function scoredUnions(context: Context, workshopId: string): Promise<ScoredUnion[]> {
  return (await practiceUnions(context, await getWorkshop(context, workshopId))).scored;
}

/**
 * The practice unions of a workshop that this reader may see the scores of, those not yet, and ids of
 * those that have nothing to show.
 *
 * @param only which of them.
 */
export async function practiceUnions(
  context: Context,
  workshop: WorkshopRow,
  only: WhereOptions<UnionRow> = {},
): Promise<{ scored: ScoredUnion[]; unseen: UnseenUnion[]; others: string[] }> {
  const workshopId = workshop.id;
  const {
    db,
    actor: { clubId, userId },
  } = context;
  const unions = await db.unions.findAll({
    where: { clubId, workshopId, kind: 'practice', ...only },
    order: [['number', 'ASC']],
    raw: true,
  });
  if (unions.length === 0) return { scored: [], unseen: [], others: [] };
  const all = await db.judgements.findAll({
    where: { clubId, unionId: unions.map(({ id }) => id) },
    order: [
      ['recordedAt', 'ASC'],
      ['id', 'ASC'],
    ],
    raw: true,
  });
  const assessors = await db.users.findAll({
    where: { id: [...new Set(all.map(({ assessorId }) => assessorId))] },
    raw: true,
  });
  const nameOf = new Map(assessors.map(({ id, name }) => [id, name]));
  const byUnion = groupByUnion(all);
  const unseen: UnseenUnion[] = [];
  const others: string[] = [];
  let letters: Map<string, string> | null = null;
  const letterOf = (point: string): string =>
    (letters ??= new Map(
      pointsOf(methodById(workshop.method), workshop.schools).map(({ id, letter }) => [id, letter]),
    )).get(point) ?? '!';
  const scored = unions.flatMap((union): ScoredUnion[] => {
    const judgements = byUnion.get(union.id) ?? [];
    if (hiddenFrom(userId, union, judgements)) {
      unseen.push({ id: union.id, seatId: union.seatId, number: union.number });
      return [];
    }
    const seen = standing(judgements).map((judgement) => see(judgement, judgements, nameOf));
    const counting = countingJudgement(union, judgements);
    const counts = seen.find(({ id }) => id === counting?.id);
    if (!counts) {
      others.push(union.id);
      return [];
    }
    const fatal = counts.fatal[0];
    return [
      {
        id: union.id,
        seatId: union.seatId,
        number: union.number,
        counts,
        judgements: seen,
        likelyDouble: seen.filter(({ blind }) => !blind).length > 1 && !union.doubleSettledAt,
        glyph: { runs: counts.runs, fatal: fatal ? letterOf(fatal) : null },
      },
    ];
  });
  return { scored, unseen, others };
}

export function groupByUnion(judgements: JudgementRow[]): Map<string, JudgementRow[]> {
  const groups = new Map<string, JudgementRow[]>();
  for (const judgement of judgements) {
    const group = groups.get(judgement.unionId);
    if (group) group.push(judgement);
    else groups.set(judgement.unionId, [judgement]);
  }
  return groups;
}

function see(judgement: JudgementRow, all: JudgementRow[], nameOf: Map<string, string>): SeenJudgement {
  const earlier: JudgementRow[] = [];
  for (let at = all.find(({ id }) => id === judgement.correctsId); at; at = all.find(({ id }) => id === at!.correctsId))
    earlier.push(at);
  return { ...judgement, assessorName: nameOf.get(judgement.assessorId) ?? 'a former member', earlier };
}
