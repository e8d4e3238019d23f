import { byId } from '@/core/units/by-id';
import { POSITIONS } from '@/core/methods/position';
import type { PlantRow, UnionRow } from '@/db/models/union-rows';
import type { StockLotRow } from '@/db/models/wood-rows';
import type { Context } from '@/server/platform/context';
import { type ChosenWoodLot, workshopLots } from './lots';
import { listSeats, type SeatedPerson } from './seats';
import { groupedBy } from '@/core/units/grouped-by';

/** How a keeper was made. */
type Making = Pick<
  UnionRow,
  'position' | 'method' | 'variant' | 'schools' | 'materials' | 'madeOn' | 'makerId' | 'helperUserId' | 'helperPersonId'
>;

/** A keeper: a union on a plant with its tag, what it is made of and how, and who has it. */
export interface Keeper extends PlantRow, Making {
  unionId: string;
  wood: ChosenWoodLot;
  stock: StockLotRow;
  seat: SeatedPerson;
}

/** The keepers of a workshop by the places of their plants; of a plant with several unions each is one. */
export async function listKeepers(context: Context, workshopId: string): Promise<Keeper[]> {
  const seats = await listSeats(context, workshopId);
  const {
    db,
    actor: { clubId },
  } = context;
  const [plants, unions, lots] = await Promise.all([
    db.plants.findAll({ where: { clubId, workshopId }, order: [['place', 'ASC']], raw: true }),
    db.unions.findAll({ where: { clubId, workshopId, kind: 'keeper' }, raw: true }),
    workshopLots(context, workshopId),
  ]);
  const [woodOf, stockOf, seatOf] = [byId(lots.wood), byId(lots.stocks), byId(seats)];
  const onPlant = groupedBy(unions, ({ plantId }) => plantId);
  const order = ({ position }: UnionRow): number => POSITIONS.indexOf(position);
  return plants.flatMap((plant) => {
    const made = (onPlant.get(plant.id) ?? []).sort((a, b) => order(a) - order(b));
    return made.map((union) => ({
      ...plant,
      unionId: union.id,
      position: union.position,
      method: union.method,
      variant: union.variant,
      schools: union.schools,
      materials: union.materials,
      madeOn: union.madeOn,
      makerId: union.makerId,
      helperUserId: union.helperUserId,
      helperPersonId: union.helperPersonId,
      wood: woodOf.get(plant.woodLotId)!,
      stock: stockOf.get(plant.stockLotId)!,
      seat: seatOf.get(plant.seatId)!,
    }));
  });
}
