import { methodById } from '@/core/methods/registry';
import type { CallListed, UnheardBy, UnheardOf } from '@/core/follow-up/unheard/unheard-of';
import { takeBounds, whomToPhone } from '@/core/follow-up/unheard/whom-to-phone';
import { daysBetween } from '@/core/units/iso-date';
import { MILESTONE_WORDS } from '@/core/methods/milestones';
import type { Room } from '@/core/plan/benches/room';
import { readPart } from '@/server/plan/plan-parts';
import { allow, type Context } from '@/server/platform/context';
import { ERASED_NAME } from '@/server/platform/erased-name';
import type { AskedUnion } from '../asks/asked-unions';
import { groupedBy } from '@/core/units/grouped-by';

/** Spells of waiting by which the unheard are counted, days. */
const WAITS: readonly [name: string, from: number, until: number][] = [
  ['less than a week', 0, 7],
  ['one to three weeks', 7, 21],
  ['three to eight weeks', 21, 56],
  ['longer', 56, Infinity],
];

/** A graft that was asked of, whether it was told of since, and for how long it has been asked. */
interface Asking {
  asked: AskedUnion;
  kind: AskedUnion['asks'][number]['kind'];
  told: boolean;
  days: number;
}

/**
 * Of whom nothing was heard in a workshop: for how long, by bench and round, between what its take can lie, and whom to
 * phone so that it is known better.
 *
 * @param asked the unions of the workshop
 */
export async function unheardOf(
  context: Context,
  workshopId: string,
  asked: readonly AskedUnion[],
): Promise<UnheardOf> {
  allow(context, 'viewer');
  const { db, actor } = context;
  const roundId = asked.flatMap(({ rounds }) => rounds.map(({ id }) => id));
  const [room, letters] = await Promise.all([
    readPart<Room>(context, workshopId, 'room'),
    db.letterAsks.findAll({ where: { clubId: actor.clubId, roundId: [...new Set(roundId)] }, raw: true }),
  ]);
  const asking = asked.flatMap(latestAsk);
  const told = asking.filter(({ asked: { facts }, told: known }) => known && facts !== null);
  const dead = told.filter(({ asked: { facts } }) => facts!.firstDeadOn !== null && !facts!.contradicted).length;
  const alive = told.filter(
    ({ asked: { facts } }) => facts!.firstDeadOn === null && facts!.lastAliveOn !== null && !facts!.contradicted,
  ).length;
  const heard = { alive, dead, unknown: asking.length - alive - dead };
  const benchOf = (seatId: string): string => {
    const at = room.body?.seating[seatId]?.bench;
    return room.body?.benches.find(({ id }) => id === at)?.name ?? '';
  };
  // What stays with the club is looked at, and nobody is called for it.
  const silent = asking.filter((each) => !each.told && !each.asked.plant.withUs);
  const mayCall = ({ asked: { person } }: Asking): boolean => person.erasedAt === null && person.mayContact;
  const byPerson = groupedBy(silent.filter(mayCall), ({ asked }) => asked.person.id);
  const notToCall = new Set(silent.filter((each) => !mayCall(each)).map(({ asked: { person } }) => person.id)).size;
  const calls = whomToPhone(
    [...byPerson].map(([personId, own]) => ({
      personId,
      grafts: own.length,
      days: Math.max(...own.map(({ days }) => days)),
      hasPhone: (own[0]!.asked.person.phone ?? '') !== '',
    })),
    heard,
  ).map((call): CallListed => {
    const own = byPerson.get(call.personId)!;
    const { person, seatNumber, plant } = own[0]!.asked;
    const unionIds = new Set(own.map((each) => each.asked.union.id));
    return {
      ...call,
      name: person.name ?? ERASED_NAME,
      phone: person.phone ?? '',
      seatNumber,
      bench: benchOf(plant.seatId),
      rounds: [...new Set(own.map(({ kind }) => MILESTONE_WORDS[kind].name))].join(', '),
      letters: new Set(letters.filter(({ unionId }) => unionIds.has(unionId)).map(({ messageId }) => messageId)).size,
      codes: [...new Set(own.map((each) => each.asked.plant.code))],
    };
  });
  return {
    asked: asking.length,
    ...heard,
    bounds: takeBounds(heard),
    silent: silent.length,
    calls,
    notToCall,
    byRound: countBy(asking, ({ kind, asked: each }) =>
      `${MILESTONE_WORDS[kind].name}, ${methodById(each.union.method).inSentence} ${each.variant.words}`.trim(),
    ),
    byBench: countBy(asking, (each) => benchOf(each.asked.plant.seatId)).filter(({ name }) => name !== ''),
    byWait: WAITS.map(([name, from, until]) => {
      const own = asking.filter(({ days }) => days >= from && days < until);
      return { name, unheard: own.filter((each) => !each.told).length, all: own.length };
    }).filter(({ all }) => all > 0),
  };
}

/** The latest thing that was asked of a union, whether anything was told to it, and since when it is asked. */
function latestAsk(asked: AskedUnion): Asking[] {
  const begun = asked.asks.filter(({ roundId, due }) => roundId !== null && due.from <= asked.today);
  const ask = begun.at(-1);
  if (!ask || asked.plant.voidedAt) return [];
  // Whoever cannot find it has been heard; what became of it is still not known.
  const told = asked.reports.some(({ roundId }) => roundId === ask.roundId);
  // Whoever told of an earlier one that it died has been heard.
  const ended = ask.state === 'ended';
  return [{ asked, kind: ask.kind, told: told || ended, days: daysBetween(ask.due.from, asked.today) }];
}

function countBy(asking: readonly Asking[], nameOf: (each: Asking) => string): UnheardBy[] {
  const groups = new Map<string, UnheardBy>();
  for (const each of asking) {
    const name = nameOf(each);
    const group = groups.get(name) ?? { name, unheard: 0, all: 0 };
    group.all++;
    if (!each.told) group.unheard++;
    groups.set(name, group);
  }
  return [...groups.values()].sort((a, b) => b.unheard / b.all - a.unheard / a.all);
}
