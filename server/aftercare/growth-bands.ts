import { QueryTypes } from 'sequelize';
import { type GrowthBand, growthBand, type MeasuredShoot } from '@/core/aftercare/growth/growth-band';
import type { Context } from '@/server/platform/context';
import { daysBetween } from '@/core/units/iso-date';
import type { UnionWithPlan } from './union-plans';

/** Where the last heights of some unions lie among those of their like in the club; what was never measured is left out. */
export async function growthBands(
  { db, actor: { clubId } }: Context,
  plans: readonly UnionWithPlan[],
): Promise<Map<string, GrowthBand>> {
  const own = plans.flatMap(({ union, wood, stock, seen }): MeasuredShoot[] => {
    const last = seen.filter(({ kind }) => kind === 'height').at(-1);
    if (!last || last.lengthMm === null || seen.some(({ kind }) => kind === 'shortened')) return [];
    return [
      {
        unionId: union.id,
        variety: wood.variety,
        species: wood.species,
        stockType: stock.stockType,
        made: `${union.method} ${union.variant}`,
        age: daysBetween(union.madeOn, last.seenOn),
        mm: last.lengthMm,
      },
    ];
  });
  if (own.length === 0) return new Map();
  const all = await db.sequelize.query<MeasuredShoot>(
    `SELECT o.union_id AS unionId, w.variety, w.species, s.stock_type AS stockType,
       CONCAT(u.method, ' ', u.variant) AS made, DATEDIFF(o.seen_on, u.made_on) AS age, o.length_mm AS mm
     FROM union_observations o JOIN unions u ON u.id = o.union_id JOIN plants p ON p.id = u.plant_id
       JOIN wood_lots w ON w.club_id = p.club_id AND w.id = p.wood_lot_id
       JOIN stock_lots s ON s.club_id = p.club_id AND s.id = p.stock_lot_id
     WHERE o.club_id = :clubId AND o.kind = 'height' AND o.taken_back_at IS NULL AND p.voided_at IS NULL
       AND u.method IN (:methods)`,
    {
      type: QueryTypes.SELECT,
      replacements: { clubId, methods: [...new Set(plans.map(({ union }) => union.method))] },
    },
  );
  return new Map(
    own.flatMap((shoot) => {
      const band = growthBand(shoot, all);
      return band ? [[shoot.unionId, band] as const] : [];
    }),
  );
}
