import { QueryTypes } from 'sequelize';
import type { KeeperCounts, OnOnePlant } from '@/core/findings/boards/take-parts-of-counts';
import type { FindingsFilter } from '@/core/findings/facts/findings-filter';
import { fateCountsOf, type KeepersAlike } from '@/core/findings/facts/keepers-alike';
import { askedMilestones } from '@/server/platform/asked-milestones';
import { allow, type Context } from '@/server/platform/context';
import { type KeptGroup, keptCounts } from '@/server/platform/keeper-counts';

/** Whether a filter asks only for what keepers are counted by together. */
export function isCounted({ lotId, personId, scoreFrom, scoreTo }: FindingsFilter): boolean {
  return [lotId, personId, scoreFrom, scoreTo].every((value) => value === null);
}

/** Whether a club has more keepers than some, looking at no more than that many. */
export async function hasMoreKeepers(
  { db, actor }: Context,
  than: number,
  workshopId: string | null,
): Promise<boolean> {
  const rows = await db.sequelize.query<{ keepers: number }>(
    `SELECT COUNT(*) AS keepers FROM (SELECT 1 FROM union_facts WHERE club_id = :clubId
       ${workshopId ? 'AND workshop_id = :workshopId' : ''} AND kind = 'keeper' AND voided = 0 LIMIT :most) some`,
    { replacements: { clubId: actor.clubId, workshopId, most: than + 1 }, type: QueryTypes.SELECT },
  );
  return Number(rows[0]!.keepers) > than;
}

/** Keepers of a filter in numbers, from the counts that are kept of each workshop. */
export async function countedKeepers(context: Context, filter: FindingsFilter): Promise<KeeperCounts> {
  allow(context, 'viewer');
  const { db, actor } = context;
  const { clubId } = actor;
  const [kept, asked, workshops, lots] = await Promise.all([
    keptCounts(db, clubId),
    askedMilestones(context),
    db.workshops.findAll({
      where: { clubId, putAwayAt: null },
      attributes: ['id', 'siteId'],
      raw: true,
    }),
    db.woodLots.findAll({ where: { clubId }, attributes: ['id', 'variety'], raw: true }),
  ]);
  const varietyOf = new Map(lots.map(({ id, variety }) => [id, variety]));
  const counts: KeeperCounts = { byLot: [], byHand: [], byPlant: [] };
  for (const { id: workshopId, siteId } of workshops) {
    const own = kept.get(workshopId);
    if (!own || (filter.workshopId && filter.workshopId !== workshopId)) continue;
    if (filter.siteId && filter.siteId !== siteId) continue;
    const inFilter = ({ method, date }: KeptGroup): boolean =>
      (!filter.method || method === filter.method) && (!filter.year || date.startsWith(`${filter.year}-`));
    const alike = ({ at, ...group }: KeptGroup): OnOnePlant => ({
      ...group,
      plantId: group.plantId ?? '',
      variety: group.woodLotId ? (varietyOf.get(group.woodLotId) ?? null) : null,
      workshopId,
      siteId,
      asked: asked.get(workshopId) ?? [],
      at: fateCountsOf(at),
    });
    const read = (groups: readonly KeptGroup[], into: KeepersAlike[]): void => {
      for (const group of groups) if (inFilter(group)) into.push(alike(group));
    };
    read(own.byLot, counts.byLot);
    read(own.byHand, counts.byHand);
    read(own.byPlant, counts.byPlant);
  }
  return counts;
}
