import { madeWords } from '@/core/methods/made-words';
import type { Context } from '@/server/platform/context';

/** What the tag's code alone tells anybody: the plant, and no person. */
export interface PublicPlant {
  code: string;
  variety: string;
  species: string;
  stockType: string;
  date: string;
  /** How each union on it was made, in words. */
  made: string[];
  voided: boolean;
  clubName: string;
  /** For signed-in members of its club. */
  workshopId: string;
  clubId: string;
}

export async function plantByCode({ db }: Pick<Context, 'db'>, code: string): Promise<PublicPlant | null> {
  const plant = await db.plants.findOne({ where: { code }, raw: true });
  if (!plant) return null;
  const [unions, wood, stock, club] = await Promise.all([
    db.unions.findAll({ where: { clubId: plant.clubId, plantId: plant.id }, raw: true }),
    db.woodLots.findOne({ where: { id: plant.woodLotId }, raw: true }),
    db.stockLots.findOne({ where: { id: plant.stockLotId }, raw: true }),
    db.clubs.findOne({ where: { id: plant.clubId }, raw: true }),
  ]);
  return {
    code,
    variety: wood!.variety,
    species: wood!.species,
    stockType: stock!.stockType,
    date: unions[0]!.madeOn,
    made: [...new Set(unions.map(madeWords))],
    voided: plant.voidedAt !== null,
    clubName: club!.name,
    workshopId: plant.workshopId,
    clubId: plant.clubId,
  };
}
