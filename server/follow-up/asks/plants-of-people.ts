import { UNSET } from '@/db/unset';
import type { Context } from '@/server/platform/context';

/** Ids of the plants that some people of the club have, in all its workshops; voided ones are nobody's. */
export async function plantsOfPeople(
  { db, actor: { clubId } }: Context,
  personIds: readonly string[],
): Promise<string[]> {
  if (personIds.length === 0) return [];
  const personId = [...new Set(personIds)];
  const seats = await db.seats.findAll({ where: { clubId, personId }, attributes: ['id'], raw: true });
  if (seats.length === 0) return [];
  const seatId = seats.map(({ id }) => id);
  const plants = await db.plants.findAll({ where: { clubId, seatId, voidedAt: UNSET }, attributes: ['id'], raw: true });
  return plants.map(({ id }) => id);
}
