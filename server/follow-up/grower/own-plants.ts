import { type AskedUnion, asksOfLiving } from '../asks/asked-unions';
import { type LivingUnion, livingUnions } from '@/server/aftercare/living-unions';
import { UNSET } from '@/db/unset';
import type { OpenedLink } from './open-link';

/** The living unions on the plants of whoever holds a link, in all workshops of the club. */
export async function ownUnions({ reader, person }: Pick<OpenedLink, 'reader' | 'person'>): Promise<LivingUnion[]> {
  const { db, actor } = reader;
  const { clubId } = actor;
  const seats = await db.seats.findAll({ where: { clubId, personId: person.id }, attributes: ['id'], raw: true });
  if (seats.length === 0) return [];
  const plants = await db.plants.findAll({
    where: { clubId, seatId: seats.map(({ id }) => id), voidedAt: UNSET },
    attributes: ['id'],
    raw: true,
  });
  if (plants.length === 0) return [];
  return livingUnions(reader, { plantIds: plants.map(({ id }) => id) });
}

/** The same with what is asked of each. */
export async function ownAsks(opened: OpenedLink): Promise<AskedUnion[]> {
  return asksOfLiving(opened.reader, await ownUnions(opened));
}
