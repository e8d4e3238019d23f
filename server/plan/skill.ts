import { QueryTypes } from 'sequelize';
import type { SkillLevel } from '@/core/plan/pairing/hand';
import type { Context } from '@/server/platform/context';
import { listSeats } from './seats';
import { getWorkshop } from './workshops';

export interface SeatSkill {
  level: SkillLevel;
  /** Practice unions of earlier workshops it rests on. */
  earlier: number;
  /** Said by the instructor instead of reckoned. */
  said: boolean;
}

/** Last scores that make hands sure: the usual rule of readiness. */
const READY = { last: 3, score: 75 };

/** How practised each person of a workshop is, from their practice at earlier ones, by seat. */
export async function seatSkills(context: Context, workshopId: string): Promise<Map<string, SeatSkill>> {
  const {
    db,
    actor: { clubId },
  } = context;
  const workshop = await getWorkshop(context, workshopId);
  const [seats, rows] = await Promise.all([
    listSeats(context, workshopId),
    db.sequelize.query<{ personId: string; score: number | null; fatal: boolean | null }>(
      `SELECT s.person_id AS personId, f.score, f.fatal FROM union_facts f JOIN seats s ON s.id = f.seat_id JOIN seats here ON here.person_id = s.person_id AND here.workshop_id = :workshopId
       WHERE f.club_id = :clubId AND f.kind = 'practice' AND f.date < :date AND f.score IS NOT NULL ORDER BY f.date, f.number`,
      { replacements: { clubId, workshopId, date: workshop.date }, type: QueryTypes.SELECT },
    ),
  ]);
  return new Map(
    seats.map(({ id, personId, skill }) => {
      const own = rows.filter((row) => row.personId === personId);
      const last = own.slice(-READY.last);
      const sure =
        last.length === READY.last && last.every(({ score, fatal }) => (score ?? 0) >= READY.score && !fatal);
      return [
        id,
        {
          level: skill ?? (sure ? 'sure' : own.length > 0 ? 'some' : 'first'),
          earlier: own.length,
          said: skill !== null,
        },
      ];
    }),
  );
}
