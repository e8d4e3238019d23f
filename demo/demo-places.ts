import { v7 as uuid } from 'uuid';
import { seededRandom } from '@/core/chance/seeded-random';
import { spotsFrom } from '@/core/aftercare/places/free-spots';
import { ANYWHERE, inRow, type Spot } from '@/core/aftercare/places/place';
import type { PlacedPlant } from '@/core/aftercare/places/place-view';
import { addDays, type IsoDate } from '@/core/units/iso-date';
import { keepTagFind } from '@/server/aftercare/places/lost-tags';
import { movePlants } from '@/server/aftercare/places/move-plants';
import { putLand, putPlace, watchPlace } from '@/server/aftercare/places/put-place';
import { standingPlants } from '@/server/aftercare/places/standing-plants';
import { addPlaceLog } from '@/server/aftercare/warmth/add-log';
import { openGraft } from '@/server/aftercare/warmth/open-graft';
import { observeUnion } from '@/server/aftercare/observe-union';
import { readWeatherFile } from '@/server/plan/enter-weather';
import { simulatedLogCsv } from '@/server/plan/simulated-log';
import { listPlans, putPlan } from '@/server/plan/topworking';
import type { Context } from '@/server/platform/context';
import { TREE } from './scenario';

/** Days after the workshop: callused and moved to the cool, planted out, measured. */
const CALLUSED = 17;
const PLANTED = 56;
export const TREE_GRAFTED = 42;
const HOT_FROM = 60;

const BED = { count: 4, each: 14, spacing: 300, between: 900 };

interface DemoDay {
  siteId: string;
  /** Day of the workshop whose keepers are moved about. */
  date: IsoDate;
}

/**
 * Where a guild's grafts stood from their day on: two weeks and more in a warm box with a logger, then in pails in the
 * cool, then in a bed of four rows and on a strip of the ferry's land; a tree that is changed over; a hot spell; and a plant
 * that has lost its tag.
 */
export async function demoPlaces(
  at: (day: IsoDate) => Context,
  { siteId, date }: DemoDay,
  today: IsoDate,
): Promise<void> {
  const on = (days: number): IsoDate => addDays(date, days);
  const box = await placeOf(at(date), siteId, { kind: 'callus-box', name: 'Warm box in the boathouse', capacity: 80 });
  await watchPlace(at(date), box, { kin: 'pome', warmFrom: date, logger: 'TARN-07', alertHours: 6, version: 1 });
  const pails = await Promise.all(
    ['Blue pail', 'Grey pail', 'Red pail'].map((name) =>
      placeOf(at(date), siteId, { kind: 'pail', name, capacity: 30 }),
    ),
  );
  const bed = await placeOf(at(date), siteId, {
    kind: 'bed',
    name: 'Boathouse bed',
    capacity: BED.count * BED.each,
    rows: BED,
    onLand: { x: 2000, y: 2500, turned: false },
  });
  const strip = await placeOf(at(date), siteId, {
    kind: 'bed',
    name: 'Ferry strip',
    capacity: 8,
    rows: { count: 1, each: 8, spacing: 600, between: 1200 },
    onLand: { x: 12_500, y: 2500, turned: true },
  });
  await putLand(at(date), strip, {
    owner: 'the ferry landing',
    leaveBy: 'the harbour office',
    leaveUntil: `${Number(date.slice(0, 4)) + 3}-10-31`,
    told: 'eight young trees behind the rope, nothing to water; the grass is left standing inside the rope',
    version: 1,
  });
  await demoTree(at, { siteId, date }, today);
  await move(at(date), await standingPlants(at(date)), box, () => ANYWHERE, date);
  await demoWarmth(at, box, date, today);
  if (on(CALLUSED) > today) return;
  const callused = await standingPlants(at(on(CALLUSED)));
  for (const [i, pail] of pails.entries())
    await move(
      at(on(CALLUSED)),
      callused.filter((_, at) => at % 3 === i),
      pail,
      () => ANYWHERE,
      on(CALLUSED),
    );
  if (on(PLANTED) > today) return;
  await plantOut(at(on(PLANTED)), { bed, strip, on: on(PLANTED) });
  await readWeatherFile(at(on(HOT_FROM + 8)), siteId, hotSpell(on(HOT_FROM)));
  await losesATag(at(on(HOT_FROM + 9)), bed, on(HOT_FROM + 9));
}

async function placeOf(context: Context, siteId: string, place: object): Promise<string> {
  const id = uuid();
  await putPlace(context, id, { siteId, version: 0, ...place });
  return id;
}

async function move(
  context: Context,
  plants: readonly PlacedPlant[],
  toPlaceId: string,
  spot: (i: number) => Spot,
  on: IsoDate,
): Promise<void> {
  if (plants.length === 0) return;
  await movePlants(context, uuid(), {
    moves: plants.map(({ plantId, standing }, i) => ({
      plantId,
      from: standing && { placeId: standing.placeId, ...standing.spot },
      to: spot(i),
    })),
    toPlaceId,
    on,
  });
}

/** A month of readings, one a minute, with an open lid and a night nobody measured; and three that were opened to look. */
async function demoWarmth(at: (day: IsoDate) => Context, box: string, date: IsoDate, today: IsoDate): Promise<void> {
  const days = Math.min(30, Math.round((Date.parse(today) - Date.parse(date)) / 86_400_000));
  const log = simulatedLogCsv(at(date), {
    from: date,
    days,
    everyMinutes: 1,
    target: 23,
    unit: 'C',
    faults: ['warm-days', 'gap', 'repeats'],
    name: 'TARN-07',
  });
  await addPlaceLog(at(addDays(date, days + 1)), box, 'boathouse-box.csv', new TextEncoder().encode(log), {
    logId: uuid(),
  });
  for (const [day, callused] of [
    [12, false],
    [15, true],
    [16, true],
  ] as const)
    await openGraft(at(addDays(date, day)), uuid(), box, {
      kin: 'pome',
      on: addDays(date, day),
      callused,
      note: callused ? '' : 'a ring on one side only',
    });
}

/** The old tree: what its programme has for the first year was grafted, and measured since. */
async function demoTree(at: (day: IsoDate) => Context, { siteId, date }: DemoDay, today: IsoDate): Promise<void> {
  const grafted = addDays(date, TREE_GRAFTED);
  if (grafted > today) return;
  const context = at(grafted);
  const plan = (await listPlans(context)).find(({ tree }) => tree === TREE.tree)!;
  const limbs = plan.limbs.map((limb) =>
    limb.deed === 'graft' && limb.year === 1 ? { ...limb, graftedOn: grafted } : limb,
  );
  const { tree, species, firstYear, version } = plan;
  await putPlan(context, plan.id, { tree, species, firstYear, graftDay: plan.graftDay ?? '', version, limbs });
  await placeOf(context, siteId, {
    kind: 'tree',
    name: 'Old pear',
    capacity: 20,
    planId: plan.id,
    onLand: { x: 9000, y: 10_500, turned: false },
  });
  for (const [i, limb] of limbs.filter(({ graftedOn }) => graftedOn).entries())
    for (const [days, height] of [
      [45, 120],
      [75, 310],
    ] as const) {
      const seenOn = addDays(grafted, days);
      if (seenOn > today) continue;
      const lengthMm = Math.round(height * (i === 0 ? 1 : 0.7));
      await observeUnion(at(seenOn), uuid(), { unionId: limb.id, kind: 'height', lengthMm, seenOn });
    }
}

/** Eight go to the strip, three stay in their pail, all others to the bed row by row, by lot. */
async function plantOut(
  context: Context,
  { bed, strip, on }: { bed: string; strip: string; on: IsoDate },
): Promise<void> {
  const plants = (await standingPlants(context)).sort((a, b) => a.variety.localeCompare(b.variety));
  const [away, rest] = [
    plants.filter((_, i) => i % 6 === 2).slice(0, 7),
    plants.filter((_, i) => i % 6 !== 2 || i > 41),
  ];
  const goes = rest.slice(0, Math.min(BED.count * BED.each - 8, rest.length - 3));
  const land = { name: 'Boathouse bed', rows: { count: BED.count, each: BED.each } };
  const spots = spotsFrom(inRow({ row: 1, position: 1 }), goes.length, land, []);
  await move(context, goes, bed, (i) => spots[i]!, on);
  await move(context, away, strip, (i) => inRow({ row: 1, position: i + 1 }), on);
}

/** A week that was hotter than the lake usually has it, read from the guild's own station. */
function hotSpell(from: IsoDate): Uint8Array {
  const random = seededRandom(17_17);
  const days = Array.from({ length: 7 }, (_, i) => {
    const high = 29 + 5 * Math.sin((Math.PI * (i + 1)) / 8) + random();
    return `${addDays(from, i)},${(high - 12).toFixed(1)},${high.toFixed(1)},0`;
  });
  return new TextEncoder().encode(['date,lowest_c,highest_c,rain_mm', ...days].join('\n'));
}

/** Two tags of a row were gone after mowing; one plant between its neighbours is one of two lots' last and first. */
async function losesATag(context: Context, bed: string, on: IsoDate): Promise<void> {
  const plants = (await standingPlants(context, bed)).sort(
    (a, b) => a.standing!.spot.row! - b.standing!.spot.row! || a.standing!.spot.position! - b.standing!.spot.position!,
  );
  const change = plants.findIndex((plant, i) => i > 0 && plants[i - 1]!.lotId !== plant.lotId);
  if (change < 2 || change + 1 >= plants.length) return;
  const lost = [plants[change - 1]!, plants[change]!];
  await keepTagFind(context, bed, uuid(), {
    after: plants[change - 2]!.plantId,
    before: plants[change + 1]!.plantId,
    untagged: 2,
    foundOn: on,
    tagsSeen: plants.filter((plant) => !lost.includes(plant)).map(({ plantId }) => plantId),
    plantId: lost[0]!.plantId,
    note: 'both tags lay in the grass after mowing',
  });
}
