import { QueryTypes } from 'sequelize';
import type { Stay } from '@/core/aftercare/warmth/placed-warmth';
import type { PlaceKind } from '@/core/aftercare/places/place';
import type { Context } from '@/server/platform/context';

/** Where a plant stood from a day on; `placeId` null where it was taken out of all places. */
export interface PlantStay extends Stay {
  kind: PlaceKind | null;
}

/** Where the plants of a club stood, from their moves that stand: by plant, in the order of their days. */
export async function plantStays({ db, actor }: Context): Promise<Map<string, PlantStay[]>> {
  const rows = await db.sequelize.query<{
    plantId: string;
    movedOn: string;
    placeId: string | null;
    kind: PlaceKind | null;
  }>(
    `SELECT m.plant_id AS plantId, m.moved_on AS movedOn, m.to_place_id AS placeId, p.kind
     FROM plant_moves m LEFT JOIN places p ON p.id = m.to_place_id
     WHERE m.club_id = :clubId AND m.undone_at IS NULL ORDER BY m.moved_on, m.id`,
    { type: QueryTypes.SELECT, replacements: { clubId: actor.clubId } },
  );
  const stays = new Map<string, PlantStay[]>();
  for (const { plantId, movedOn, placeId, kind } of rows) {
    const own = stays.get(plantId);
    const stay = { from: movedOn, placeId, kind };
    if (own) own.push(stay);
    else stays.set(plantId, [stay]);
  }
  return stays;
}
