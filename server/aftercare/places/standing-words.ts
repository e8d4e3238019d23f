import { QueryTypes } from 'sequelize';
import { type Spot, spotWords } from '@/core/aftercare/places/place';
import type { Context } from '@/server/platform/context';
import { spotOf } from './places';

/** Where some plants stand now, in words; those of which nobody said are left out. */
export async function standingWords(
  { db, actor }: Context,
  plantIds: readonly string[],
): Promise<ReadonlyMap<string, string>> {
  if (plantIds.length === 0) return new Map();
  const rows = await db.sequelize.query<Spot & { plantId: string; place: string }>(
    `SELECT pp.plant_id AS plantId, p.name AS place, pp.\`row\`, pp.position, pp.limb, pp.side
     FROM plant_places pp JOIN places p ON p.id = pp.place_id WHERE pp.club_id = :clubId AND pp.plant_id IN (:plantIds)`,
    { type: QueryTypes.SELECT, replacements: { clubId: actor.clubId, plantIds: [...plantIds] } },
  );
  return new Map(
    rows.map(({ plantId, place, ...row }) => {
      const spot = spotWords(spotOf(row));
      return [plantId, spot === '' ? place : `${place}, ${spot}`];
    }),
  );
}

/** In which place some plants stand now; those of which nobody said are left out. */
export async function standingPlaces(
  { db, actor: { clubId } }: Context,
  plantIds: readonly string[],
): Promise<ReadonlyMap<string, { placeId: string; name: string }>> {
  if (plantIds.length === 0) return new Map();
  const rows = await db.plantPlaces.findAll({ where: { clubId, plantId: [...plantIds] }, raw: true });
  const places = await db.places.findAll({
    where: { clubId, id: [...new Set(rows.map(({ placeId }) => placeId))] },
    attributes: ['id', 'name'],
    raw: true,
  });
  const nameOf = new Map(places.map(({ id, name }) => [id, name]));
  return new Map(rows.map(({ plantId, placeId }) => [plantId, { placeId, name: nameOf.get(placeId) ?? '' }]));
}
