import { canDraw } from '@/core/aftercare/places/bed-layout';
import { formatCode } from '@/core/codes/plant-code';
import type { OnLand, Place } from '@/core/aftercare/places/place';
import type { PlacedPlant } from '@/core/aftercare/places/place-view';
import type { Scene } from './land-scene';

/** A bed by itself is drawn from its own corner, wherever it lies. */
const OWN_CORNER: OnLand = { x: 0, y: 0, turned: false };

/** What a map draws of some places and the plants on their spots. Beds nobody measured are left out. */
export function sceneOf(
  places: readonly (Place & { held: number })[],
  plants: readonly PlacedPlant[],
  { alone = false }: { alone?: boolean } = {},
): Scene {
  const beds = places.flatMap((place) => {
    const laid = { rows: place.rows, onLand: alone ? OWN_CORNER : place.onLand };
    return place.kind === 'bed' && canDraw(laid) ? [{ placeId: place.id, name: place.name, ...laid }] : [];
  });
  const drawn = new Set(beds.map(({ placeId }) => placeId));
  return {
    beds,
    trees: places.flatMap(({ id, kind, name, onLand, held }) =>
      kind === 'tree' && onLand ? [{ placeId: id, name, x: onLand.x, y: onLand.y, held }] : [],
    ),
    plants: plants.flatMap(({ plantId, code, variety, ribbon, dead, doubt, standing }) => {
      const { row, position } = standing?.spot ?? { row: null, position: null };
      if (!standing || !drawn.has(standing.placeId) || row === null || position === null) return [];
      const spot = { row, position };
      return [
        {
          plantId,
          code: formatCode(code),
          variety,
          ribbon,
          dead,
          doubtful: doubt !== '',
          placeId: standing.placeId,
          spot,
        },
      ];
    }),
  };
}
