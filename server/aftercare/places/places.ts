import type { Transaction } from 'sequelize';
import { ANYWHERE, type Spot } from '@/core/aftercare/places/place';
import type { PlaceRow, PlantPlaceRow } from '@/db/models/place-rows';
import { UNSET } from '@/db/unset';
import { allow, type Context } from '@/server/platform/context';
import { notFound } from '@/server/platform/use-case-error';

/** The club's places that are in use, beds before trees before what is carried. */
export async function listPlaces(context: Context): Promise<PlaceRow[]> {
  allow(context, 'viewer');
  const rows = await context.db.places.findAll({
    where: { clubId: context.actor.clubId, putAwayAt: UNSET },
    order: [['name', 'ASC']],
    raw: true,
  });
  return rows.sort((a, b) => KIND_ORDER.indexOf(a.kind) - KIND_ORDER.indexOf(b.kind));
}
const KIND_ORDER: PlaceRow['kind'][] = ['bed', 'tree', 'callus-box', 'pail', 'tray', 'home'];

/** A place of the club, in use or put away. */
export async function getPlace(context: Context, placeId: string): Promise<PlaceRow> {
  allow(context, 'viewer');
  const place = await context.db.places.findOne({
    where: { clubId: context.actor.clubId, id: placeId },
    raw: true,
  });
  if (!place) throw notFound('The place');
  return place;
}

/** A place of the club, held until the transaction ends: whoever else moves to it, reads for it or changes it waits. */
export async function holdPlace(
  { db, actor: { clubId } }: Context,
  placeId: string,
  transaction: Transaction,
): Promise<PlaceRow> {
  const place = await db.places.findOne({ where: { clubId, id: placeId }, transaction, lock: true, raw: true });
  if (!place) throw notFound('The place');
  return place;
}

/** The spot of a row that names one. */
export function spotOf({ row, position, limb, side }: Pick<PlantPlaceRow, keyof Spot> | Spot): Spot {
  return { ...ANYWHERE, row, position, limb, side };
}
