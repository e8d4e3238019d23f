import { DateTime } from 'luxon';
import {
  type FateBed,
  type FateBoard,
  type FateMark,
  LEVEL_WORDS,
  type SharedView,
} from '@/core/findings/shared/fate-board';
import { deathLine, type DeathView } from '@/core/findings/causes/death-view';
import { levelKey } from '@/core/findings/shared/shared-evidence';
import { type KnownFate, levelCounts, type SharedFactor, sharedFactors } from '@/core/findings/shared/shared-factors';
import type { Room } from '@/core/plan/benches/room';
import type { LivingUnion } from '@/server/aftercare/living-union';
import { listPlaces } from '@/server/aftercare/places/places';
import { allow, type Context } from '@/server/platform/context';
import { readPart } from '@/server/plan/plan-parts';
import { getWorkshop } from '@/server/plan/workshops';
import { type Deaths, deathsOf } from './deaths';
import { levelNames, type NameOfLevel } from './level-names';

/**
 * Why keepers of a workshop died, and what their deaths share, with all that is drawn of it.
 *
 * @param inScope unions that it is about; null for all
 */
export async function workshopFates(
  context: Context,
  workshopId: string,
  inScope: ReadonlySet<string> | null = null,
): Promise<FateBoard> {
  allow(context, 'viewer');
  await getWorkshop(context, workshopId);
  const { db, actor } = context;
  const [board, { body }, seats] = await Promise.all([
    boardOf(context, workshopId, inScope),
    readPart<Room>(context, workshopId, 'room'),
    db.seats.findAll({ where: { clubId: actor.clubId }, attributes: ['id', 'number'], raw: true }),
  ]);
  const numberOf = new Map(seats.map(({ id, number }) => [id, number]));
  const seating = Object.entries(body?.seating ?? {}).flatMap(([seatId, place]) => {
    const number = numberOf.get(seatId);
    return number === undefined ? [] : [[number, place] as const];
  });
  return { ...board, room: body && { ...body, seating: Object.fromEntries(seating) } };
}

/** The same over all workshops of the club: counted beside the others of the same workshops. */
export async function clubFates(context: Context, inScope: ReadonlySet<string> | null = null): Promise<FateBoard> {
  allow(context, 'viewer');
  return boardOf(context, null, inScope);
}

/** Deaths of some unions, counted beside one another alone. */
function narrowed(found: Deaths, inScope: ReadonlySet<string>): Deaths {
  const fates = found.fates.filter(({ unionId }) => inScope.has(unionId));
  return {
    ...found,
    fates,
    counts: levelCounts(fates),
    living: found.living.filter(({ union }) => inScope.has(union.id)),
  };
}

async function boardOf(
  context: Context,
  workshopId: string | null,
  inScope: ReadonlySet<string> | null,
): Promise<FateBoard> {
  const { db, actor } = context;
  const [all, nameOf, places, spots, seats] = await Promise.all([
    deathsOf(context, workshopId, inScope ? (unionId) => inScope.has(unionId) : undefined),
    levelNames(context),
    listPlaces(context),
    db.plantPlaces.findAll({ where: { clubId: actor.clubId }, raw: true }),
    db.seats.findAll({ where: { clubId: actor.clubId }, attributes: ['id', 'number'], raw: true }),
  ]);
  const found = inScope ? narrowed(all, inScope) : all;
  const { fates, counts, deaths, living, tables } = found;
  // A hand is told only where chance would hardly ever show it.
  const shared = sharedFactors(fates, counts).filter(({ kind, named }) => named || kind !== 'grafter');
  const spotOf = new Map(spots.map((spot) => [spot.plantId, spot]));
  const standing = new Set(living.flatMap(({ plant }) => spotOf.get(plant.id)?.placeId ?? []));
  const beds = places.filter(({ id }) => standing.has(id));
  const workshops = [...new Map(living.map(({ workshop }) => [workshop.id, workshop])).values()].sort((a, b) =>
    a.date.localeCompare(b.date),
  );
  return {
    marks: marksOf(found, shared, { spotOf, seats, beds, workshops }),
    shared: sharedViews(shared, { fates, deaths }, nameOf),
    looked: counts.length,
    deaths: deaths
      .map((death) => deathLine(death))
      .sort((a, b) => b.deadOn.localeCompare(a.deadOn) || a.called.localeCompare(b.called)),
    room: null,
    beds: beds.map(({ name, rows }): FateBed => ({ name, rows })),
    workshops: workshops.map(({ id, title, date }) => ({ id, title, date })),
    settled: tables.settled,
    power: tables.model.power,
  };
}

interface Placed {
  spotOf: ReadonlyMap<string, { placeId: string; row: number | null; position: number | null }>;
  seats: readonly { id: string; number: number }[];
  beds: readonly { id: string }[];
  workshops: readonly { id: string }[];
}

function marksOf(
  { fates, living, judgedAt }: Deaths,
  shared: readonly SharedFactor[],
  { spotOf, seats, beds, workshops }: Placed,
): FateMark[] {
  const fateOf = new Map(fates.map((fate, at) => [fate.unionId, { fate, at }]));
  const numberOf = new Map(seats.map(({ id, number }) => [id, number]));
  const bedOf = new Map(beds.map(({ id }, nth) => [id, nth]));
  const workshopOf = new Map(workshops.map(({ id }, nth) => [id, nth]));
  const members = shared.map((level) => new Set(level.members));
  return living.map(({ union, plant, called, href, site }: LivingUnion): FateMark => {
    const known = fateOf.get(union.id);
    const spot = spotOf.get(plant.id);
    const at = judgedAt.get(union.id);
    const judged = at && DateTime.fromJSDate(at, { zone: site.timeZone });
    return {
      called,
      href,
      state: known ? (known.fate.dead ? 'dead' : 'alive') : 'unknown',
      workshop: workshopOf.get(union.workshopId)!,
      seatNumber: numberOf.get(union.seatId) ?? 0,
      // To the minute.
      hour:
        judged && judged.toISODate() === union.madeOn
          ? judged.hour + Math.round((judged.minute / 60) * 100) / 100
          : null,
      bed: (spot && bedOf.get(spot.placeId)) ?? null,
      row: spot?.row ?? null,
      position: spot?.position ?? null,
      levels: known ? members.flatMap((own, nth) => (own.has(known.at) ? [nth] : [])) : [],
    };
  });
}

function sharedViews(
  shared: readonly SharedFactor[],
  { fates, deaths }: { fates: readonly KnownFate[]; deaths: readonly DeathView[] },
  nameOf: NameOfLevel,
): SharedView[] {
  const deathOf = new Map(deaths.map((death) => [death.unionId, death]));
  return shared.map((level) => ({
    key: levelKey(level),
    kind: LEVEL_WORDS[level.kind],
    name: nameOf(level),
    dead: level.dead,
    all: level.all,
    deadBeside: level.deadBeside,
    allBeside: level.allBeside,
    named: level.named,
    inseparable: besideOf(level).map((other) => nameOf(other)),
    explainedBy: level.explainedBy && nameOf(level.explainedBy),
    mostly: mostly(level.members.flatMap((at) => deathOf.get(fates[at]!.unionId) ?? [])),
  }));
}

/** What cannot be told from a level; beside a hand always the places where its grafts stand. */
function besideOf({ kind, inseparable, within }: SharedFactor): SharedFactor['inseparable'] {
  return kind === 'grafter' ? [...inseparable, ...within.filter((other) => other.kind === 'place')] : inseparable;
}

/** The cause that at least half of some deaths have; empty where none has. */
function mostly(deaths: readonly DeathView[]): string {
  const counts = new Map<string, number>();
  for (const { settled, verdict } of deaths) {
    const words = settled ? settled.words : verdict?.words;
    if (words) counts.set(words, (counts.get(words) ?? 0) + 1);
  }
  const [first] = [...counts].sort((a, b) => b[1] - a[1]);
  return first && first[1] * 2 >= deaths.length ? first[0] : '';
}
