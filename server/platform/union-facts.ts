import { QueryTypes, type Transaction } from 'sequelize';
import { takeOf, type UnionAnswers } from '@/core/findings/take-state';
import type { Database } from '@/db/database';
import { transact } from '@/db/transact';
import type { WorkshopRow } from '@/db/models/plan-rows';
import type { JudgementRow, PlantRow, UnionFactRow, UnionRow } from '@/db/models/union-rows';
import type { ReportRow, RoundRow } from '@/db/models/follow-up-rows';
import { openJudgement } from './waiting-for-second';

/**
 * Brings the findings' table up to date for some unions of a club, from the rows it is made of.
 * Called in the transaction that changed them; called for all unions it rebuilds the table.
 */
export async function refreshUnionFacts(
  db: Database,
  clubId: string,
  unionIds: string[],
  transaction: Transaction,
): Promise<void> {
  if (unionIds.length === 0) return;
  const unions = await db.unions.findAll({ where: { clubId, id: unionIds }, transaction, raw: true });
  // Practice unions are cut open: no plant, and nobody reports on them.
  const kept = unions.filter(({ kind }) => kind === 'keeper');
  const [workshops, judgements, plants, reports, rounds] = await Promise.all([
    db.workshops.findAll({
      where: { clubId, id: [...new Set(unions.map(({ workshopId }) => workshopId))] },
      transaction,
      raw: true,
    }),
    db.judgements.findAll({ where: { clubId, unionId: unionIds }, transaction, raw: true }),
    ...(kept.length === 0
      ? ([[], [], []] as [PlantRow[], ReportRow[], RoundRow[]])
      : ([
          db.plants.findAll({
            where: { clubId, id: kept.flatMap(({ plantId }) => plantId ?? []) },
            transaction,
            raw: true,
          }),
          db.reports.findAll({
            where: { clubId, unionId: kept.map(({ id }) => id) },
            order: [['turn', 'ASC']],
            transaction,
            raw: true,
          }),
          db.rounds.findAll({
            where: { clubId, workshopId: [...new Set(kept.map(({ workshopId }) => workshopId))] },
            transaction,
            raw: true,
          }),
        ] as const)),
  ]);
  const facts = factsOf(unions, { workshops, judgements, plants, reports, rounds });
  await db.sequelize.query('UPDATE unions SET changed_at = NOW(3) WHERE club_id = :clubId AND id IN (:unionIds)', {
    replacements: { clubId, unionIds },
    transaction,
    type: QueryTypes.UPDATE,
  });
  await db.unionFacts.bulkCreate(facts, {
    transaction,
    updateOnDuplicate: Object.keys(facts[0]!).filter((column) => column !== 'unionId') as never,
  });
}

/** The rows that facts are made of; reports in the order of arrival. */
interface FactSources {
  workshops: WorkshopRow[];
  judgements: JudgementRow[];
  plants: PlantRow[];
  reports: ReportRow[];
  rounds: RoundRow[];
}

/** What is known of each union. */
function factsOf(unions: UnionRow[], sources: FactSources): UnionFactRow[] {
  const { workshops, judgements, plants, reports, rounds } = sources;
  const toldBy = new Map(
    rounds.map(({ id, milestone, alsoAnswers }) => [id, alsoAnswers ? [milestone, alsoAnswers] : [milestone]]),
  );
  return unions.map((union) => {
    const workshop = workshops.find(({ id }) => id === union.workshopId)!;
    const plant = plants.find(({ id }) => id === union.plantId);
    // Findings are open to all, so what a second assessor must not see yet is not in them yet.
    const counts = openJudgement(
      union,
      judgements.filter(({ unionId }) => unionId === union.id),
    );
    const answers: UnionAnswers = {};
    // In the order of arrival, so that the last answer to a round stays.
    for (const report of reports) {
      const told = report.unionId === union.id ? (toldBy.get(report.roundId) ?? []) : [];
      for (const milestone of told) answers[milestone] = report.answer;
    }
    const take = takeOf(answers);
    return {
      unionId: union.id,
      clubId: union.clubId,
      workshopId: union.workshopId,
      seatId: union.seatId,
      kind: union.kind,
      method: workshop.method,
      date: workshop.date,
      number: union.number,
      woodLotId: plant?.woodLotId ?? null,
      stockLotId: plant?.stockLotId ?? null,
      assessorId: counts?.assessorId ?? null,
      score: counts?.score ?? null,
      contact: counts?.contact ?? null,
      contactGrade: counts?.contactGrade ?? null,
      fatal: counts ? counts.fatal.length > 0 : null,
      voided: plant?.voidedAt != null,
      ...take.states,
      contradicted: take.contradicted,
    };
  });
}

/** Makes the findings' table of a club anew. */
export async function rebuildUnionFacts(db: Database, clubId: string): Promise<number> {
  return transact(db, async (transaction) => {
    const unions = await db.sequelize.query<{ id: string }>(
      'SELECT id FROM unions WHERE club_id = :clubId ORDER BY id',
      {
        replacements: { clubId },
        type: QueryTypes.SELECT,
        transaction,
      },
    );
    await db.unionFacts.destroy({ where: { clubId }, transaction });
    for (let i = 0; i < unions.length; i += 500) {
      await refreshUnionFacts(
        db,
        clubId,
        unions.slice(i, i + 500).map(({ id }) => id),
        transaction,
      );
    }
    return unions.length;
  });
}
