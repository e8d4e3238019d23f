import { v5 as nameBased } from 'uuid';
import { array, type InferType, number, object, string } from 'yup';
import { TIES } from '@/core/aftercare/ties/ties';
import { type DueTask, dueTasks } from '@/core/aftercare/week/due-tasks';
import type { GrowerTask } from '@/core/follow-up/grower/grower-page';
import { isGrowersTask, TASK_SAID } from '@/core/follow-up/tasks/growers-tasks';
import type { Wording } from '@/core/follow-up/wording/wording';
import { id } from '@/core/inputs/fields';
import { daysBetween } from '@/core/units/iso-date';
import type { LengthUnit } from '@/core/units/length';
import { isDuplicate, transact } from '@/db/transact';
import { livingUnions } from '@/server/aftercare/living-unions';
import { closeTasks, undoToldMarks } from '@/server/aftercare/mark-tasks';
import { unionPlans, type UnionWithPlan } from '@/server/aftercare/union-plans';
import { audit } from '@/server/platform/audit';
import type { Services } from '@/server/platform/context';
import { parse } from '@/server/platform/parse';
import { UseCaseError } from '@/server/platform/use-case-error';
import { plantsOfPeople } from '../asks/plants-of-people';
import { GrowerError } from './grower-error';
import type { OpenedLink } from './open-link';
import { openForAnswers } from './save-answers';

/** So long what was told to be done still stands on the page, to be taken back. */
const SHOWN_DAYS = 14;

interface Shown {
  personId: string;
  wording: Wording;
  unit: LengthUnit;
}

/** What some plants want from the hands of whoever has them: one line for all that want the same, what girdles first. */
export function growersTasks(plans: readonly UnionWithPlan[], shown: Shown): GrowerTask[] {
  const groups = new Map<string, GrowerTask>();
  const add = (key: string, task: GrowerTask): void => {
    const known = groups.get(key);
    if (known) known.plants.push(...task.plants);
    else groups.set(key, task);
  };
  for (const plan of plans) {
    for (const due of tasksOf(plan)) {
      const task = openTask(plan, due, shown);
      add(`${due.task} ${task.name} ${task.until} ${task.said}`, task);
    }
    for (const mark of plan.marks)
      if (mark.toldBy === shown.personId && daysBetween(mark.doneOn, plan.today) <= SHOWN_DAYS)
        add(mark.actionId, toldTask(plan, mark, shown));
  }
  return [...groups.values()].sort(
    (a, b) => Number(a.actionId !== '') - Number(b.actionId !== '') || Number(b.alarm) - Number(a.alarm),
  );
}

/** What of a plan is for a grower's hands this week. */
export function tasksOf({ tasks, ties, today, shade }: UnionWithPlan): DueTask[] {
  return dueTasks(tasks, ties, today, undefined, shade).filter(({ task }) => isGrowersTask(task));
}

/** When the grower last said "not yet" or "cannot" of a task; null where they did not. */
export function lastSaid({ seen }: UnionWithPlan, task: string): { kind: 'not-yet' | 'cannot'; on: string } | null {
  const last = seen.filter(({ kind, about }) => (kind === 'not-yet' || kind === 'cannot') && about === task).at(-1);
  return last ? { kind: last.kind as 'not-yet' | 'cannot', on: last.seenOn } : null;
}

function plantOf({ union, plant }: UnionWithPlan, occurrence: number, { say }: Wording): GrowerTask['plants'][number] {
  const position = union.position === 'sole' ? '' : say(`place.${union.position}`);
  return { unionId: union.id, code: plant.code, position, occurrence };
}

function openTask(plan: UnionWithPlan, due: DueTask, { wording, unit }: Shown): GrowerTask {
  const { say, day, trade } = wording;
  const said = lastSaid(plan, due.task);
  return {
    task: due.task,
    name: trade(due.name, unit),
    missed: due.missed === null ? '' : trade(due.missed, unit),
    until: due.alarm
      ? say('plant.last-day', { day: day(due.latest!) })
      : say(due.late ? 'plant.was-due' : 'plant.until', { day: day(due.due.to) }),
    alarm: due.alarm,
    plants: [plantOf(plan, due.occurrence, wording)],
    said: said ? say(`tasks.said.${said.kind}`, { day: day(said.on) }) : '',
    actionId: '',
  };
}

function toldTask(plan: UnionWithPlan, mark: UnionWithPlan['marks'][number], { wording, unit }: Shown): GrowerTask {
  const planned = plan.tasks.find((task) => task.id === mark.task);
  const tie = plan.ties.find(({ offTask }) => offTask === mark.task);
  return {
    task: mark.task,
    name: planned ? wording.trade(planned.name, unit) : tie ? wording.trade(`${TIES[tie.id]}: take it off`, unit) : '',
    missed: '',
    until: '',
    alarm: false,
    plants: [plantOf(plan, mark.occurrence, wording)],
    said: wording.say('tasks.said.done', { day: wording.day(mark.doneOn) }),
    actionId: mark.actionId,
  };
}

/** What is said of a task of several plants with one tap. */
const told = object({
  task: string()
    .required()
    .matches(/^[a-z0-9-]{1,40}$/),
  said: string()
    .oneOf([...TASK_SAID])
    .required(),
  plants: array(object({ unionId: id('the plant'), occurrence: number().required().integer().min(0).max(1000) }))
    .required()
    .min(1)
    .max(200),
});
type Told = InferType<typeof told>;

/** Names what a tap says of one plant. */
const TELLINGS = '0c0a8a5e-7a0e-4b53-8d55-0b7a4f1f6a02';

/**
 * Keeps what a grower says of a task of their own plants: done, not yet, or that they cannot. Sent again it changes nothing.
 *
 * @throws GrowerError where a plant is not theirs, or nothing of the kind is asked of it any more
 */
export async function tellTask(services: Services, token: string, tellingId: string, input: unknown): Promise<void> {
  const opened = await openForAnswers(services, token);
  const values = readTold(tellingId, input);
  const own = await ownPlans(opened, values);
  const { today } = own[0]!;
  const { reader, person } = opened;
  if (values.said === 'done') {
    await closeTasks(reader, tellingId, {
      marks: values.plants.map((plant) => ({ ...plant, task: values.task })),
      outcome: 'done',
      on: today,
      reason: '',
      by: { markedBy: null, toldBy: person.id },
    });
    return;
  }
  await keepTelling(opened, tellingId, values, today);
}

function readTold(tellingId: string, input: unknown): Told {
  try {
    parse(id('what was told'), tellingId);
    return parse(told, input);
  } catch (error) {
    if (!(error instanceof UseCaseError)) throw error;
    throw new GrowerError('invalid', 'error.choice');
  }
}

/** The plans of the plants that are meant, all of which must be theirs and know of the task. */
async function ownPlans({ reader, person }: OpenedLink, { plants, task }: Told): Promise<UnionWithPlan[]> {
  const plantIds = await plantsOfPeople(reader, [person.id]);
  const living = plantIds.length === 0 ? [] : await livingUnions(reader, { plantIds });
  const plans = await unionPlans(reader, living);
  return plants.map(({ unionId }) => {
    const plan = plans.find(({ union }) => union.id === unionId);
    if (!plan) throw new GrowerError('not-found', 'error.not-yours');
    const known = plan.tasks.some((each) => each.id === task) || plan.ties.some(({ offTask }) => offTask === task);
    if (!known && plan.shade === null) throw new GrowerError('gone', 'error.task-gone');
    return plan;
  });
}

async function keepTelling(
  { reader, link }: OpenedLink,
  tellingId: string,
  { plants, task, said }: Told,
  today: string,
): Promise<void> {
  const { db, now } = reader;
  const rows = plants.map(({ unionId }) => ({
    id: nameBased(`${tellingId} ${unionId}`, TELLINGS),
    clubId: link.clubId,
    unionId,
    kind: said as 'not-yet' | 'cannot',
    about: task,
    lengthMm: null,
    note: '',
    seenOn: today,
    seenBy: null,
    recordedAt: now,
    takenBackAt: null,
  }));
  try {
    await transact(db, async (transaction) => {
      if (await db.unionObservations.findOne({ where: { id: rows[0]!.id }, transaction, raw: true })) return;
      await db.unionObservations.bulkCreate(rows, { transaction });
      await audit(db, transaction, {
        clubId: link.clubId,
        actorId: null,
        action: `task told ${said}: ${rows.length}`,
        subjectId: rows[0]!.unionId,
        at: now,
      });
    });
  } catch (error) {
    // The same tap came twice at once.
    if (!isDuplicate(error)) throw error;
  }
}

/** Takes back that something was done, where they themselves told it. */
export async function untellTask(services: Services, token: string, actionId: string): Promise<void> {
  const { reader, person } = await openForAnswers(services, token);
  try {
    parse(id('what was told'), actionId);
  } catch {
    throw new GrowerError('invalid', 'error.choice');
  }
  await undoToldMarks(reader, actionId, person.id);
}
