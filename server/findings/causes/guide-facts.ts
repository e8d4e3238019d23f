import { remembered } from '@/server/club/remembered';
import type { GuideFacts } from '@/core/findings/causes/guide-entry';
import { isPlantCode, normaliseCode } from '@/core/codes/plant-code';
import { isId } from '@/core/inputs/fields';
import { allow, type Context } from '@/server/platform/context';
import { notFound } from '@/server/platform/use-case-error';
import { deathsOf } from './deaths';

/** Of a plant: the unions that died, each with what the guide asks it by; and whether any lives or nobody knows. */
export interface PlantGuide {
  workshopId: string;
  deaths: GuideFacts[];
}

/** What the guide goes by for the dead unions of a plant, by the code of its tag; the union asked for first. */
export function plantGuide(context: Context, code: string, unionId?: string): Promise<PlantGuide> {
  return remembered(context, 'guide of a plant', [code, unionId], (look) => makePlantGuide(look, code, unionId));
}

async function makePlantGuide(context: Context, code: string, unionId?: string): Promise<PlantGuide> {
  allow(context, 'viewer');
  const { db, actor } = context;
  const wanted = normaliseCode(code);
  const plant = isPlantCode(wanted)
    ? await db.plants.findOne({ where: { clubId: actor.clubId, code: wanted }, raw: true })
    : null;
  if (!plant) throw notFound('The plant');
  const { deaths, tables, living } = await deathsOf(context, plant.workshopId);
  const own = new Set(living.filter((union) => union.plant.id === plant.id).map(({ union }) => union.id));
  return {
    workshopId: plant.workshopId,
    deaths: deaths
      .filter((death) => own.has(death.unionId) && death.problem === '')
      .sort((a, b) => Number(isId(unionId ?? '') && b.unionId === unionId) - Number(a.unionId === unionId))
      .map(({ unionId: id, called, href, variety, stock, method, madeOn, group, evidence, mayCut }) => ({
        unionId: id,
        called,
        href,
        title: `${variety} on ${stock}, ${method.toLowerCase()}`,
        madeOn,
        group,
        evidence,
        mayCut,
        tables: tables.model.tables,
        power: tables.model.power,
      })),
  };
}
