import { v7 as uuid } from 'uuid';
import { methodById } from '@/core/methods/registry';
import { seatPeople, usualRoom } from '@/core/plan/benches/room';
import { USUAL_SETTINGS } from '@/core/plan/quantities/needs';
import { addDays, type IsoDate } from '@/core/units/iso-date';
import { ANYWHERE } from '@/core/aftercare/places/place';
import { movePlants } from '@/server/aftercare/places/move-plants';
import { putPlace } from '@/server/aftercare/places/put-place';
import { changeKeepers } from '@/server/aftercare/change-keepers';
import { makeKeepers } from '@/server/aftercare/make-keepers';
import { putRoom } from '@/server/plan/bench-plan';
import { listKeepers } from '@/server/plan/keepers-of-workshop';
import { addStockLot, addWoodLot, workshopLots } from '@/server/plan/lots';
import { putPlannedMethods } from '@/server/plan/planned-methods';
import { acceptRoster } from '@/server/plan/roster-import';
import { listSeats } from '@/server/plan/seats';
import { simulatedLogCsv } from '@/server/plan/simulated-log';
import { addCheck, addLoggerRun } from '@/server/plan/wood-ledger';
import { setAsksAlone } from '@/server/follow-up/follow-up';
import { putWorkshop } from '@/server/plan/workshops';
import type { Context } from '@/server/platform/context';
import { putJudgements } from '@/server/score/judgement-batch';
import { permitKeepers } from '@/server/score/keeper-permits';
import { markDoneTasks } from '../mark-done-tasks';
import { answerDrawn } from './answer-drawn';
import { type DrawnKeeper, drawnDay, type HiddenTruth } from './drawn-years';
import type { Guild, MadeKeeper } from './guild';
import { AT_A_BENCH, BENCHES, type DayPlan, MEMBERS, threeYears } from './scenario';

/** Judgements that are sent at once. */
const BATCH = 50;
/** The simulated logger of a store that got warm, and of one that stayed cold, °C. */
const [WARM, COLD] = [9, 2.5];

/**
 * Three years of workshops with some six hundred keepers, judged and followed up through the same use cases as a user's
 * hands. What became of them was drawn by chance with a truth that no page is told.
 *
 * @param before the year that follows them
 */
export async function loadYears(guild: Guild, before: number, truth: HiddenTruth, today: IsoDate): Promise<void> {
  const days = threeYears(before).map((plan, day) => ({ plan, day, workshopId: uuid() }));
  // One after the other, since they share their people; what follows touches each workshop by itself.
  for (const { plan, day, workshopId } of days)
    await prepare(guild, plan, workshopId, day === truth.warmLot.day ? truth.warmLot.lot : null);
  const homes = uuid();
  const opened = days.reduce((first, { plan }) => (plan.date < first ? plan.date : first), today);
  await putPlace(guild.as(guild.lead, new Date(`${opened}T06:00:00Z`)), homes, {
    siteId: guild.siteId,
    kind: 'home',
    name: 'Gardens of the members',
    capacity: HOMES,
    version: 0,
  });
  const waiting = [...days];
  const work = async (): Promise<void> => {
    for (let next = waiting.shift(); next; next = waiting.shift()) {
      const { plan, day, workshopId } = next;
      await loadDay(guild, plan, drawnDay(plan, day, truth.seed, truth), { workshopId, today, homes });
    }
  };
  await Promise.all(Array.from({ length: AT_ONCE }, work));
}
/** Workshops that are filled at once: while one waits for the database, another is reckoned. */
const AT_ONCE = 3;
/** Plants that the members' gardens have room for. */
const HOMES = 2000;
/** Days after a day on which its plants went home. */
const TAKEN_HOME = 60;

interface DayOf {
  workshopId: string;
  /** Where all of them stand in the end. */
  homes: string;
  today: IsoDate;
}

async function loadDay(
  guild: Guild,
  plan: DayPlan,
  drawn: DrawnKeeper[],
  { workshopId, today, homes }: DayOf,
): Promise<void> {
  const made = guild.as(guild.lead, new Date(`${plan.date}T17:00:00Z`));
  const keepers = await makeDrawn(made, plan, workshopId, drawn);
  await judgeDrawn(guild, plan, workshopId, keepers);
  const takenHome = addDays(plan.date, TAKEN_HOME);
  await movePlants(guild.as(guild.assistant, new Date(`${takenHome}T17:00:00Z`)), uuid(), {
    moves: keepers.map(([{ id }]) => ({ plantId: id, from: null, to: ANYWHERE })),
    toPlaceId: homes,
    on: takenHome,
  });
  const left = new Set(keepers.filter(([, { tieLeft }]) => tieLeft).map(([{ unionId }]) => unionId));
  await markDoneTasks(guild, workshopId, {
    today,
    leaves: (unionId) => left.has(unionId),
    late: plan.asked + 10,
    madeOn: plan.date,
  });
  await answerDrawn(guild, plan, workshopId, keepers);
}

/** People, wood, stocks and the room, as they were set up before the day. */
async function prepare(
  { as, lead, siteId }: Guild,
  plan: DayPlan,
  workshopId: string,
  warm: string | null,
): Promise<void> {
  const on = (days: number): Context => as(lead, new Date(`${addDays(plan.date, days)}T17:00:00Z`));
  await putWorkshop(on(-40), workshopId, {
    title: plan.title,
    date: plan.date,
    siteId,
    method: plan.methods[0]!.method,
    promisedKeepers: 2,
    promise: '',
  });
  await setAsksAlone(on(-40), workshopId, { asksAlone: false });
  await planMethods(on(-40), plan, workshopId);
  const dormant = plan.stage === 'dormant';
  for (const lot of plan.wood) {
    const lotId = uuid();
    await addWoodLot(on(-40), workshopId, lotId, {
      ...lot,
      stage: plan.stage,
      cutOn: addDays(plan.date, dormant ? -40 : -1),
      place: 'boathouse cellar',
      region: 'Tarn isles',
      sticks: 30,
    });
    if (!dormant) continue;
    const isWarm = lot.variety === warm;
    const id = (await workshopLots(on(-2), workshopId)).wood.find(({ variety }) => variety === lot.variety)!.id;
    await addCheck(on(-2), id, uuid(), {
      lookedOn: addDays(plan.date, -2),
      green: 'yes',
      buds: isWarm ? 'moving' : 'shut',
      note: isWarm ? 'lay beside the boiler for some weeks' : '',
    });
    const log = simulatedLogCsv(on(-2), {
      from: addDays(plan.date, -30),
      days: 28,
      target: isWarm ? WARM : COLD,
      unit: 'C',
      faults: [],
    });
    await addLoggerRun(
      on(-2),
      id,
      `${lot.variety.toLowerCase().replace(' ', '-')}.csv`,
      new TextEncoder().encode(log),
      {
        runId: uuid(),
        unit: '',
      },
    );
  }
  for (const stock of plan.stocks) await addStockLot(on(-40), workshopId, uuid(), stock);
  const roster = MEMBERS.slice(0, plan.people).map(
    (name) => `${name};${name.split(' ')[0]!.toLowerCase()}@tarnpost.example;;yes`,
  );
  await acceptRoster(on(-20), workshopId, new TextEncoder().encode(['name;e-mail;phone;leave', ...roster].join('\n')), {
    importId: uuid(),
    decisions: {},
  });
  const seats = await listSeats(on(-1), workshopId);
  const room = usualRoom(seats.length, AT_A_BENCH, (n) => BENCHES[n - 1]!);
  await putRoom(on(-1), workshopId, { ...room, seating: seatPeople(room, seats), changeId: uuid(), version: 0 });
  await permitKeepers(on(0), workshopId, uuid(), {
    seatIds: seats.map(({ id }) => id),
    may: true,
    reason: 'practised at the evening before',
  });
}

/** What the day was to teach. */
async function planMethods(context: Context, { methods, wood, stocks }: DayPlan, workshopId: string): Promise<void> {
  await putPlannedMethods(context, workshopId, {
    changeId: uuid(),
    version: 0,
    expected: null,
    settings: USUAL_SETTINGS,
    methods: methods.map(({ method }) => ({
      method,
      place: methodById(method).use.places[0]!,
      scionSpecies: wood[0]!.species,
      stockSpecies: stocks[0]!.species,
      practiceEach: 3,
      keepersEach: methods.length === 1 ? 2 : 1,
      practiceOn: 'prunings',
    })),
  });
}

/** Makes the day's keepers of each method and lot, and sets some on the second stock. */
async function makeDrawn(
  context: Context,
  plan: DayPlan,
  workshopId: string,
  drawn: readonly DrawnKeeper[],
): Promise<MadeKeeper[]> {
  const lots = await workshopLots(context, workshopId);
  const woodOf = (variety: string): string => lots.wood.find((lot) => lot.variety === variety)!.id;
  const stockOf = (type: string): string => lots.stocks.find((lot) => lot.stockType === type)!.id;
  const first = plan.stocks[0]!.stockType;
  for (const { method } of plan.methods)
    for (const { variety } of plan.wood) {
      const each = drawn.filter((k) => k.seat === 1 && k.method === method && k.variety === variety).length;
      if (each > 0)
        await makeKeepers(context, workshopId, {
          method,
          woodLotId: woodOf(variety),
          stockLotId: stockOf(first),
          each,
        });
    }
  const keepers = await listKeepers(context, workshopId);
  const free = new Set(keepers);
  const made = drawn.map((drawnKeeper): MadeKeeper => {
    const { seat, method, variety } = drawnKeeper;
    const keeper = [...free].find(
      (known) => known.seat.number === seat && known.method === method && known.wood.variety === variety,
    )!;
    free.delete(keeper);
    return [keeper, drawnKeeper];
  });
  for (const { stockType } of plan.stocks.slice(1)) {
    const plantIds = made.filter(([, { stock }]) => stock === stockType).map(([{ id }]) => id);
    if (plantIds.length > 0) await changeKeepers(context, workshopId, { plantIds, stockLotId: stockOf(stockType) });
  }
  return made;
}

/** Each is judged once it is wrapped and sealed, in the hour it was made. */
async function judgeDrawn(
  { as, lead, assistant }: Guild,
  plan: DayPlan,
  workshopId: string,
  keepers: readonly MadeKeeper[],
): Promise<void> {
  const evening = new Date(`${plan.date}T19:00:00Z`);
  for (let i = 0; i < keepers.length; i += BATCH) {
    const judgements = keepers.slice(i, i + BATCH).map(([keeper, { hour, marks, measures }]) => ({
      id: uuid(),
      workshopId,
      seatId: keeper.seatId,
      kind: 'keeper',
      unionId: keeper.unionId,
      number: keeper.place,
      method: keeper.method,
      stage: 'keeper',
      measures,
      marks,
      note: '',
      // Clocks of the isles are an hour or two before those of the world.
      deviceAt: new Date(Date.parse(`${plan.date}T00:00:00Z`) + (hour - zoneHours(plan.date)) * 3_600_000),
      sentAt: evening,
    }));
    const results = await putJudgements(as(i % (2 * BATCH) === 0 ? lead : assistant, evening), { judgements });
    const refused = results.find(({ status }) => status !== 200);
    if (refused) throw new Error(`A keeper of ${plan.title} could not be judged: ${refused.message ?? 'it failed'}`);
  }
}

/** Hours by which summer and winter time lie before the world's, near enough for a demo. */
const zoneHours = (date: IsoDate): number => (date.slice(5) > '03-28' && date.slice(5) < '10-27' ? 2 : 1);
