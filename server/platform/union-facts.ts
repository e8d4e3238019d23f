import { QueryTypes, type Transaction } from 'sequelize';
import { takeOf, type Sighting } from '@/core/findings/take/take-state';
import { countingAnswers } from '@/core/findings/take/counting-answers';
import { groupedBy } from '@/core/units/grouped-by';
import { toldBy } from '@/core/findings/take/told-by';
import { MILESTONES } from '@/core/methods/milestones';
import type { UnionObservationRow } from '@/db/models/aftercare-rows';
import type { Database } from '@/db/database';
import { transact } from '@/db/transact';
import type { JudgementRow, PlantRow, UnionFactRow, UnionRow } from '@/db/models/union-rows';
import type { LetterAskRow, ReportRow, RoundRow } from '@/db/models/follow-up-rows';
import { UNSET } from '@/db/unset';
import { keepersChanged } from './keeper-counts';
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
  // Limbs of a programme are under care, and no unions that findings know.
  if (unions.length === 0) return;
  // Practice unions are cut open: no plant, and nobody reports on them.
  const kept = unions.filter(({ kind }) => kind === 'keeper');
  const keeperIds = kept.map(({ id }) => id);
  const [judgements, ends, plants, reports] = await Promise.all([
    db.judgements.findAll({ where: { clubId, unionId: unionIds }, transaction, raw: true }),
    endsOfUnions(db, clubId, unionIds, transaction),
    kept.length === 0
      ? []
      : db.plants.findAll({
          where: { clubId, id: kept.flatMap(({ plantId }) => plantId ?? []) },
          transaction,
          raw: true,
        }),
    kept.length === 0
      ? []
      : db.reports.findAll({
          where: { clubId, unionId: keeperIds, setAsideAt: UNSET },
          order: [['turn', 'ASC']],
          transaction,
          raw: true,
        }),
  ]);
  // Until somebody told of one, no round and no letter changes what is known.
  const [rounds, letters] =
    reports.length === 0
      ? [[], []]
      : await Promise.all([
          db.rounds.findAll({
            where: { clubId, workshopId: [...new Set(kept.map(({ workshopId }) => workshopId))] },
            transaction,
            raw: true,
          }),
          db.letterAsks.findAll({ where: { clubId, unionId: keeperIds }, transaction, raw: true }),
        ]);
  const facts = factsOf(unions, { judgements, ends, plants, reports, rounds, letters });
  await db.sequelize.query('UPDATE unions SET changed_at = NOW(3) WHERE club_id = :clubId AND id IN (:unionIds)', {
    replacements: { clubId, unionIds },
    transaction,
    type: QueryTypes.UPDATE,
  });
  await db.unionFacts.bulkCreate(facts, {
    transaction,
    updateOnDuplicate: Object.keys(facts[0]!).filter((column) => column !== 'unionId') as never,
  });
  await keepersChanged(
    db,
    clubId,
    kept.map(({ workshopId }) => workshopId),
    transaction,
  );
}

type End = Pick<UnionObservationRow, 'unionId' | 'kind' | 'seenOn'>;

/** What ended unions on a day nobody asked: that they were opened to look, or died of something. */
async function endsOfUnions(
  db: Database,
  clubId: string,
  unionIds: string[],
  transaction: Transaction,
): Promise<End[]> {
  return db.unionObservations.findAll({
    where: { clubId, unionId: unionIds, kind: ['opened', 'ended'], takenBackAt: UNSET },
    attributes: ['unionId', 'kind', 'seenOn'],
    transaction,
    raw: true,
  });
}

/** The rows that facts are made of; reports in the order of arrival. */
interface FactSources {
  judgements: JudgementRow[];
  /** Unions that somebody opened to look are outside of what is found; others died on a day nobody asked. */
  ends: readonly End[];
  plants: PlantRow[];
  reports: ReportRow[];
  rounds: RoundRow[];
  /** What letters asked; two of one union and round are a letter and a reminder. */
  letters: LetterAskRow[];
}

/** What is known of each union. */
function factsOf(unions: UnionRow[], sources: FactSources): UnionFactRow[] {
  const { judgements, ends, plants, reports, rounds, letters } = sources;
  const opened = new Set(ends.filter(({ kind }) => kind === 'opened').map(({ unionId }) => unionId));
  const roundOf = new Map(rounds.map((round) => [round.id, round]));
  return unions.map((union) => {
    const plant = plants.find(({ id }) => id === union.plantId);
    // Findings are open to all, so what a second assessor must not see yet is not in them yet.
    const counts = openJudgement(
      union,
      judgements.filter(({ unionId }) => unionId === union.id),
    );
    const outlook = judgements
      .filter(({ unionId, outlook, withdrawnAt }) => unionId === union.id && outlook !== null && withdrawnAt === null)
      .sort((a, b) => a.madeAt.getTime() - b.madeAt.getTime())
      .at(-1);
    const answers = groupedBy(
      reports.filter(({ unionId, roundId }) => unionId === union.id && roundOf.has(roundId)),
      ({ roundId }) => roundId,
    );
    const said = [...answers].flatMap(([roundId, own]) =>
      countingAnswers(own).map((report): Sighting => toldBy(union, roundOf.get(roundId)!.milestone, report)),
    );
    const deaths = ends.filter(({ unionId, kind }) => unionId === union.id && kind === 'ended').map(diedOn);
    const { states, ...life } = takeOf([...said, ...deaths]);
    const lettersOf = (roundId: string): number =>
      letters.filter((letter) => letter.unionId === union.id && letter.roundId === roundId).length;
    return {
      unionId: union.id,
      clubId: union.clubId,
      workshopId: union.workshopId,
      seatId: union.seatId,
      kind: union.kind,
      method: union.method,
      variant: union.variant,
      date: union.madeOn,
      number: union.number,
      position: union.position,
      // A plant whose lot is not sure since its tag fell off is left out of what is found by lot.
      woodLotId: plant && plant.doubt !== 'lot' ? plant.woodLotId : null,
      stockLotId: plant?.stockLotId ?? null,
      assessorId: counts?.assessorId ?? null,
      score: counts?.score ?? null,
      contact: counts?.contact ?? null,
      contactGrade: counts?.contactGrade ?? null,
      fatal: counts ? counts.fatal.length > 0 : null,
      stage: counts?.stage ?? null,
      outlook: outlook?.outlook ?? null,
      outlookBy: outlook?.outlookBy ?? null,
      helped: union.helperUserId !== null || union.helperPersonId !== null,
      voided: plant?.voidedAt != null || opened.has(union.id),
      ...states,
      ...life,
      makerId: union.makerId,
      plantId: union.plantId,
      reminded: [...answers.keys()].some((roundId) => lettersOf(roundId) > 1),
    };
  });
}

/** A death that was told without a round: it ends whatever comes after the last milestone it was seen alive at. */
function diedOn({ seenOn }: End): Sighting {
  return { milestones: [MILESTONES[0]], answer: 'dead', seenOn };
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
