import { formatCode } from '@/core/codes/plant-code';
import { limbUnions } from './grafted-limbs';
import type { LivingUnion } from './living-union';
import type { WoodLotRow } from '@/db/models/wood-rows';
import { UNSET } from '@/db/unset';
import { allow, type Context } from '@/server/platform/context';
import { listSites } from '@/server/club/sites';
import { listWorkshops } from '@/server/plan/workshops';
import { groupByUnion } from '@/server/score/scored-unions';

/** Which keepers are asked for: all of the club, of a workshop, or on one or some plants. */
export interface WhichUnions {
  workshopId?: string;
  plantId?: string;
  plantIds?: string[];
  /** Plants whose codes were voided too. */
  voided?: boolean;
}

/** The keepers of the club with grafted limbs, or the keepers of a day or plant; unions of workshops that were put away are left out. */
export async function livingUnions(context: Context, which: WhichUnions = {}): Promise<LivingUnion[]> {
  allow(context, 'viewer');
  const {
    db,
    actor: { clubId },
  } = context;
  const { workshopId, plantId, plantIds = plantId ? [plantId] : null, voided = false } = which;
  const at = workshopId ? { clubId, workshopId } : { clubId };
  const unions = await db.unions.findAll({
    where: { ...at, kind: 'keeper', ...(plantIds ? { plantId: plantIds } : {}) },
    order: [['number', 'ASC']],
    raw: true,
  });
  const ids = unions.map(({ id }) => id);
  // A few are asked for by their ids; all of a club by their club.
  const ofThese = workshopId || plantIds ? { unionId: ids } : {};
  const [plants, wood, stocks, workshops, sites, programmes, marks, seen, facts] = await Promise.all([
    db.plants.findAll({ where: { ...at, ...(plantIds ? { id: plantIds } : {}) }, raw: true }),
    db.woodLots.findAll({ where: { clubId }, attributes: [...WOOD_READ], raw: true }),
    db.stockLots.findAll({ where: { clubId }, attributes: ['id', 'stockType', 'species'], raw: true }),
    listWorkshops(context),
    listSites(context),
    workshopId || plantIds ? [] : db.topworkingPlans.findAll({ where: { clubId }, raw: true }),
    db.taskMarks.findAll({ where: { clubId, ...ofThese, undoneAt: UNSET }, raw: true }),
    db.unionObservations.findAll({
      where: { clubId, ...ofThese, takenBackAt: UNSET },
      order: [
        ['seenOn', 'ASC'],
        ['recordedAt', 'ASC'],
      ],
      raw: true,
    }),
    db.unionFacts.findAll({ where: { ...at, kind: 'keeper', ...ofThese }, raw: true }),
  ]);
  const byId = <Row extends { id: string }>(rows: Row[]): Map<string, Row> => new Map(rows.map((row) => [row.id, row]));
  const [plantOf, woodOf, stockOf, workshopOf, siteOf] = [
    byId(plants),
    byId(wood),
    byId(stocks),
    byId(workshops),
    byId(sites),
  ];
  const dormantOf = dormantByVariety(wood);
  const [marksOf, seenOf] = [groupByUnion(marks), groupByUnion(seen)];
  const marksFor = (unionId: string): Pick<LivingUnion, 'marks' | 'beside'> => {
    const own = marksOf.get(unionId) ?? [];
    return { marks: own.filter(({ besideId }) => !besideId), beside: own.filter(({ besideId }) => besideId) };
  };
  const factOf = new Map(facts.map((fact) => [fact.unionId, fact]));
  const limbs = (await limbUnions(context, programmes, sites)).map((limb) => ({
    ...limb,
    ...marksFor(limb.union.id),
    seen: seenOf.get(limb.union.id) ?? [],
  }));
  const keepers = unions.flatMap((union): LivingUnion[] => {
    const plant = plantOf.get(union.plantId ?? '');
    const workshop = workshopOf.get(union.workshopId);
    if (!plant || !workshop || (plant.voidedAt !== null && !voided)) return [];
    const lot = woodOf.get(plant.woodLotId)!;
    return [
      {
        union,
        called: formatCode(plant.code),
        href: `/plants/${plant.code}`,
        plant,
        wood: lot,
        dormant: dormantOf.get(varietyKey(lot)) ?? [],
        stock: stockOf.get(plant.stockLotId)!,
        workshop,
        site: siteOf.get(workshop.siteId)!,
        ...marksFor(union.id),
        seen: seenOf.get(union.id) ?? [],
        facts: factOf.get(union.id) ?? null,
      },
    ];
  });
  return [...keepers, ...limbs];
}

const WOOD_READ = ['id', 'variety', 'species', 'sticks', 'booked', 'stage', 'cutOn'] as const;
type WoodRead = Pick<WoodLotRow, (typeof WOOD_READ)[number]>;

const varietyKey = ({ variety, species }: Pick<WoodRead, 'variety' | 'species'>): string => `${species} ${variety}`;

/** Lots of dormant wood by their variety: what grafts the next stock need not be of the lot that failed. */
function dormantByVariety(lots: readonly WoodRead[]): Map<string, WoodRead[]> {
  const found = new Map<string, WoodRead[]>();
  for (const lot of lots)
    if (lot.stage === 'dormant') found.set(varietyKey(lot), [...(found.get(varietyKey(lot)) ?? []), lot]);
  return found;
}
