import { v7 as uuid } from 'uuid';
import { METHODS } from '@/core/methods/registry';
import { USUAL_SETTINGS } from '@/core/plan/quantities/needs';
import { addDays } from '@/core/units/iso-date';
import { aroundZero, seededRandom } from '@/core/chance/seeded-random';
import type { Context } from '@/server/platform/context';
import { putRoom, roomOf } from '@/server/plan/bench-plan';
import { listKeepers } from '@/server/plan/keepers-of-workshop';
import { addPiece } from '@/server/plan/measured-wood';
import { putPlannedMethods } from '@/server/plan/planned-methods';
import { putStore } from '@/server/plan/quantities';
import { changeSeat, listSeats } from '@/server/plan/seats';
import { addObservation, putAssumptions, putClimate } from '@/server/club/sites';
import { simulatedLogCsv } from '@/server/plan/simulated-log';
import { putEdges } from '@/server/plan/edges';
import { bookWood } from '@/server/plan/wood-bookings';
import { addCheck, addLoggerRun } from '@/server/plan/wood-ledger';
import { promiseSticks, putSource, putSourceYear } from '@/server/plan/wood-sources';
import { workshopLots } from '@/server/plan/lots';
import { ASSISTANT, LEAD } from './scenario';

/** The site's usual year, taken of the simulated weather, and its region. */
export async function demoSiteYear(context: Context, siteId: string): Promise<void> {
  const [lake] = context.weather.climates();
  const { normals, lastFrost, firstFrost, frostMargin } = lake!;
  await putClimate(context, siteId, {
    normals,
    lastFrost,
    firstFrost,
    frostMargin,
    source: `simulated: ${lake!.name}`,
    version: 0,
  });
  await putAssumptions(context, siteId, { edits: {}, quarantine: ['grape'], region: 'Tarn isles', version: 1 });
}

/** How the wood of a workshop that was held was kept and shared out, and what was measured of it. */
export async function demoWood(context: Context, workshopId: string, date: string): Promise<void> {
  const lots = await workshopLots(context, workshopId);
  for (const [i, lot] of lots.wood.entries()) {
    for (const [days, buds, note] of [
      [-31, 'shut', 'into the cellar, damp shavings'],
      [-17, 'shut', ''],
      [-2, i === 0 ? 'shut' : 'moving', i === 0 ? '' : 'a few at the tips, sorted out'],
    ] as const) {
      await addCheck(at(context, addDays(date, days)), lot.id, uuid(), {
        lookedOn: addDays(date, days),
        green: 'yes',
        buds,
        note,
      });
    }
    await bookWood(context, lot.id, uuid(), { workshopId, seatId: null, sticks: i === 0 ? 16 : 10 });
  }
  const log = simulatedLogCsv(context, {
    from: addDays(date, -44),
    days: 42,
    target: 2.4,
    unit: 'C',
    faults: ['gap', 'repeats'],
  });
  await addLoggerRun(context, lots.wood[0]!.id, 'cellar-logger.csv', new TextEncoder().encode(log), {
    runId: uuid(),
    unit: '',
  });
  const random = seededRandom(31);
  const caliper = (mean: number): number => Math.round((mean + 1.3 * aroundZero(random)) * 10) / 10;
  for (let i = 0; i < 28; i++)
    await addPiece(context, workshopId, uuid(), {
      kind: 'stock',
      lotId: lots.stocks[0]!.id,
      caliper: Math.max(6.2, caliper(9.8)),
      usableBuds: null,
    });
  for (let i = 0; i < 11; i++)
    await addPiece(context, workshopId, uuid(), {
      kind: 'stick',
      lotId: lots.wood[i % 2]!.id,
      caliper: Math.max(5.2, caliper(8.9)),
      usableBuds: null,
    });
  const [, second] = await listSeats(context, workshopId);
  await changeSeat(context, workshopId, second!.id, { leftHanded: true });
  const seats = await listSeats(context, workshopId);
  const { body: room } = await roomOf(context, workshopId, seats, USUAL_SETTINGS.peoplePerBench, seats.length);
  await putRoom(context, workshopId, {
    ...room,
    changeId: uuid(),
    version: 0,
    helpers: [{ name: ASSISTANT.name, benches: room.benches.map(({ id }) => id) }],
  });
}

/** What the workshop to come shall make, and what there is for it. */
export async function demoPlan(context: Context, workshopId: string): Promise<void> {
  const [first] = METHODS;
  const budding = METHODS.find(({ use }) => use.takes.piece === 'bud' && use.bark === 'need not slip')!;
  await putPlannedMethods(context, workshopId, {
    changeId: uuid(),
    version: 0,
    expected: 12,
    settings: USUAL_SETTINGS,
    methods: [
      {
        method: first!.id,
        place: 'bench',
        scionSpecies: 'quince',
        stockSpecies: 'pear',
        practiceEach: 5,
        keepersEach: 2,
        practiceOn: 'prunings',
      },
      {
        method: budding.id,
        place: 'bench',
        scionSpecies: 'quince',
        stockSpecies: 'pear',
        practiceEach: 3,
        keepersEach: 0,
        practiceOn: 'prunings',
      },
    ],
  });
  await putEdges(context, workshopId, {
    changeId: uuid(),
    version: 0,
    knives: Array.from({ length: 12 }, (_, i) => ({
      id: uuid(),
      knife: String(i + 1),
      hand: i === 11 ? 'left' : 'right',
      // One came back from the drawer as it had been put away.
      passed: i !== 6,
      testedOn: context.now.toISOString().slice(0, 10),
      testedBy: ASSISTANT.name,
      sharpenedBy: i % 3 === 0 ? LEAD.name : ASSISTANT.name,
    })),
  });
  const lots = await workshopLots(context, workshopId);
  await bookWood(context, lots.wood[0]!.id, uuid(), { workshopId, seatId: null, sticks: 9 });
  await putStore(context, {
    items: [
      { item: 'glove', inStore: 14, price: 6.5 },
      { item: 'grafting-knife', inStore: 9, price: 31 },
      { item: 'label', inStore: 200, price: null },
      { item: 'stretch-tape', inStore: 3, price: 0.4 },
      { item: 'blades', inStore: 20, price: null },
    ],
  });
}

/** A tree of the guild and a keeper that lives, as next year's wood, and who was promised some of it. */
export async function demoSources(context: Context, workshopId: string, siteId: string, date: string): Promise<void> {
  const year = Number(context.now.toISOString().slice(0, 4)) + 1;
  const tree = uuid();
  await putSource(context, tree, {
    kind: 'tree',
    name: 'The old pear by the boathouse',
    variety: 'Grey Heron',
    species: 'pear',
    region: 'Tarn isles',
    note: 'cut from the sunny side',
  });
  await putSourceYear(context, tree, year, { sticks: 30 });
  await promiseSticks(context, tree, uuid(), { year, whom: 'Bram Odewick', sticks: 6 });
  await promiseSticks(context, tree, uuid(), { year, whom: 'Late winter whips', sticks: 12 });
  const living = new Set(
    (
      await context.db.unionFacts.findAll({
        where: { clubId: context.actor.clubId, workshopId, kind: 'keeper', voided: false },
        raw: true,
      })
    )
      .filter((fact) => [fact.healed, fact.growing, fact.season, fact.wintered].includes('alive'))
      .map(({ unionId }) => unionId),
  );
  const keeper = (await listKeepers(context, workshopId)).find(({ unionId }) => living.has(unionId));
  const plant = uuid();
  await putSource(context, plant, {
    kind: 'keeper',
    name: 'First pear of the bench day',
    variety: keeper!.wood.variety,
    species: keeper!.wood.species,
    region: 'Tarn isles',
    note: '',
    code: keeper!.code,
  });
  await putSourceYear(context, plant, year + 1, { sticks: 3 });
  await addObservation(at(context, addDays(date, 20)), siteId, uuid(), {
    species: 'quince',
    sign: 'buds-swell',
    seenOn: addDays(date, 18),
    note: 'row 1, south end',
  });
}

function at(context: Context, date: string): Context {
  return { ...context, now: new Date(`${date}T16:00:00Z`) };
}
