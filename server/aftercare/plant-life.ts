import { POSITION_WORDS } from '@/core/methods/position';
import { methodById, METHODS } from '@/core/methods/registry';
import { secondChanceMethod } from '@/core/methods/second-chance-method';
import { OUTCOME_WORDS } from '@/core/aftercare/mark-input';
import type { ObservationKind } from '@/core/aftercare/observation-input';
import { type DueTask, dueTasks } from '@/core/aftercare/week/due-tasks';
import { TIES } from '@/core/aftercare/ties/ties';
import { isPlantCode, normaliseCode } from '@/core/codes/plant-code';
import { PLANT_EVENTS, type PlantEvent } from '@/core/methods/timetable/trigger';
import { triggerWords } from '@/core/methods/timetable/trigger-words';
import { ANSWER_WORDS, MILESTONE_WORDS } from '@/core/methods/milestones';
import { formatLength, type LengthUnit } from '@/core/units/length';
import { written } from '@/core/units/prose';
import type { ReportRow, RoundRow } from '@/db/models/follow-up-rows';
import { allow, type Context } from '@/server/platform/context';
import { notFound } from '@/server/platform/use-case-error';
import type { LifeEvent, PlantLife, UnionLife, WordedTask } from '@/core/aftercare/life/plant-life';
import { livingUnions } from './living-unions';
import { unionPlans, type UnionWithPlan } from './union-plans';

const SECOND = secondChanceMethod(METHODS);

/** Days colder or warmer than this stand on the line, °C: frost, and heat in which nearly nothing knits. */
const FROST = 0;
const HEAT = 32;

/** How many tasks to come are named. */
const NEXT = 4;

/** A plant of the club by the code of its tag, with the life of each union on it. */
export async function plantLife(context: Context, code: string): Promise<PlantLife> {
  allow(context, 'viewer');
  const { db, actor } = context;
  const { clubId } = actor;
  const wanted = normaliseCode(code);
  const plant = isPlantCode(wanted) ? await db.plants.findOne({ where: { clubId, code: wanted }, raw: true }) : null;
  if (!plant) throw notFound('The plant');
  // Kin stand in where it was never measured, so all of its day are asked for.
  const all = await livingUnions(context, { workshopId: plant.workshopId, voided: true });
  if (!all.some((union) => union.plant.id === plant.id)) throw notFound('The plant');
  const plans = (await unionPlans(context, all)).filter((union) => union.plant.id === plant.id);
  const [said, names, seat] = await Promise.all([
    answersOf(context, plans),
    namesOf(context, plans),
    db.seats.findOne({ where: { clubId, id: plant.seatId }, raw: true }),
  ]);
  const person = seat && (await db.people.findOne({ where: { clubId, id: seat.personId }, raw: true }));
  const first = plans[0]!;
  return {
    plantId: plant.id,
    code: plant.code,
    variety: first.wood.variety,
    species: first.wood.species,
    stockType: first.stock.stockType,
    stockSpecies: first.stock.species,
    grower: person?.name ?? null,
    workshopId: first.workshop.id,
    workshop: first.workshop.title,
    site: first.site.name,
    voided: plant.voidedAt !== null,
    unions: plans.map((plan) =>
      unionLife(
        plan,
        said.filter(({ report }) => report.unionId === plan.union.id),
        names,
        actor.lengthUnit,
      ),
    ),
  };
}

type Said = { report: ReportRow; round: RoundRow };

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
    ...new Set(plans.flatMap(({ marks, seen }) => [...marks.map((m) => m.markedBy), ...seen.map((s) => s.seenBy)])),
  ];
  if (ids.length === 0) return new Map();
  const users = await db.users.findAll({ where: { id: ids }, attributes: ['id', 'name'], raw: true });
  return new Map(users.map(({ id, name }) => [id, name]));
}

function unionLife(plan: UnionWithPlan, said: Said[], names: Map<string, string>, unit: LengthUnit): UnionLife {
  const { union, tasks, ties, today, ended } = plan;
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
  const now = dueTasks(tasks, ties, today).map(worded);
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
    ties: ties.map((tie) => ({ ...tie, words: TIES[tie.id] })),
    events: eventsOf(plan, said, names, unit),
    second: plan.second && {
      ...plan.second,
      sticksLeft: Math.max(0, plan.wood.sticks - plan.wood.booked),
      method: SECOND && { id: SECOND.id, name: SECOND.name, from: SECOND.use.stock.from },
    },
    stockCaliper: plan.seen.filter(({ kind }) => kind === 'caliper').at(-1)?.lengthMm ?? null,
    frost: plan.weather.filter(({ low }) => low < FROST).map(({ date }) => date),
    heat: plan.weather.filter(({ high }) => high > HEAT).map(({ date }) => date),
    growthFrom: plan.growthFrom,
    heights: plan.seen
      .filter(({ kind, lengthMm }) => (kind === 'height' || kind === 'shortened') && lengthMm !== null)
      .map(({ seenOn, lengthMm, kind }) => ({ on: seenOn, mm: lengthMm!, shortened: kind === 'shortened' })),
  };
}

const SEEN_WORDS: Record<ObservationKind, string> = {
  height: 'Shoot measured',
  shortened: 'Shortened on purpose',
  event: 'Seen',
  'tie-on': 'Put on',
  'tie-off': 'Seen off',
  caliper: 'Stock measured',
  opened: 'Opened to look',
};

/** All that happened to a union and what is due on it, in the order of its days. */
function eventsOf(
  { union, tasks, ties, marks, seen }: UnionWithPlan,
  said: readonly Said[],
  names: Map<string, string>,
  unit: LengthUnit,
): LifeEvent[] {
  const nameOf = (task: string): string => {
    const known = tasks.find(({ id }) => id === task);
    if (known) return written(known.name, unit);
    const tie = ties.find(({ offTask }) => offTask === task);
    return tie ? `${TIES[tie.id]} off` : `An earlier task (${task.replaceAll('-', ' ')})`;
  };
  const events: LifeEvent[] = [
    { id: 'made', on: union.madeOn, kind: 'made', words: `Made: ${methodById(union.method).inSentence}` },
    ...marks.map((mark): LifeEvent => ({
      id: mark.id,
      on: mark.doneOn,
      kind: mark.outcome === 'skipped' ? 'skipped' : 'done',
      words: `${nameOf(mark.task)}: ${OUTCOME_WORDS[mark.outcome]}${mark.reason ? `, ${mark.reason}` : ''}`,
      actionId: mark.actionId,
      by: names.get(mark.markedBy) ?? '',
    })),
    ...seen.map((look): LifeEvent => ({
      id: look.id,
      on: look.seenOn,
      kind: look.kind === 'height' || look.kind === 'shortened' ? 'growth' : 'seen',
      words: [
        SEEN_WORDS[look.kind],
        aboutOf(look),
        look.lengthMm === null ? '' : formatLength(look.lengthMm, unit),
        look.note,
      ]
        .filter(Boolean)
        .join(': '),
      observationId: look.id,
      by: names.get(look.seenBy) ?? '',
    })),
    ...said.map(({ report, round }): LifeEvent => ({
      id: report.id,
      on: report.seenOn,
      kind: 'answer',
      words: `${MILESTONE_WORDS[round.milestone].name}: ${ANSWER_WORDS[report.answer]}${report.note ? `, ${report.note}` : ''}`,
      by: report.source,
    })),
    ...tasks.flatMap((task): LifeEvent[] => {
      if (!task.due || !['open', 'missed'].includes(task.state)) return [];
      const { from, to } = task.due;
      return [
        {
          id: `due ${task.id}`,
          on: from,
          to,
          kind: task.state === 'missed' ? 'missed' : 'due',
          words: written(task.name, unit),
        },
      ];
    }),
    ...ties.flatMap((tie): LifeEvent[] =>
      tie.latest && tie.state !== 'off'
        ? [{ id: `tie ${tie.id}`, on: tie.latest, kind: 'latest', words: `${TIES[tie.id]}: last day` }]
        : [],
    ),
  ];
  return events.sort((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : 0));
}

function aboutOf({ kind, about }: { kind: ObservationKind; about: string }): string {
  if (kind === 'event') return PLANT_EVENTS[about as PlantEvent] ?? about;
  return about in TIES ? TIES[about as keyof typeof TIES] : '';
}
