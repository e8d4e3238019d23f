import { QueryTypes } from 'sequelize';
import type { Spot } from '@/core/aftercare/places/place';
import type { PlacedPlant } from '@/core/aftercare/places/place-view';
import { madeWords } from '@/core/methods/made-words';
import type { VariantId } from '@/core/methods/use';
import { allow, type Context } from '@/server/platform/context';
import { ERASED_NAME } from '@/server/platform/erased-name';
import { spotOf } from './places';

interface Row extends Omit<PlacedPlant, 'standing' | 'dead' | 'grower' | 'made'>, Spot {
  /** Methods and variants of its unions, each as "method variant", separated by commas. */
  madeAs: string;
  placeId: string | null;
  since: string | null;
  grower: string | null;
  withUs: boolean | number;
  deadOnes: number | string;
  livingOnes: number | string;
}

/** Plants of the club that are not voided, with where they stand: all, or those of one place. Ordered as they were made. */
export async function standingPlants(context: Context, placeId?: string): Promise<PlacedPlant[]> {
  allow(context, 'viewer');
  const rows = await context.db.sequelize.query<Row>(
    `SELECT p.id AS plantId, p.code, p.workshop_id AS workshopId, w.site_id AS siteId, l.variety, l.species, l.id AS lotId,
       COALESCE(wl.ribbon, 'chalk') AS ribbon, pe.name AS grower, p.with_us AS withUs, p.doubt,
       MIN(u.made_on) AS madeOn, GROUP_CONCAT(DISTINCT u.method, ' ', u.variant ORDER BY u.method, u.variant) AS madeAs, SUM(f.first_dead_on IS NOT NULL AND f.contradicted = 0) AS deadOnes, COUNT(u.id) AS livingOnes,
       pp.place_id AS placeId, pp.\`row\`, pp.position, COALESCE(pp.limb, '') AS limb, COALESCE(pp.side, '') AS side, pp.since
     FROM plants p
       JOIN workshops w ON w.id = p.workshop_id JOIN wood_lots l ON l.id = p.wood_lot_id
       JOIN unions u ON u.plant_id = p.id JOIN seats s ON s.id = p.seat_id JOIN people pe ON pe.id = COALESCE(p.holder_id, s.person_id)
       LEFT JOIN workshop_wood_lots wl ON wl.workshop_id = p.workshop_id AND wl.wood_lot_id = p.wood_lot_id
       LEFT JOIN plant_places pp ON pp.plant_id = p.id LEFT JOIN union_facts f ON f.union_id = u.id
     WHERE p.club_id = :clubId AND p.voided_at IS NULL AND w.put_away_at IS NULL ${placeId ? 'AND pp.place_id = :placeId' : ''}
     GROUP BY p.id ORDER BY w.date, p.place, p.code`,
    { replacements: { clubId: context.actor.clubId, placeId }, type: QueryTypes.SELECT },
  );
  return rows.map(
    ({ placeId: at, since, row, position, limb, side, grower, withUs, deadOnes, livingOnes, madeAs, ...plant }) => ({
      ...plant,
      made: madeAsWords(madeAs),
      grower: withUs ? 'stays with us' : (grower ?? ERASED_NAME),
      // SUM arrives as a decimal in text.
      dead: Number(livingOnes) > 0 && Number(deadOnes) === Number(livingOnes),
      standing: at && since ? { placeId: at, since, spot: spotOf({ row, position, limb, side }) } : null,
    }),
  );
}

function madeAsWords(madeAs: string): string {
  const kinds = madeAs.split(',').map((kind) => kind.split(' ') as [string, VariantId]);
  return kinds.map(([method, variant]) => madeWords({ method, variant })).join(', ');
}
