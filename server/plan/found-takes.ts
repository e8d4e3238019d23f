import { QueryTypes } from 'sequelize';
import type { Method } from '@/core/methods/method';
import { MILESTONES } from '@/core/methods/milestones';
import type { VariantId } from '@/core/methods/variant';
import { type CountedFates, foundTake, type FoundTake } from '@/core/plan/quantities/found-take';
import { takeBelief, type TakeBelief } from '@/core/statistics/take-belief';
import type { Context } from '@/server/platform/context';

/** What is believed of a take, and what a club found of it. */
export type FoundBelief = TakeBelief & { found: FoundTake };

/**
 * Take of a method as the club found it, in the way of its season and at a site where enough is known of them. Of each
 * workshop the last milestone counts that a round asked: one nobody asked would know only those that got further, or died
 * earlier.
 */
export async function foundTakes(
  context: Context,
): Promise<(method: Method, at?: { variant: VariantId; siteId: string }) => FoundBelief> {
  const {
    db,
    actor: { clubId },
  } = context;
  const states = MILESTONES.flatMap((milestone) =>
    (['alive', 'dead'] as const).map((state) => `SUM(f.${milestone} = '${state}') AS ${milestone}_${state}`),
  ).join(', ');
  const [rows, rounds] = await Promise.all([
    db.sequelize.query<
      { method: string; variant: string; siteId: string; workshopId: string } & Record<string, number>
    >(
      `SELECT f.method, f.variant, h.site_id AS siteId, f.workshop_id AS workshopId, ${states}
       FROM union_facts f JOIN workshops h ON h.id = f.workshop_id
       WHERE f.club_id = :clubId AND f.kind = 'keeper' AND f.voided = 0
       GROUP BY f.method, f.variant, h.site_id, f.workshop_id`,
      { replacements: { clubId }, type: QueryTypes.SELECT },
    ),
    db.rounds.findAll({ where: { clubId }, raw: true }),
  ]);
  const counts = rows.flatMap((row): CountedFates[] => {
    const asked = MILESTONES.findLast((milestone) =>
      rounds.some((round) => round.workshopId === row.workshopId && round.milestone === milestone),
    );
    const { method, variant, siteId } = row;
    // SUM arrives as a decimal in text.
    const sum = (state: 'alive' | 'dead'): number => Number(row[`${asked}_${state}`]);
    return asked ? [{ method, variant, siteId, alive: sum('alive'), dead: sum('dead') }] : [];
  });
  return (method, at) => {
    const found = foundTake(counts, { method: method.id, variant: at?.variant ?? null, siteId: at?.siteId ?? null });
    return { ...takeBelief(method.prior, found), found };
  };
}
