import { METHODS } from '@/core/methods/registry';
import { shownTechnique } from '@/core/methods/shown-technique';
import type { LevelId } from '@/core/findings/shared/shared-factors';
import type { Room } from '@/core/plan/benches/room';
import { formatDate } from '@/core/units/iso-date';
import { written } from '@/core/units/prose';
import { BINDINGS } from '@/core/aftercare/plan/actual-binding';
import { listPlaces } from '@/server/aftercare/places/places';
import type { Context } from '@/server/platform/context';
import { ERASED_NAME } from '@/server/platform/erased-name';

/**
 * Says a level in words: "the lot of Grey Heron from the ferry shed", "noon of 14 May 2026". Where its kind stands above
 * it, plainly ("Grey Heron from the ferry shed"); on a drawing, in short ("Grey Heron, cut 12 Jan 2026").
 */
export type NameOfLevel = (level: LevelId, how?: 'plain' | 'short') => string;

/** Reads what levels are called. */
export async function levelNames(context: Context): Promise<NameOfLevel> {
  const { db, actor } = context;
  const { clubId } = actor;
  const [lots, stocks, people, members, places, rooms] = await Promise.all([
    db.woodLots.findAll({ where: { clubId }, attributes: ['id', 'variety', 'source', 'cutOn'], raw: true }),
    db.stockLots.findAll({ where: { clubId }, attributes: ['id', 'stockType'], raw: true }),
    db.people.findAll({ where: { clubId }, attributes: ['id', 'name'], raw: true }),
    db.users.findAll({ attributes: ['id', 'name'], where: { id: await memberIds(context) }, raw: true }),
    listPlaces(context),
    db.planParts.findAll({ where: { clubId, part: 'room' }, raw: true }),
  ]);
  const lotOf = new Map(lots.map((lot) => [lot.id, lot]));
  const stockOf = new Map(stocks.map(({ id, stockType }) => [id, stockType]));
  const personOf = new Map(people.map(({ id, name }) => [id, name ?? ERASED_NAME]));
  const memberOf = new Map(members.map(({ id, name }) => [id, name]));
  const placeOf = new Map(places.map(({ id, name }) => [id, name]));
  const benchOf = new Map(
    rooms.flatMap(({ workshopId, body }) =>
      (body as unknown as Room).benches.map(({ id, name }) => [`${workshopId} ${id}`, name] as const),
    ),
  );
  const person = (id: string): string => personOf.get(id) ?? ERASED_NAME;
  const help = (key: string): string => {
    const [kind, whose, ...rest] = key.split(' ');
    if (kind === 'bench') return benchOf.get(`${whose} ${rest.join(' ')}`) ?? 'a bench';
    if (kind === 'assistant') return `benches of ${[whose, ...rest].join(' ')}`;
    return `help of ${whose === 'user' ? (memberOf.get(rest[0]!) ?? 'a former member') : person(rest[0]!)}`;
  };
  return ({ kind, level }, how) => {
    switch (kind) {
      case 'wood-lot': {
        const lot = lotOf.get(level);
        if (!lot) return 'a lot of wood';
        return how ? lotName(how === 'short' ? { ...lot, source: '' } : lot) : `the lot of ${lotName(lot)}`;
      }
      case 'stock-lot':
        return how ? (stockOf.get(level) ?? 'stocks') : `the stocks ${stockOf.get(level) ?? ''}`.trim();
      case 'grafter':
        return person(level);
      case 'bench':
        return help(level);
      case 'day': {
        const [date, part] = level.split(' ');
        return part ? `${part} of ${formatDate(date!)}` : formatDate(date!);
      }
      case 'place':
        return level.startsWith('home ') ? `home of ${person(level.slice(5))}` : (placeOf.get(level) ?? 'a place');
      case 'material':
        return materialName(level);
      case 'pair':
        return level;
      case 'tie':
        return 'a tie past its last day';
    }
  };
}

/** Lots of one source come back year after year: the day they were cut tells them apart. */
export function lotName({ variety, source, cutOn }: { variety: string; source: string; cutOn: string | null }): string {
  return [source ? `${variety} from ${source}` : variety, ...(cutOn ? [`cut ${formatDate(cutOn)}`] : [])].join(', ');
}

async function memberIds({ db, actor }: Context): Promise<string[]> {
  return (await db.memberships.findAll({ where: { clubId: actor.clubId }, raw: true })).map(({ userId }) => userId);
}

const MATERIALS = new Map(
  METHODS.flatMap((method) => shownTechnique(method, {}).materials.map(({ id, name }) => [id, name] as const)),
);

function materialName(id: string): string {
  const name = MATERIALS.get(id) ?? BINDINGS[id as keyof typeof BINDINGS]?.name;
  return name ? written(name, 'mm') : id.replaceAll('-', ' ');
}
