import { QueryTypes, type Transaction } from 'sequelize';
import { v7 as uuid } from 'uuid';
import { KEPT_COUNTS } from '@/core/findings/facts/keepers-alike';
import { type Milestone, MILESTONES } from '@/core/methods/milestones';
import type { Database } from '@/db/database';
import { holdGuard } from '@/db/guard';
import { transact } from '@/db/transact';

/** Says that keepers of workshops changed, in the transaction that changed them, so that they are counted anew. */
export async function keepersChanged(
  db: Database,
  clubId: string,
  workshopIds: readonly string[],
  transaction: Transaction,
): Promise<void> {
  const changed = [...new Set(workshopIds)];
  if (changed.length === 0) return;
  await db.keeperChanges.bulkCreate(
    changed.map((workshopId) => ({ id: uuid(), clubId, workshopId })),
    { transaction },
  );
}

/** Keepers alike of a workshop, in numbers: `at` holds five counts for each milestone. */
export interface KeptGroup {
  date: string;
  method: string;
  variant: string;
  woodLotId: string | null;
  makerId: string | null;
  plantId: string | null;
  keepers: number;
  at: number[];
}

/** How the keepers of a workshop are counted: by lot, by hand, and by plant where one carries several. */
export interface KeptCounts {
  byLot: KeptGroup[];
  byHand: KeptGroup[];
  byPlant: KeptGroup[];
}

/**
 * Counts of each workshop's keepers. What changed since they were kept is counted first, so that they are as true as the
 * rows they are of.
 */
export async function keptCounts(db: Database, clubId: string): Promise<Map<string, KeptCounts>> {
  await countAnew(db, clubId);
  const rows = await db.keeperCounts.findAll({ where: { clubId }, raw: true });
  return new Map(rows.map(({ workshopId, body }) => [workshopId, JSON.parse(body) as KeptCounts]));
}

/** Workshops counted in one transaction: many thousands of keepers at once would keep others waiting. */
const AT_ONCE = 40;

async function countAnew(db: Database, clubId: string): Promise<void> {
  const stale = await changedWorkshops(db, clubId);
  for (let i = 0; i < stale.length; i += AT_ONCE) {
    const workshopIds = stale.slice(i, i + AT_ONCE);
    await transact(db, async (transaction) => {
      // Whoever counts does so alone, and reads what was written before they began: a slow one cannot keep what is old.
      await holdGuard(db, transaction, clubId, 'keeper counts');
      const changes = await db.keeperChanges.findAll({
        where: { clubId, workshopId: workshopIds },
        attributes: ['id'],
        transaction,
        raw: true,
      });
      if (changes.length === 0) return;
      const counts = await countsOf(db, clubId, workshopIds, transaction);
      await db.keeperCounts.bulkCreate(
        workshopIds.map((workshopId) => ({ workshopId, clubId, body: JSON.stringify(counts(workshopId)) })),
        { transaction, updateOnDuplicate: ['body'] },
      );
      await db.keeperChanges.destroy({ where: { clubId, id: changes.map(({ id }) => id) }, transaction });
    });
  }
}

async function changedWorkshops(db: Database, clubId: string): Promise<string[]> {
  const rows = await db.sequelize.query<{ workshopId: string }>(
    'SELECT DISTINCT workshop_id AS workshopId FROM keeper_changes WHERE club_id = :clubId',
    { replacements: { clubId }, type: QueryTypes.SELECT },
  );
  return rows.map(({ workshopId }) => workshopId);
}

/** What of a keeper is counted at a milestone. */
const COUNTED: Record<(typeof KEPT_COUNTS)[number], (milestone: Milestone) => string> = {
  alive: (milestone) => `${milestone} = 'alive'`,
  dead: (milestone) => `${milestone} = 'dead'`,
  contradicted: (milestone) => `${milestone} = 'alive' AND contradicted`,
  remindedAlive: (milestone) => `${milestone} = 'alive' AND reminded AND NOT contradicted`,
  remindedDead: (milestone) => `${milestone} = 'dead' AND reminded AND NOT contradicted`,
};
const SUMS = MILESTONES.flatMap((milestone) => KEPT_COUNTS.map((count) => `SUM(${COUNTED[count](milestone)})`));

type Grouping = 'wood_lot_id' | 'maker_id' | 'plant_id';
type CountedRow = Omit<KeptGroup, 'at'> & { workshopId: string } & Record<`sum${number}`, string>;

async function countsOf(
  db: Database,
  clubId: string,
  workshopIds: readonly string[],
  transaction: Transaction,
): Promise<(workshopId: string) => KeptCounts> {
  const countedBy = async (by: Grouping, where = ''): Promise<Map<string, KeptGroup[]>> => {
    const rows = await db.sequelize.query<CountedRow>(
      `SELECT workshop_id AS workshopId, date, method, variant,
         ${columnOf('wood_lot_id', by)} AS woodLotId, ${columnOf('maker_id', by)} AS makerId,
         ${columnOf('plant_id', by)} AS plantId, COUNT(*) AS keepers, ${SUMS.map((sum, i) => `${sum} AS sum${i}`).join(', ')}
       FROM union_facts WHERE club_id = :clubId AND workshop_id IN (:workshopIds) AND kind = 'keeper' AND voided = 0 ${where}
       GROUP BY workshop_id, date, method, variant, ${by}`,
      { replacements: { clubId, workshopIds }, type: QueryTypes.SELECT, transaction },
    );
    const groups = new Map<string, KeptGroup[]>(workshopIds.map((workshopId) => [workshopId, []]));
    for (const row of rows) groups.get(row.workshopId)!.push(keptGroup(row));
    return groups;
  };
  const byLot = await countedBy('wood_lot_id');
  const byHand = await countedBy('maker_id');
  const byPlant = await countedBy('plant_id', "AND position <> 'sole'");
  return (workshopId) => ({
    byLot: byLot.get(workshopId)!,
    byHand: byHand.get(workshopId)!,
    byPlant: byPlant.get(workshopId)!,
  });
}

const columnOf = (column: Grouping, by: Grouping): string => (column === by ? column : 'NULL');

function keptGroup(row: CountedRow): KeptGroup {
  const { date, method, variant, woodLotId, makerId, plantId, keepers } = row;
  // COUNT arrives as a number or as text, SUM as a decimal in text.
  const at = SUMS.map((_sum, i) => Number(row[`sum${i}`]));
  return { date, method, variant, woodLotId, makerId, plantId, keepers: Number(keepers), at };
}
