import { QueryTypes, type Transaction } from 'sequelize';
import type { Context } from '@/server/platform/context';

/**
 * Which of some ids are unions of the club that are still cared for, each with the day it was made: keepers whose plant is
 * not voided and whose workshop was not put away.
 */
export async function caredFor(
  { db, actor: { clubId } }: Context,
  unionIds: readonly string[],
  transaction: Transaction,
): Promise<Map<string, string>> {
  if (unionIds.length === 0) return new Map();
  const rows = await db.sequelize.query<{ id: string; madeOn: string }>(
    `SELECT unions.id, unions.made_on AS madeOn FROM unions JOIN plants ON plants.id = unions.plant_id
     JOIN workshops ON workshops.id = unions.workshop_id
     WHERE unions.club_id = :clubId AND unions.kind = 'keeper' AND unions.id IN (:unionIds)
       AND plants.voided_at IS NULL AND workshops.put_away_at IS NULL`,
    { type: QueryTypes.SELECT, replacements: { clubId, unionIds: [...unionIds] }, transaction },
  );
  return new Map(rows.map(({ id, madeOn }) => [id, madeOn]));
}
