import { QueryTypes, type Transaction } from 'sequelize';
import { graftedLimbs } from './grafted-limbs';
import type { Context } from '@/server/platform/context';

/**
 * Which of some ids are unions of the club that are still cared for, each with the day it was made: keepers whose plant is
 * not voided and whose workshop was not put away, and grafted limbs.
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
  const found = new Map(rows.map(({ id, madeOn }) => [id, madeOn]));
  if (unionIds.every((id) => found.has(id))) return found;
  const programmes = await db.topworkingPlans.findAll({ where: { clubId }, transaction, raw: true });
  for (const limb of programmes.flatMap(graftedLimbs))
    if (unionIds.includes(limb.id)) found.set(limb.id, limb.graftedOn);
  return found;
}
