import { pointsOf } from '@/core/methods/shown-technique';
import type { Position } from '@/core/methods/position';
import type { WhereOptions } from 'sequelize';
import type { JudgementRow, UnionKind, UnionRow } from '@/db/models/union-rows';
import type { WorkshopRow } from '@/db/models/plan-rows';
import { hiddenFrom } from '@/server/platform/waiting-for-second';
import { methodById } from '@/core/methods/registry';
import type { Context } from '@/server/platform/context';
import { countingJudgement, standing } from '@/server/platform/counting-judgement';
import { getWorkshop } from '@/server/plan/workshops';
import { groupedBy } from '@/core/units/grouped-by';

export interface SeenJudgement extends JudgementRow {
  assessorName: string;
  /** Earlier values that this one replaced, latest first. */
  earlier: JudgementRow[];
}

/** A union with what counts of it. */
export interface ScoredUnion {
  id: string;
  kind: UnionKind;
  seatId: string;
  number: number;
  plantId: string | null;
  position: Position;
  counts: SeenJudgement;
  /** All judgements that stand, in the order they arrived. */
  judgements: SeenJudgement[];
  /** Judged more than once at the stage that counts, and nobody has said yet whether that was meant. */
  likelyDouble: boolean;
  glyph: { runs: { from: number; to: number }[]; fatal: string | null };
}

/** A practice union that wants a second assessor, and whose first score is not for this reader yet. */
export type UnseenUnion = Pick<ScoredUnion, 'id' | 'seatId' | 'number'> & { method: string };

export interface SeenUnions {
  scored: ScoredUnion[];
  unseen: UnseenUnion[];
  /** Ids of those that have nothing to show. */
  others: string[];
}

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
): Promise<SeenUnions> {
  return unionsSeen(context, workshop, { ...only, kind: 'practice' });
}

/** The same of practice and keepers alike. */
export async function unionsSeen(
  context: Context,
  workshop: WorkshopRow,
  only: WhereOptions<UnionRow> = {},
): Promise<SeenUnions> {
  const workshopId = workshop.id;
  const {
    db,
    actor: { clubId, userId },
  } = context;
  const unions = await db.unions.findAll({
    where: { clubId, workshopId, ...only },
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
  const letterOf = lettersOfPoints(workshop);
  const scored = unions.flatMap((union): ScoredUnion[] => {
    const judgements = byUnion.get(union.id) ?? [];
    if (hiddenFrom(userId, union, judgements)) {
      unseen.push({ id: union.id, seatId: union.seatId, number: union.number, method: union.method });
      return [];
    }
    const seen = standing(judgements).map((judgement) => see(judgement, judgements, nameOf));
    const counting = countingJudgement(union, judgements);
    const counts = seen.find(({ id }) => id === counting?.id);
    if (!counts) {
      // A keeper that nobody ever judged has nothing that could be gone.
      if (union.kind === 'practice' || judgements.length > 0) others.push(union.id);
      return [];
    }
    const fatal = counts.fatal[0];
    const atStage = seen.filter(({ blind, stage }) => !blind && stage === counts.stage);
    return [
      {
        id: union.id,
        kind: union.kind,
        seatId: union.seatId,
        number: union.number,
        plantId: union.plantId,
        position: union.position,
        counts,
        judgements: seen,
        likelyDouble: atStage.length > 1 && !union.doubleSettledAt,
        glyph: { runs: counts.runs, fatal: fatal ? letterOf(counts.method, fatal) : null },
      },
    ];
  });
  return { scored, unseen, others };
}

/** What a fatal fault is lettered with, by the method of the judgement that found it. */
export function lettersOfPoints({ schools }: Pick<WorkshopRow, 'schools'>): (method: string, point: string) => string {
  const letters = new Map<string, Map<string, string>>();
  return (method, point) => {
    if (!letters.has(method))
      letters.set(method, new Map(pointsOf(methodById(method), schools).map(({ id, letter }) => [id, letter])));
    return letters.get(method)!.get(point) ?? '!';
  };
}

/** Rows of unions, by union. */
export function groupByUnion<Row extends { unionId: string }>(rows: readonly Row[]): Map<string, Row[]> {
  return groupedBy(rows, ({ unionId }) => unionId);
}

function see(judgement: JudgementRow, all: JudgementRow[], nameOf: Map<string, string>): SeenJudgement {
  const earlier: JudgementRow[] = [];
  for (let at = all.find(({ id }) => id === judgement.correctsId); at; at = all.find(({ id }) => id === at!.correctsId))
    earlier.push(at);
  return { ...judgement, assessorName: nameOf.get(judgement.assessorId) ?? 'a former member', earlier };
}
