import { v7 as uuid } from 'uuid';
import { madeKey } from '@/core/follow-up/asked-union';
import { addDays } from '@/core/units/iso-date';
import type { RoundRow } from '@/db/models/follow-up-rows';
import { UNSET } from '@/db/unset';
import { isDuplicate, transact } from '@/db/transact';
import { audit } from '@/server/platform/audit';
import type { Context, Services } from '@/server/platform/context';
import { linkReader } from '@/server/platform/link-reader';
import { UseCaseError } from '@/server/platform/use-case-error';
import { type AskedUnion, askedUnions } from '../asks/asked-unions';
import { writeTaskLetters } from './task-letters';
import { writeLetters } from './write-letters';

/** Days a round that makes itself stays open at least. */
const OPEN_DAYS = 21;

/**
 * What asks by itself, in all clubs: rounds whose day has come are made, and whoever is due is written to. One club that
 * fails keeps none of the others back.
 *
 * @returns letters that were written
 */
export async function askByItself(services: Services): Promise<number> {
  const { db } = services;
  const workshops = await db.workshops.findAll({ where: { asksAlone: true, putAwayAt: UNSET }, raw: true });
  let sent = 0;
  for (const clubId of new Set(workshops.map((workshop) => workshop.clubId))) {
    try {
      const own = workshops.filter((workshop) => workshop.clubId === clubId).map(({ id }) => id);
      sent += await askClub(services, clubId, own);
    } catch (error) {
      // Somebody wrote in this moment: the next turn sees what is left.
      if (!(error instanceof UseCaseError))
        console.error('Letters of a club could not be written by themselves.', error);
    }
  }
  return sent;
}

async function askClub(services: Services, clubId: string, workshopIds: readonly string[]): Promise<number> {
  const club = await services.db.clubs.findOne({ where: { id: clubId }, raw: true });
  if (!club) return 0;
  const context = await linkReader(services, club);
  const persons = new Set<string>();
  for (const workshopId of workshopIds) {
    const asked = await askedUnions(context, { workshopId });
    await makeDueRounds(context, asked);
    for (const { due, person } of asked) if (due) persons.add(person.id);
  }
  const written = await writeLetters(context, [...persons], {
    wanted: ({ asks }) => asks.some(({ asked }) => workshopIds.includes(asked.workshop.id)),
    actorId: null,
    subjectId: clubId,
  });
  return written.sent + (await writeTaskLetters(context, workshopIds));
}

/** Makes the rounds that unions wait for: one for all of a workshop that are asked the same at one time. */
async function makeDueRounds(context: Context, asked: readonly AskedUnion[]): Promise<void> {
  const waiting = new Map<string, AskedUnion[]>();
  for (const each of asked) {
    if (!each.due || each.due.roundId !== null) continue;
    const key = `${each.workshop.id} ${each.due.key}`;
    waiting.set(key, [...(waiting.get(key) ?? []), each]);
  }
  for (const unions of waiting.values()) await makeRound(context, unions);
}

async function makeRound(context: Context, unions: readonly AskedUnion[]): Promise<void> {
  const { db, actor, now } = context;
  const { clubId } = actor;
  const [first] = unions as [AskedUnion];
  const due = unions.map((each) => each.due!.due);
  const lasts = [...due.map(({ to }) => to), addDays(first.today, OPEN_DAYS)].sort();
  const round: RoundRow = {
    id: uuid(),
    clubId,
    workshopId: first.workshop.id,
    milestone: first.due!.kind,
    asks: [...new Set(unions.map(({ union }) => madeKey(union)))].sort().join(' '),
    opensOn: due.map(({ from }) => from).sort()[0]!,
    closesOn: lasts.at(-1)!,
  };
  try {
    await transact(db, async (transaction) => {
      await db.rounds.create(round, { transaction });
      await audit(db, transaction, { clubId, actorId: null, action: 'round made', subjectId: round.id, at: now });
    });
  } catch (error) {
    // Another server made it in the same moment.
    if (!isDuplicate(error)) throw error;
  }
}
