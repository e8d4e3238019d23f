import { ROUNDING } from '@/core/units/tolerance';
/** A room seen from above. Lengths m, x to the right and y away from the screen. */
export interface Room {
  width: number;
  depth: number;
  benches: Bench[];
  spots: Spot[];
  /** Bench of each seat, by seat id, in the order of its places. */
  seating: Record<string, { bench: string; place: number }>;
  helpers: Helper[];
}

export interface Bench {
  id: string;
  name: string;
  x: number;
  y: number;
  length: number;
  /** Lies across the room, or along it. */
  turned: boolean;
  places: number;
}

export interface Spot {
  kind: SpotKind;
  x: number;
  y: number;
}

export type SpotKind = 'first-aid' | 'gloves' | 'door' | 'wash' | 'instructor' | 'sharps';

export const SPOT_WORDS: Record<SpotKind, string> = {
  'first-aid': 'First aid',
  gloves: 'Gloves',
  door: 'Door',
  wash: 'Water, soap',
  instructor: 'Instructor',
  sharps: 'Blade tin',
};

export interface Helper {
  name: string;
  benches: string[];
}

/** Depth of a bench, and room a person with a knife wants along it: a guess, with local rules before it. */
export const BENCH_DEPTH = 0.8;
export const ELBOW_ROOM = 0.9;
/** People a helper can watch who are new to it: a guess. */
export const PEOPLE_PER_HELPER = 8;

/** Where the places of a bench are: along its two long sides, in turn. */
export function placesOf(bench: Bench): { x: number; y: number; side: 1 | -1 }[] {
  const perSide = Math.ceil(bench.places / 2);
  return Array.from({ length: bench.places }, (_, i) => {
    const side = i % 2 === 0 ? 1 : (-1 as const);
    const along = ((Math.floor(i / 2) + 0.5) / perSide - 0.5) * bench.length;
    const across = side * (BENCH_DEPTH / 2 + 0.3);
    return bench.turned
      ? { x: bench.x + across, y: bench.y + along, side }
      : { x: bench.x + along, y: bench.y + across, side };
  });
}

/** A room for so many people, benches in two columns, the instructor in front. */
export function usualRoom(people: number, perBench: number, benchName: (n: number) => string): Room {
  const count = Math.max(1, Math.ceil(people / perBench));
  const rows = Math.ceil(count / 2);
  const length = Math.max(1.6, Math.ceil(perBench / 2) * ELBOW_ROOM);
  const width = Math.max(7, 2 * length + 3.6);
  const depth = 3.4 + rows * 2.4;
  return {
    width,
    depth,
    helpers: [],
    seating: {},
    benches: Array.from({ length: count }, (_, i) => ({
      id: `b${i + 1}`,
      name: benchName(i + 1),
      turned: false,
      places: perBench,
      length,
      x: i % 2 === 0 ? 0.9 + length / 2 : width - 0.9 - length / 2,
      y: 3 + Math.floor(i / 2) * 2.4,
    })),
    spots: [
      { kind: 'instructor', x: width / 2, y: 0.9 },
      { kind: 'door', x: width - 0.5, y: depth - 0.4 },
      { kind: 'first-aid', x: width - 1.9, y: 0.5 },
      { kind: 'gloves', x: 0.7, y: 0.5 },
      { kind: 'wash', x: 0.7, y: depth - 0.5 },
      { kind: 'sharps', x: 2.2, y: 0.5 },
    ],
  };
}

/** Seats people at the benches in the order of their numbers; left-handed people at the ends of a side, where their elbow is free. */
export function seatPeople(room: Room, seats: readonly { id: string; leftHanded: boolean }[]): Room['seating'] {
  const free = room.benches.flatMap((bench) =>
    Array.from({ length: bench.places }, (_, place) => ({ bench: bench.id, place, end: place >= bench.places - 2 })),
  );
  const seating: Room['seating'] = {};
  const take = (id: string, wanted: (place: (typeof free)[number]) => boolean): void => {
    const at = free.findIndex(wanted);
    const [place] = free.splice(at < 0 ? 0 : at, 1);
    if (place) seating[id] = { bench: place.bench, place: place.place };
  };
  for (const seat of seats.filter(({ leftHanded }) => leftHanded)) take(seat.id, ({ end }) => end);
  for (const seat of seats.filter(({ leftHanded }) => !leftHanded)) take(seat.id, () => true);
  return seating;
}

/** What is wrong with a room, in words, each with a way on. */
export function roomProblems(
  room: Room,
  seats: readonly { id: string; number: number; name: string; leftHanded: boolean }[],
): string[] {
  const problems: string[] = [];
  const unseated = seats.filter(
    ({ id }) =>
      !room.seating[id] ||
      !room.benches.some((bench) => bench.id === room.seating[id]!.bench && room.seating[id]!.place < bench.places),
  );
  if (unseated.length > 0)
    problems.push(
      `${unseated.length} ${unseated.length === 1 ? 'person has' : 'people have'} no place at a bench: ${unseated
        .slice(0, 4)
        .map(({ number, name }) => `${number} ${name}`)
        .join(', ')}${unseated.length > 4 ? ' and others' : ''}. Add a bench or places, then seat everybody.`,
    );
  for (const bench of room.benches) {
    const along = bench.length / Math.ceil(bench.places / 2);
    if (along < ELBOW_ROOM - ROUNDING)
      problems.push(
        `${bench.name}: ${Math.round(along * 100)} cm for each person along the bench; ${ELBOW_ROOM * 100} cm keeps a knife from the neighbour. Take places away or a longer bench.`,
      );
    const [halfX, halfY] = bench.turned ? [BENCH_DEPTH / 2, bench.length / 2] : [bench.length / 2, BENCH_DEPTH / 2];
    if (bench.x - halfX < 0 || bench.x + halfX > room.width || bench.y - halfY < 0 || bench.y + halfY > room.depth)
      problems.push(`${bench.name} reaches through the wall. Move it in, or enter the room’s true size.`);
  }
  for (const kind of ['first-aid', 'gloves', 'sharps'] as const)
    if (!room.spots.some((spot) => spot.kind === kind))
      problems.push(
        `No place is marked for: ${SPOT_WORDS[kind].toLowerCase()}. Mark one, so that it is on the sheet at the door.`,
      );
  const wanted = Math.max(0, Math.ceil(seats.length / PEOPLE_PER_HELPER) - 1);
  if (room.helpers.length < wanted)
    problems.push(
      `${seats.length} people and ${room.helpers.length === 0 ? 'no assistant' : room.helpers.length === 1 ? 'one assistant' : `${room.helpers.length} assistants`}: one for each ${PEOPLE_PER_HELPER} beginners is our guess, ${wanted} besides you. Name them, or do less in the day.`,
    );
  for (const bench of room.benches)
    if (
      room.helpers.length > 0 &&
      seats.some(({ id }) => room.seating[id]?.bench === bench.id) &&
      !room.helpers.some(({ benches }) => benches.includes(bench.id))
    )
      problems.push(`${bench.name} has no assistant who looks after it.`);
  return problems;
}
