import { fateCountsOf, settled } from '@/core/findings/facts/keepers-alike';
import type { Method } from '@/core/methods/method';
import type { VariantId } from '@/core/methods/use';
import { type CountedFates, foundTake, type FoundTake } from '@/core/plan/quantities/found-take';
import { earlierWorkshops, type WorkshopTake } from '@/core/plan/quantities/new-workshop-take';
import { askedMilestones } from '@/server/platform/asked-milestones';
import type { Context } from '@/server/platform/context';
import { keptCounts } from '@/server/platform/keeper-counts';

/** Workshops that a take is believed by, and what a club found of it. */
export interface FoundBelief {
  history: WorkshopTake[];
  found: FoundTake;
}

/** For what a plan wants to know a take. */
export interface PlannedUnions {
  workshopId: string;
  variant: VariantId;
  siteId: string;
  lotIds: readonly string[];
}

/**
 * Take of a method as the club found it, with wood like that of the plan, in the way of its season and at its site where
 * enough is known of them. Of each workshop the last milestone counts that a round asked: one nobody asked would know only
 * those that got further, or died earlier.
 */
export async function foundTakes(context: Context): Promise<(method: Method, at?: PlannedUnions) => FoundBelief> {
  const {
    db,
    actor: { clubId },
  } = context;
  const [kept, asked, workshops, lots] = await Promise.all([
    keptCounts(db, clubId),
    askedMilestones(context),
    db.workshops.findAll({ where: { clubId }, attributes: ['id', 'siteId'], raw: true }),
    db.woodLots.findAll({ where: { clubId }, attributes: ['id', 'variety', 'source'], raw: true }),
  ]);
  const woodOf = new Map(lots.map(({ id, variety, source }) => [id, JSON.stringify([variety, source])]));
  const counts = workshops.flatMap(({ id: workshopId, siteId }): CountedFates[] => {
    const last = asked.get(workshopId)?.at(-1);
    if (!last) return [];
    return (kept.get(workshopId)?.byLot ?? []).map(({ method, variant, woodLotId, at }) => {
      const wood = (woodLotId && woodOf.get(woodLotId)) || null;
      return { workshopId, siteId, method, variant, wood, ...settled(fateCountsOf(at)[last]) };
    });
  });
  return (method, at) => {
    const found = foundTake(counts, {
      method: method.id,
      variant: at?.variant ?? null,
      siteId: at?.siteId ?? null,
      woods: (at?.lotIds ?? []).flatMap((lotId) => woodOf.get(lotId) ?? []),
      workshopId: at?.workshopId ?? null,
    });
    return { history: earlierWorkshops(found.workshops, method.prior), found };
  };
}
