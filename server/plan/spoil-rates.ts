import { QueryTypes } from 'sequelize';
import type { Method } from '@/core/methods/method';
import { type CountedCuts, groupSpoilRate, spoilRate, type SpoilRate } from '@/core/plan/quantities/spoiled-cuts';
import type { Context } from '@/server/platform/context';

/** Cuts of one hand, or of the club where no hand is named, by a method. */
export type CutsCounted = (method: string, personId?: string) => CountedCuts;

/**
 * Cuts that were counted in the club. Only days count on which somebody counted spoiled ones at all: on others nothing
 * says that none were.
 */
export async function countedCuts({ db, actor: { clubId } }: Context): Promise<CutsCounted> {
  const rows = await db.sequelize.query<{ personId: string; method: string; spoiled: string; made: string }>(
    `SELECT personId, method, SUM(spoiled) AS spoiled, SUM(made) AS made FROM (
       SELECT person_id AS personId, method, 1 AS spoiled, 0 AS made FROM spoiled_cuts
       WHERE club_id = :clubId AND taken_back_at IS NULL
       UNION ALL
       SELECT maker_id, method, 0, 1 FROM unions WHERE club_id = :clubId AND workshop_id IN
         (SELECT workshop_id FROM spoiled_cuts WHERE club_id = :clubId AND taken_back_at IS NULL)
     ) cuts GROUP BY personId, method`,
    { replacements: { clubId }, type: QueryTypes.SELECT },
  );
  return (method, personId) => {
    const own = rows.filter((row) => row.method === method && (personId === undefined || row.personId === personId));
    const spoiled = own.reduce((sum, row) => sum + Number(row.spoiled), 0);
    return { spoiled, cuts: spoiled + own.reduce((sum, row) => sum + Number(row.made), 0) };
  };
}

/** The share of cuts that spoils in the hands that sit there; of the club's where nobody sits yet. */
export function groupRate(method: Method, seats: readonly { person: { id: string } }[], cuts: CutsCounted): SpoilRate {
  const club = cuts(method.id);
  if (seats.length === 0) return spoilRate(method.use, club, club);
  return groupSpoilRate(seats.map(({ person }) => spoilRate(method.use, cuts(method.id, person.id), club)));
}
