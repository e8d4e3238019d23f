import { printJob } from '@/server/jobs/run-job';
import { capital } from '@/core/units/capital';
import { array, boolean, mixed, object, string } from 'yup';
import { type Room, seatPeople, SPOT_WORDS, type SpotKind, usualRoom } from '@/core/plan/benches/room';
import { timePlan } from '@/core/plan/benches/time-plan';
import { allow, type Context } from '@/server/platform/context';
import { dayPlan, workOf } from './day-plan';
import { paperInput, trimmed, decimal } from '@/core/inputs/fields';
import { parse } from '@/server/platform/parse';
import { type Part, putPart, readPart } from './plan-parts';
import { quantities, type Quantities } from './quantities';
import { listSeats, type SeatedPerson } from './seats';

const metres = (what: string, least: number, most: number) =>
  decimal()
    .typeError(`Enter ${what} in metres.`)
    .required(`Enter ${what}.`)
    .min(least, `${capital(what)} must be ${least} m or more.`)
    .max(most, `${capital(what)} must be ${most} m or less.`);

const roomInput = object({
  width: metres('the width of the room', 2, 60),
  depth: metres('the depth of the room', 2, 60),
  benches: array(
    object({
      id: string().required().max(40),
      name: trimmed().required('Name every bench.').max(40, 'Keep the name of a bench to 40 characters.'),
      x: metres('the place of a bench', -5, 65),
      y: metres('the place of a bench', -5, 65),
      length: metres('the length of a bench', 0.6, 12),
      turned: boolean().required(),
      places: decimal()
        .required()
        .integer('Enter whole places.')
        .min(1, 'A bench has one place or more.')
        .max(20, 'More than 20 places are two benches.'),
    }),
  )
    .required()
    .min(1, 'A room needs a bench.')
    .max(40, 'More than 40 benches are the most.'),
  spots: array(
    object({
      kind: string()
        .oneOf(Object.keys(SPOT_WORDS) as SpotKind[])
        .required(),
      x: metres('the place of a mark', -5, 65),
      y: metres('the place of a mark', -5, 65),
    }),
  )
    .required()
    .max(30),
  helpers: array(
    object({
      name: trimmed().required('Name the assistant.').max(80, 'Keep the name to 80 characters.'),
      benches: array(string().required().max(40)).required(),
    }),
  )
    .required()
    .max(30, 'Thirty assistants are the most.'),
  seating: mixed<Room['seating']>()
    .required()
    .test(
      'seating',
      'The seating cannot be read. Seat everybody again.',
      (value) =>
        typeof value === 'object' &&
        value !== null &&
        Object.values(value).every(
          (place) => typeof place?.bench === 'string' && Number.isInteger(place.place) && place.place >= 0,
        ),
    ),
});

/** The room of a workshop; the usual one, everybody seated by number, before anybody drew it. */
export async function roomOf(
  context: Context,
  workshopId: string,
  seats: readonly SeatedPerson[],
  peoplePerBench: number,
  people: number,
): Promise<Part<Room> & { body: Room }> {
  const { version, body } = await readPart<Room>(context, workshopId, 'room');
  const present = seats.filter(({ absent }) => !absent);
  if (body) return { version, body };
  const room = usualRoom(Math.max(people, present.length, 1), peoplePerBench, (n) => `Bench ${n}`);
  return { version, body: { ...room, seating: seatPeople(room, present) } };
}

export async function putRoom(context: Context, workshopId: string, input: unknown): Promise<number> {
  allow(context, 'assistant');
  const values = parse(roomInput, input) as Room;
  const seats = new Set((await listSeats(context, workshopId)).map(({ id }) => id));
  // People who left the roster meanwhile leave their place.
  const seating = Object.fromEntries(Object.entries(values.seating).filter(([seat]) => seats.has(seat)));
  return putPart(context, workshopId, 'room', input, { ...values, seating });
}

/** The day in blocks, from what is taught and how many are made. */
export async function dayBlocks(
  context: Context,
  workshopId: string,
  known: Pick<Quantities, 'plan' | 'needs' | 'people'>,
): Promise<{
  day: Awaited<ReturnType<typeof dayPlan>>;
  work: ReturnType<typeof workOf>;
  blocks: ReturnType<typeof timePlan>;
}> {
  const day = await dayPlan(context, workshopId);
  const work = workOf(known.plan, (method) => {
    const need = known.needs.find((need) => need.plan.method === method);
    return need && known.people > 0
      ? Math.ceil(need.keepers / known.people)
      : (known.plan.methods.find((planned) => planned.method === method)?.keepersEach ?? 0);
  });
  return { day, work, blocks: timePlan(day.body, work, Math.max(1, known.people)) };
}

/** One sheet for the door: the day, who sits where, the room. */
export async function doorSheet(context: Context, workshopId: string, options: { paper?: unknown }): Promise<Buffer> {
  allow(context, 'viewer');
  const { paper } = parse(paperInput, options);
  const [amounts, seats] = await Promise.all([quantities(context, workshopId), listSeats(context, workshopId)]);
  const [{ body: room }, { blocks }] = await Promise.all([
    roomOf(context, workshopId, seats, amounts.plan.settings.peoplePerBench, amounts.people),
    dayBlocks(context, workshopId, amounts),
  ]);
  const { workshop, site } = amounts;
  return printJob(
    'print door sheet',
    {
      title: workshop.title,
      date: workshop.date,
      place: site.name,
      blocks: blocks.blocks,
      room,
      people: seats
        .filter(({ absent }) => !absent)
        .map(({ id, number: seat, person }) => ({
          seatId: id,
          number: seat,
          name: person.name ?? '',
          bench: room.benches.find((bench) => bench.id === room.seating[id]?.bench)?.name ?? 'no place yet',
        })),
    },
    paper,
  );
}
