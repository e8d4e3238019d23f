import { madeWords } from '@/core/methods/made-words';
import { mayAsk, mayWrite } from '@/core/follow-up/letters/letter-due';
import { writtenTo } from '@/core/follow-up/letters/written-to';
import type { LetterAsk } from '@/core/follow-up/letters/letter';
import { questionSaid } from '@/core/follow-up/round-question';
import type { Wording } from '@/core/follow-up/wording/wording';
import { UNSET } from '@/db/unset';
import { dateInZone } from '@/core/units/zoned-date';
import type { PersonRow } from '@/db/models/club-rows';
import type { LetterAskRow, MessageRow } from '@/db/models/follow-up-rows';
import type { Context } from '@/server/platform/context';
import { type AskedUnion, askedUnions } from '../asks/asked-unions';
import { plantsOfPeople } from '../asks/plants-of-people';
import { groupedBy } from '@/core/units/grouped-by';

/** What somebody would be asked by a letter today, and what stands in the way of one. */
export interface PlannedLetter {
  person: PersonRow;
  /** Due today, of a round that was made, and not asked too often yet; with the letters that asked it before. */
  asks: { asked: AskedUnion; before: number }[];
  /** Grafts of theirs that were told of in the rounds that are asked. */
  told: number;
  /** Letters they had from the club so far. */
  letters: readonly MessageRow[];
  /** They had a letter within the week, or a reply of theirs waits to be looked at: it is asked by a later one. */
  held: boolean;
}

/** True for people who may be written to: they gave leave and an address or a number, and were not erased. */
export function reachable(person: PersonRow): boolean {
  return person.mayContact && person.erasedAt === null && writtenTo(person) !== null;
}

/** Those of some people of whom a reply waits to be looked at: until somebody has, nothing more is written to them. */
export async function unreadOf(
  { db, actor: { clubId } }: Context,
  personId: readonly string[],
): Promise<ReadonlySet<string | null>> {
  const unread = await db.mailReplies.findAll({
    where: { clubId, personId: [...personId], outcome: 'unread', settledAt: UNSET },
    attributes: ['personId'],
    raw: true,
  });
  return new Set(unread.map((reply) => reply.personId));
}

/** All that some people of the club could be asked today: one letter each, whichever workshops it is about. */
export async function planLetters(context: Context, personIds: readonly string[]): Promise<PlannedLetter[]> {
  const { db, actor } = context;
  const { clubId } = actor;
  const personId = [...new Set(personIds)];
  const plantIds = await plantsOfPeople(context, personId);
  if (plantIds.length === 0) return [];
  const [asked, written, messages, waiting] = await Promise.all([
    askedUnions(context, { plantIds }),
    db.letterAsks.findAll({ where: { clubId, personId }, raw: true }),
    db.messages.findAll({ where: { clubId, personId }, raw: true }),
    unreadOf(context, personId),
  ]);
  const byPerson = groupedBy(asked, ({ person }) => person.id);
  return [...byPerson.values()].map((own) => plannedLetter(own, written, messages, waiting));
}

function plannedLetter(
  own: readonly AskedUnion[],
  written: readonly LetterAskRow[],
  messages: readonly MessageRow[],
  waiting: ReadonlySet<string | null>,
): PlannedLetter {
  const { person, today, site } = own[0]!;
  const asks = own.flatMap((asked) => {
    if (!asked.due?.roundId) return [];
    const before = lettersSinceAnswer(asked, written);
    return mayAsk(before) ? [{ asked, before }] : [];
  });
  const rounds = new Set(asks.map(({ asked }) => asked.due!.roundId));
  const letters = messages.filter(({ personId }) => personId === person.id);
  const last = letters.reduce<Date | null>(
    (latest, { createdAt }) => (latest && latest > createdAt ? latest : createdAt),
    null,
  );
  const lastOn = last && dateInZone(last, site.timeZone);
  return {
    person,
    asks,
    told: own.filter(({ reports }) => reports.some(({ roundId }) => rounds.has(roundId))).length,
    letters,
    held: waiting.has(person.id) || !mayWrite(lastOn, today),
  };
}

/** How many letters asked what is due since anybody told of it. */
function lettersSinceAnswer({ union, due, reports }: AskedUnion, written: readonly LetterAskRow[]): number {
  const told = reports.filter(({ roundId }) => roundId === due!.roundId).at(-1)?.recordedAt;
  return written.filter(
    ({ unionId, roundId, sentAt }) =>
      unionId === union.id && roundId === due!.roundId && (told === undefined || sentAt > told),
  ).length;
}

/** What a letter says of a union. */
export function letterAsk(
  { asked, before }: PlannedLetter['asks'][number],
  wording: Wording,
  unit: Context['actor']['lengthUnit'],
): LetterAsk {
  const { plant, wood, union, due, workshop, signDays } = asked;
  return {
    code: plant.code,
    variety: `${wood.variety}, ${wording.trade(madeWords(union), unit)}`,
    position: union.position,
    question: questionSaid(wording, due!, unit, signDays.grown),
    workshop: { title: workshop.title, date: union.madeOn },
    before,
    lookedBefore: due!.lookedBefore,
  };
}
