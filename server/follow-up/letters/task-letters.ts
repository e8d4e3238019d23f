import { taskText } from '@/core/follow-up/letters/text-message';
import { writtenTo } from '@/core/follow-up/letters/written-to';
import { taskLetter, type TaskOfLetter } from '@/core/follow-up/letters/task-letter';
import { mayWrite } from '@/core/follow-up/letters/letter-due';
import {
  GATHERED_DAYS,
  isQuietHour,
  isWrittenAbout,
  type LetterTask,
  mayWriteOfTasks,
} from '@/core/follow-up/tasks/growers-tasks';
import { type DueTask, dueTasks } from '@/core/aftercare/week/due-tasks';
import type { Wording } from '@/core/follow-up/wording/wording';
import { groupedBy } from '@/core/units/grouped-by';
import { addDays } from '@/core/units/iso-date';
import type { LengthUnit } from '@/core/units/length';
import { dateInZone } from '@/core/units/zoned-date';
import type { PersonRow } from '@/db/models/club-rows';
import type { MessageRow } from '@/db/models/follow-up-rows';
import { holderOf } from '@/server/aftercare/hand-on';
import { livingUnions } from '@/server/aftercare/living-unions';
import { unionPlans, type UnionWithPlan } from '@/server/aftercare/union-plans';
import { clubUnits } from '@/server/platform/club-units';
import type { Context } from '@/server/platform/context';
import { deliverLetters } from '@/server/platform/outbox';
import { wordingFor } from '../wordings';
import { lastSaid } from '../grower/growers-tasks';
import { keepLetters, type Letter, writtenLetter } from './keep-letters';
import { reachable, unreadOf } from './letter-plan';
import { makeLink } from './links';

/** What somebody would be written about: their plans, and what of them is due. */
interface Tasked {
  person: PersonRow;
  due: { plan: UnionWithPlan; task: DueTask }[];
  letters: readonly MessageRow[];
  second: boolean;
}

/**
 * Writes to the growers of some workshops about what is to be done on their plants with a day that matters: all of it in one
 * letter, twice in half a year at most, never at night, and not to anybody whose reply waits to be read.
 *
 * @returns how many were written
 */
export async function writeTaskLetters(context: Context, workshopIds: readonly string[]): Promise<number> {
  const people = await taskedPeople(context, workshopIds);
  if (people.length === 0) return 0;
  const { db, actor } = context;
  const club = (await db.clubs.findOne({ where: { id: actor.clubId }, raw: true }))!;
  const { lengthUnit } = await clubUnits(db, actor.clubId);
  const letters = await Promise.all(
    people.map((tasked) => makeTaskLetter(context, tasked, wordingFor(tasked.person, club), lengthUnit)),
  );
  await keepLetters(context, letters, {
    due: people,
    actorId: null,
    subjectId: actor.clubId,
    action: 'letters about tasks',
  });
  await deliverLetters(context, actor.clubId);
  return letters.length;
}

async function taskedPeople(context: Context, workshopIds: readonly string[]): Promise<Tasked[]> {
  const { db, actor, now } = context;
  const { clubId } = actor;
  const plans: UnionWithPlan[] = [];
  for (const workshopId of workshopIds)
    plans.push(...(await unionPlans(context, await livingUnions(context, { workshopId }))));
  const due = plans
    .filter(({ plant, site }) => !plant.withUs && !isQuietHour(hourAt(now, site.timeZone)))
    .flatMap((plan) => writtenTasks(plan).map((task) => ({ plan, task })));
  if (due.length === 0) return [];
  const seatIds = [...new Set(due.map(({ plan }) => plan.plant.seatId))];
  const seats = new Map(
    (await db.seats.findAll({ where: { clubId, id: seatIds }, raw: true })).map((seat) => [seat.id, seat]),
  );
  const byPerson = groupedBy(due, ({ plan }) => holderOf(plan.plant, seats.get(plan.plant.seatId)!));
  const personId = [...byPerson.keys()];
  const [people, messages, waiting] = await Promise.all([
    db.people.findAll({ where: { clubId, id: personId }, raw: true }),
    db.messages.findAll({ where: { clubId, personId }, raw: true }),
    unreadOf(context, personId),
  ]);
  return people.flatMap((person): Tasked[] => {
    if (!reachable(person) || waiting.has(person.id)) return [];
    const { site, today } = byPerson.get(person.id)![0]!.plan;
    // What they cannot do is the club's; what they answered today is not said to them today.
    const own = byPerson.get(person.id)!.filter(({ plan, task }) => {
      const said = lastSaid(plan, task.task);
      return said === null || (said.kind === 'not-yet' && said.on < today);
    });
    const letters = messages.filter((message) => message.personId === person.id);
    const days = (rows: readonly MessageRow[]): string[] =>
      rows.map(({ createdAt }) => dateInZone(createdAt, site.timeZone)).sort();
    const about = days(letters.filter(({ roundId }) => roundId === null));
    if (!mayWrite(days(letters).at(-1) ?? null, today)) return [];
    if (
      !mayWriteOfTasks(
        own.map(({ task }) => letterTaskOf(task)),
        about,
        today,
      )
    )
      return [];
    return [{ person, due: own, letters, second: about.length > 0 }];
  });
}

/** What of a plan is written about: what is due, and what falls due within days. */
function writtenTasks({ tasks, ties, today, shade }: UnionWithPlan): DueTask[] {
  return dueTasks(tasks, ties, today, addDays(today, GATHERED_DAYS), shade).filter(({ task }) => isWrittenAbout(task));
}

function letterTaskOf({ due, latest }: DueTask): LetterTask {
  return { from: due.from, to: latest !== null && latest < due.to ? latest : due.to };
}

/** @example hourAt(new Date('2027-06-01T06:00:00Z'), 'Europe/Oslo') // 8 */
function hourAt(now: Date, timeZone: string): number {
  return Number(new Intl.DateTimeFormat('en-GB', { hour: '2-digit', hourCycle: 'h23', timeZone }).format(now));
}

async function makeTaskLetter(
  context: Context,
  { person, due, letters, second }: Tasked,
  wording: Wording,
  unit: LengthUnit,
): Promise<Letter> {
  const { actor } = context;
  const { row: link, url } = makeLink(context, null, person.id, 'mail');
  const to = writtenTo(person)!;
  const write = to.byText ? taskText : taskLetter;
  const { subject, text } = write(wording, {
    name: person.name ?? '',
    club: actor.clubName,
    tasks: tasksOfLetter(due, wording, unit),
    last: second,
    url: `${url}#to-do`,
  });
  return { ...(await writtenLetter(context, person, { subject, text, link, letters })), asks: [] };
}

/** What is to be done, each once, with the plants that want it. */
function tasksOfLetter(due: Tasked['due'], { say, day, trade }: Wording, unit: LengthUnit): TaskOfLetter[] {
  const groups = groupedBy(due, ({ task }) => `${trade(task.name, unit)} ${task.due.to} ${String(task.alarm)}`);
  return [...groups.values()].map((own) => {
    const { task } = own[0]!;
    return {
      name: trade(task.name, unit),
      until: task.alarm
        ? say('plant.last-day', { day: day(task.latest!) })
        : say(task.late ? 'plant.was-due' : 'plant.until', { day: day(task.due.to) }),
      missed: task.missed === null ? '' : trade(task.missed, unit),
      codes: [...new Set(own.map(({ plan }) => plan.plant.code))],
    };
  });
}
