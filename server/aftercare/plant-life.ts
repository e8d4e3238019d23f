import { remembered } from '@/server/club/remembered';
import { POSITION_WORDS } from '@/core/methods/position';
import { methodById } from '@/core/methods/registry';
import { capital } from '@/core/units/capital';
import { regraftWoodWords, wayWords } from '@/core/aftercare/regraft/regraft-year';
import { weeklyGrowth, type WeeklyGrowth } from '@/core/aftercare/growth/weekly-growth';
import { bearsFrom } from '@/core/aftercare/plan/made-union';
import type { GrowthBand } from '@/core/aftercare/growth/growth-band';
import { growthBands } from './growth-bands';
import { growthOf } from '@/core/aftercare/plan/union-life';
import type { PlaceMove } from '@/core/aftercare/places/place-view';
import { counted } from '@/core/units/counted';
import { type DueTask, dueTasks } from '@/core/aftercare/week/due-tasks';
import { TIES } from '@/core/aftercare/ties/ties';
import { isPlantCode, normaliseCode } from '@/core/codes/plant-code';
import { triggerWords } from '@/core/methods/timetable/trigger-words';
import type { LengthUnit } from '@/core/units/length';
import { written } from '@/core/units/prose';
import { allow, type Context } from '@/server/platform/context';
import { notFound } from '@/server/platform/use-case-error';
import type { PlantLife, UnionLife, WordedTask } from '@/core/aftercare/life/plant-life';
import { delayedIncompatibility } from '@/core/aftercare/life/delayed-incompatibility';
import { holderOf, holdingsOf } from './hand-on';
import { groupedBy } from '@/core/units/grouped-by';
import { OUTCOME_WORDS } from '@/core/aftercare/outcome';
import { taskName } from './task-name';
import { lifeEvents, type Said } from './life-events';
import { livingUnions } from './living-unions';
import { kindOf } from '@/core/methods/compatibility/compatibility';
import { madeWords } from '@/core/methods/made-words';
import { fittingOn, seasonalVariants, type VariantOption, variantOptions } from '@/server/plan/plan-variant';
import { listSiteYears } from '@/server/plan/site-years';
import { movesOfPlant, standingOf } from './places/place-moves';
import type { Weathered } from './warmth/union-warmth';
import { stockCaliper, unionPlans, type UnionWithPlan } from './union-plans';

/** Days colder or warmer than this stand on the line, °C: frost, and heat in which nearly nothing knits. */
const FROST = 0;
const HEAT = 32;
/** Rain that soaks what is open, mm a day: our guess. */
const MUCH_RAIN = 10;

/** How many tasks to come are named. */
const NEXT = 4;

/** A plant of the club by the code of its tag, with the life of each union on it. */
export function plantLife(context: Context, code: string): Promise<PlantLife> {
  return remembered(context, 'life of a plant', code, (look) => makePlantLife(look, code));
}

async function makePlantLife(context: Context, code: string): Promise<PlantLife> {
  allow(context, 'viewer');
  const { db, actor } = context;
  const { clubId } = actor;
  const wanted = normaliseCode(code);
  const plant = isPlantCode(wanted) ? await db.plants.findOne({ where: { clubId, code: wanted }, raw: true }) : null;
  if (!plant) throw notFound('The plant');
  // Kin stand in where it was never measured, so all of its day are asked for.
  const all = await livingUnions(context, { workshopId: plant.workshopId, voided: true });
  if (!all.some((union) => union.plant.id === plant.id)) throw notFound('The plant');
  const ofDay = await unionPlans(context, all);
  const plans = ofDay.filter((union) => union.plant.id === plant.id);
  const [said, names, seat, moves, standing, handings] = await Promise.all([
    answersOf(context, plans),
    namesOf(context, plans),
    db.seats.findOne({ where: { clubId, id: plant.seatId }, raw: true }),
    movesOfPlant(context, plant.id),
    standingOf(context, plant.id),
    holdingsOf(context, plant.id),
  ]);
  const holderId = seat && holderOf(plant, seat);
  const people = await db.people.findAll({ where: { clubId, id: [seat?.personId ?? '', holderId ?? ''] }, raw: true });
  const nameOf = (id: string | undefined | null): string | null => people.find((each) => each.id === id)?.name ?? null;
  const first = plans[0]!;
  const [livesOn, bands] = await Promise.all([waysToLiveOn(context, plans), growthBands(context, plans)]);
  return {
    plantId: plant.id,
    code: plant.code,
    variety: first.wood.variety,
    species: first.wood.species,
    stockType: first.stock.stockType,
    stockSpecies: first.stock.species,
    grower: nameOf(holderId),
    maker: nameOf(seat?.personId),
    withUs: Boolean(plant.withUs),
    handings,
    workshopId: first.workshop.id,
    workshop: first.workshop.title,
    site: first.site.name,
    voided: plant.voidedAt !== null,
    doubt: plant.doubt,
    standing,
    moves,
    unions: plans.map((plan) =>
      unionLife(
        plan,
        {
          said: said.filter(({ report }) => report.unionId === plan.union.id),
          names,
          moves,
          growth: growthBeside(plan, ofDay),
          band: bands.get(plan.union.id) ?? null,
          livesOn: livesOn.get(plan.union.id) ?? [],
        },
        actor.lengthUnit,
      ),
    ),
  };
}

/** How each union can live on, where its method has several ways by season; its day says which of them it allows. */
async function waysToLiveOn(context: Context, plans: readonly UnionWithPlan[]): Promise<Map<string, VariantOption[]>> {
  const several = plans.filter(({ union }) => seasonalVariants(methodById(union.method)).length > 0);
  if (several.length === 0) return new Map();
  const [found] = await listSiteYears(context, [several[0]!.site]);
  return new Map(
    several.map(({ union, wood, stock }) => {
      const method = methodById(union.method);
      const on = { place: method.use.places[0]!, scion: kindOf(wood.species), stock: kindOf(stock.species) };
      return [union.id, variantOptions(method, fittingOn(found!.year, union.method, on, union.madeOn))];
    }),
  );
}

async function answersOf({ db, actor: { clubId } }: Context, plans: readonly UnionWithPlan[]): Promise<Said[]> {
  const reports = await db.reports.findAll({
    where: { clubId, unionId: plans.map(({ union }) => union.id) },
    order: [['recordedAt', 'ASC']],
    raw: true,
  });
  if (reports.length === 0) return [];
  const rounds = await db.rounds.findAll({ where: { clubId }, raw: true });
  return reports.flatMap((report) => {
    const round = rounds.find(({ id }) => id === report.roundId);
    return round ? [{ report, round }] : [];
  });
}

/** Names of those who marked and looked; of somebody who left the club none. */
async function namesOf({ db }: Context, plans: readonly UnionWithPlan[]): Promise<Map<string, string>> {
  const ids = [
    ...new Set(
      plans.flatMap(({ marks, beside, seen }) => [
        ...beside.flatMap((m) => m.markedBy ?? []),

        ...marks.flatMap((m) => m.markedBy ?? []),
        ...seen.flatMap((s) => s.seenBy ?? []),
      ]),
    ),
  ];
  if (ids.length === 0) return new Map();
  const users = await db.users.findAll({ where: { id: ids }, attributes: ['id', 'name'], raw: true });
  return new Map(users.map(({ id, name }) => [id, name]));
}

interface Told {
  said: Said[];
  names: Map<string, string>;
  moves: PlaceMove[];
  growth: WeeklyGrowth | null;
  band: GrowthBand | null;
  livesOn: VariantOption[];
}

/** How fast a union's shoot grows beside those of the same variety and method. */
export function growthBeside(plan: UnionWithPlan, all: readonly UnionWithPlan[]): WeeklyGrowth | null {
  const kin = all.filter(
    ({ union, wood, ended }) =>
      union.id !== plan.union.id &&
      union.method === plan.union.method &&
      wood.variety === plan.wood.variety &&
      ended === null,
  );
  return weeklyGrowth(
    growthOf(plan.union.madeOn, plan.seen),
    kin.map(({ union, seen }) => growthOf(union.madeOn, seen)),
  );
}

function unionLife(plan: UnionWithPlan, told: Told, unit: LengthUnit): UnionLife {
  const { union, tasks, ties, today, ended, facts } = plan;
  // Once it has knitted, frost and rain no longer get into the cut.
  const healed = facts?.healed === 'alive' ? facts.firstAliveOn : null;
  const healing = plan.weathered.weather.filter(({ date }) => healed === null || date <= healed);
  const method = methodById(union.method);
  const worded = (task: DueTask): WordedTask => {
    const trigger = tasks.find(({ id }) => id === task.task)?.trigger;
    return {
      ...task,
      name: written(task.name, unit),
      missed: task.missed === null ? '' : written(task.missed, unit),
      when: trigger ? triggerWords(trigger, unit) : '',
    };
  };
  const now = dueTasks(tasks, ties, today, undefined, plan.shade).map(worded);
  const next = dueTasks(tasks, ties, today, '9999-12-31')
    .filter(({ task }) => !now.some((due) => due.task === task))
    .sort((a, b) => (a.due.from < b.due.from ? -1 : 1))
    .slice(0, NEXT)
    .map(worded);
  return {
    unionId: union.id,
    method: method.name,
    methodId: method.id,
    variant: union.variant,
    made: madeWords(union),
    livesOn: told.livesOn,
    variantReason: union.variantReason ?? '',
    place: union.position === 'sole' ? '' : POSITION_WORDS[union.position],
    madeOn: union.madeOn,
    today,
    state: ended?.why ?? 'living',
    now,
    next,
    missed: tasks
      .filter(({ state, due }) => state === 'missed' && due !== null)
      .map((task) =>
        worded({
          task: task.id,
          name: task.name,
          missed: task.missed,
          due: task.due!,
          occurrence: task.occurrence,
          alarm: false,
          latest: null,
          movedBy: task.movedBy,
          late: true,
        }),
      ),
    waiting: tasks
      .filter(({ state, due }) => state === 'open' && due === null)
      .map(({ id, name, trigger }) => ({ task: id, name: written(name, unit), when: triggerWords(trigger, unit) })),
    toldTwice: toldTwice(plan, told.names, unit),
    ties: ties.map((tie) => ({ ...tie, words: TIES[tie.id] })),
    events: lifeEvents(plan, told, unit),
    keepsOne: method.use.takes.piece === 'bud',
    second:
      plan.second &&
      plan.second.ways.map((way) => ({
        ...way,
        methodName: methodById(way.method).name,
        words: capital(wayWords(way, madeWords)),
        woodWords: regraftWoodWords(way, plan.second!.sticksLeft),
      })),
    stockCaliper: stockCaliper(plan.seen),
    frost: healing.filter(({ low }) => low < FROST).map(({ date }) => date),
    heat: healing.filter(({ high }) => high > HEAT).map(({ date }) => date),
    rain: healing.filter(({ rain }) => rain !== null && rain >= MUCH_RAIN).map(({ date }) => date),
    warmthFrom: warmthWords(plan.weathered),
    growth: told.growth,
    growthFrom: plan.growthFrom,
    band: told.band,
    suitsNot: delayedIncompatibility(plan.seen, union.madeOn),
    bearsIn: Number(union.madeOn.slice(0, 4)) + bearsFrom(plan.wood.species, plan.stock.stockType) - 1,
    heights: plan.seen
      .filter(({ kind, lengthMm }) => (kind === 'height' || kind === 'shortened') && lengthMm !== null)
      .map(({ seenOn, lengthMm, kind }) => ({ on: seenOn, mm: lengthMm!, shortened: kind === 'shortened' })),
  };
}

/** Tasks that were closed in two ways, with who said what. */
function toldTwice(plan: UnionWithPlan, names: Map<string, string>, unit: LengthUnit): UnionLife['toldTwice'] {
  const { marks, beside } = plan;
  return [...groupedBy(beside, ({ besideId }) => besideId ?? '')].map(([firstId, others]) => ({
    task: taskName(plan, others[0]!.task, unit),
    outcomes: [...marks.filter(({ id }) => id === firstId), ...others].map((mark) => ({
      markId: mark.id,
      words: `${OUTCOME_WORDS[mark.outcome]}${mark.reason ? `, ${mark.reason}` : ''}`,
      on: mark.doneOn,
      by: mark.markedBy === null ? 'the grower' : (names.get(mark.markedBy) ?? ''),
    })),
  }));
}

/** Where the warmth that moves a union's healing is from. */
function warmthWords({ warmth, measured, entered, simulated }: Weathered): string {
  if (!warmth) return '';
  const parts = [
    measured > 0 ? `${counted(measured, 'day')} from a logger` : '',
    entered > 0 ? `${counted(entered, 'day')} of weather that was entered` : '',
    simulated > 0 ? `${counted(simulated, 'day')} of simulated weather` : '',
  ].filter(Boolean);
  return parts.length === 0 ? 'A warm place: usual days' : parts.join(', ');
}
