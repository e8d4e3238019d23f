import { QueryTypes } from 'sequelize';
import { MILESTONES, type Milestone } from '@/core/methods/milestones';
import { takeRate, type TakeRate } from '@/core/findings/take/take-rate';
import type { Context } from '@/server/platform/context';
import { ERASED_NAME } from '@/server/platform/erased-name';
import { listSeats } from '@/server/plan/seats';
import { listRounds } from '@/server/plan/rounds-of-workshop';
import { getWorkshop } from '@/server/plan/workshops';

export interface MilestoneFinding extends TakeRate {
  milestone: Milestone;
  /**
   * A round has asked it. Without one, only plants that reached a later milestone count as alive and
   * only those that died before count as dead, so a rate of the two would be no rate at all.
   */
  asked: boolean;
}

/** A student's practice beside what became of their keepers. */
export interface StudentFinding {
  seatId: string;
  seatNumber: number;
  name: string;
  practice: number;
  /** Mean of the scores that count, and of the last three, which say more about the hands at the end. */
  meanScore: number | null;
  lastScores: number | null;
  keepers: number;
  byMilestone: Record<Milestone, TakeRate>;
}

export interface Findings {
  handedOver: number;
  voided: number;
  milestones: MilestoneFinding[];
  students: StudentFinding[];
  contradicted: { unionId: string; seatNumber: number; code: string }[];
}

type Counts = { seatId: string; keepers: number; voided: number } & Record<
  `${Milestone}Alive` | `${Milestone}Dead`,
  number
>;

/** Take by milestone and by student, from grouped counts of the findings' table. */
export async function workshopFindings(context: Context, workshopId: string): Promise<Findings> {
  await getWorkshop(context, workshopId);
  const {
    db,
    actor: { clubId },
  } = context;
  const sums = MILESTONES.map(
    (m) => `SUM(voided = 0 AND ${m} = 'alive') AS ${m}Alive, SUM(voided = 0 AND ${m} = 'dead') AS ${m}Dead`,
  ).join(', ');
  const replacements = { clubId, workshopId };
  const [counts, scores, contradicted, seats, rounds] = await Promise.all([
    db.sequelize.query<Counts>(
      `SELECT seat_id AS seatId, SUM(voided = 0) AS keepers, SUM(voided = 1) AS voided, ${sums}
       FROM union_facts WHERE club_id = :clubId AND workshop_id = :workshopId AND kind = 'keeper' GROUP BY seat_id`,
      { replacements, type: QueryTypes.SELECT },
    ),
    db.sequelize.query<{ seatId: string; number: number; score: number }>(
      `SELECT seat_id AS seatId, number, score FROM union_facts
       WHERE club_id = :clubId AND workshop_id = :workshopId AND kind = 'practice' AND score IS NOT NULL ORDER BY number`,
      { replacements, type: QueryTypes.SELECT },
    ),
    db.sequelize.query<{ unionId: string; seatId: string; code: string }>(
      `SELECT f.union_id AS unionId, f.seat_id AS seatId, p.code FROM union_facts f JOIN unions u ON u.id = f.union_id JOIN plants p ON p.id = u.plant_id
       WHERE f.club_id = :clubId AND f.workshop_id = :workshopId AND f.contradicted = 1 ORDER BY f.number`,
      { replacements, type: QueryTypes.SELECT },
    ),
    listSeats(context, workshopId),
    listRounds(context, workshopId),
  ]);
  const asked = new Set(rounds.map(({ milestone }) => milestone));
  // SUM arrives as a decimal in text.
  const rows = counts.map(
    (row) =>
      Object.fromEntries(
        Object.entries(row).map(([key, value]) => [key, key === 'seatId' ? value : Number(value)]),
      ) as Counts,
  );
  const rate = (counts: Counts[], milestone: Milestone): TakeRate => {
    const take = takeRate({
      handedOver: sum(counts.map(({ keepers }) => keepers)),
      alive: sum(counts.map((row) => row[`${milestone}Alive`])),
      dead: sum(counts.map((row) => row[`${milestone}Dead`])),
    });
    return asked.has(milestone) ? take : { ...take, rate: null, interval: null };
  };
  const mean = (list: number[]): number | null => (list.length === 0 ? null : sum(list) / list.length);
  return {
    handedOver: sum(rows.map(({ keepers }) => keepers)),
    voided: sum(rows.map(({ voided }) => voided)),
    milestones: MILESTONES.map((milestone) => ({ milestone, asked: asked.has(milestone), ...rate(rows, milestone) })),
    students: seats.map((seat) => {
      const own = rows.filter(({ seatId }) => seatId === seat.id);
      const marks = scores.filter(({ seatId }) => seatId === seat.id).map(({ score }) => Number(score));
      return {
        seatId: seat.id,
        seatNumber: seat.number,
        name: seat.person.name ?? ERASED_NAME,
        practice: marks.length,
        meanScore: mean(marks),
        lastScores: mean(marks.slice(-3)),
        keepers: sum(own.map(({ keepers }) => keepers)),
        byMilestone: Object.fromEntries(MILESTONES.map((milestone) => [milestone, rate(own, milestone)])) as Record<
          Milestone,
          TakeRate
        >,
      };
    }),
    contradicted: contradicted.map(({ unionId, seatId, code }) => ({
      unionId,
      code,
      seatNumber: seats.find(({ id }) => id === seatId)!.number,
    })),
  };
}

function sum(numbers: number[]): number {
  return numbers.reduce((total, number) => total + number, 0);
}
