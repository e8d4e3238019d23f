import { Op } from 'sequelize';
import { UNSET } from '@/db/unset';
import type { Context } from '@/server/platform/context';

/**
 * Ids of the plants that some people of the club have, in all its workshops: those they made and nobody else was given, and
 * those that were handed on to them. Voided ones are nobody's; those that stay with the club are asked of nobody.
 */
export async function plantsOfPeople(
  { db, actor: { clubId } }: Context,
  personIds: readonly string[],
): Promise<string[]> {
  if (personIds.length === 0) return [];
  const personId = [...new Set(personIds)];
  const seats = await db.seats.findAll({ where: { clubId, personId }, attributes: ['id'], raw: true });
  const seatId = seats.map(({ id }) => id);
  const plants = await db.plants.findAll({
    where: {
      clubId,
      voidedAt: UNSET,
      withUs: false,
      [Op.or]: [{ holderId: personId }, { holderId: UNSET, seatId }],
    },
    attributes: ['id'],
    raw: true,
  });
  return plants.map(({ id }) => id);
}

/** Whether a person has a plant. */
export async function hasPlant(context: Context, personId: string, plantId: string): Promise<boolean> {
  return (await plantsOfPeople(context, [personId])).includes(plantId);
}
