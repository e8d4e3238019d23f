import type { Transaction } from 'sequelize';
import { v7 as uuid } from 'uuid';
import { growerLetter } from '@/core/follow-up/letters/letter';
import type { LetterAskRow, MessageRow, ReportLinkRow } from '@/db/models/follow-up-rows';
import { holdGuard } from '@/db/guard';
import { isDuplicate, transact } from '@/db/transact';
import { writeEml } from '@/exchange/eml';
import { audit } from '@/server/platform/audit';
import { clubUnits } from '@/server/platform/club-units';
import type { Context } from '@/server/platform/context';
import { deliverLetters } from '@/server/platform/outbox';
import { UseCaseError } from '@/server/platform/use-case-error';
import { wordingFor } from '../wordings';
import { letterAsk, planLetters, type PlannedLetter, reachable } from './letter-plan';
import { makeLink } from './links';
import { replyAddress } from './reply-address';

/** A letter with its link and what it asks, ready to be kept and sent. */
interface Letter {
  message: MessageRow;
  link: ReportLinkRow;
  asks: LetterAskRow[];
  eml: Buffer;
}

export interface LettersWritten {
  sent: number;
  /** Letters that wait for the mail service. */
  waiting: number;
  /** People who had a letter within the week. */
  held: number;
}

/**
 * Writes to those of some people who may be written to and of whose grafts something is due: one letter a person for all
 * of it, once a week at most, and of one thing three times at most.
 *
 * @param wanted whether what is due of a person is reason to write now
 * @param actorId whoever asks for it; null where it goes by itself
 * @throws UseCaseError conflict where somebody else wrote in this moment, or leave was taken back
 */
export async function writeLetters(
  context: Context,
  personIds: readonly string[],
  {
    wanted,
    actorId,
    subjectId,
  }: { wanted: (planned: PlannedLetter) => boolean; actorId: string | null; subjectId: string },
): Promise<LettersWritten> {
  const { db, mail, actor } = context;
  const { clubId } = actor;
  const planned = (await planLetters(context, personIds)).filter(
    (each) => reachable(each.person) && each.asks.length > 0 && wanted(each),
  );
  const due = planned.filter(({ held }) => !held);
  const club = (await db.clubs.findOne({ where: { id: clubId }, raw: true }))!;
  const { lengthUnit } = await clubUnits(db, clubId);
  const letters = await Promise.all(
    due.map((each) => makeLetter(context, each, { language: club.language, unit: lengthUnit })),
  );
  try {
    for (const { message, eml } of letters) await mail.prepare(message.id, eml);
    if (letters.length > 0)
      await transact(db, async (transaction) => {
        await stillWanted(context, transaction, due);
        await db.reportLinks.bulkCreate(
          letters.map(({ link }) => link),
          { transaction },
        );
        await db.messages.bulkCreate(
          letters.map(({ message }) => message),
          { transaction },
        );
        await db.letterAsks.bulkCreate(
          letters.flatMap(({ asks }) => asks),
          { transaction },
        );
        await audit(db, transaction, {
          clubId,
          actorId,
          action: `round sent: ${letters.length}`,
          subjectId,
          at: context.now,
        });
        await noteLetters(context, transaction, letters);
      });
  } catch (error) {
    for (const { message } of letters) await mail.discard(message.id);
    if (isDuplicate(error)) throw writtenMeanwhile();
    throw error;
  }
  return {
    sent: letters.length,
    waiting: await deliverLetters(context, clubId),
    held: planned.length - due.length,
  };
}

/** Notes letters and their links beside the database: nobody is written to again, and the links open, after a restore. */
async function noteLetters(
  { db, deeds, now, actor: { clubId } }: Context,
  transaction: Transaction,
  letters: readonly Letter[],
): Promise<void> {
  const roundIds = new Set(
    letters.flatMap(({ link, asks }) => [link.roundId ?? [], asks.map(({ roundId }) => roundId)].flat()),
  );
  const rounds = await db.rounds.findAll({ where: { clubId, id: [...roundIds] }, transaction, raw: true });
  await deeds.add(
    now,
    ...rounds.map((round) => ({ what: 'round' as const, round })),
    ...letters.flatMap(({ link, message, asks }) => [
      { what: 'link' as const, link },
      { what: 'letter' as const, message: { ...message, state: 'delivered' as const }, asks },
    ]),
  );
}

/** Who was erased, took their leave back or was written to while the letters were made is not written to. */
async function stillWanted(
  { db, actor: { clubId } }: Context,
  transaction: Transaction,
  due: readonly PlannedLetter[],
): Promise<void> {
  await holdGuard(db, transaction, clubId, 'leave to write');
  const id = due.map(({ person }) => person.id);
  const people = await db.people.findAll({ where: { clubId, id }, transaction, raw: true });
  if (people.some(({ erasedAt, mayContact }) => erasedAt !== null || !mayContact))
    throw new UseCaseError(
      'conflict',
      'Somebody has taken their leave back or was erased in this moment. Reload the page and send again.',
    );
  const known = due.reduce((sum, { letters }) => sum + letters.length, 0);
  if ((await db.messages.count({ where: { clubId, personId: id }, transaction })) !== known) throw writtenMeanwhile();
}

function writtenMeanwhile(): UseCaseError {
  return new UseCaseError(
    'conflict',
    'Somebody has sent letters in the same moment. Reload the page to see who was written to.',
  );
}

interface Making {
  language: string;
  unit: Context['actor']['lengthUnit'];
}

async function makeLetter(context: Context, planned: PlannedLetter, { language, unit }: Making): Promise<Letter> {
  const { actor, now } = context;
  const { person, asks } = planned;
  const { row: link, url } = makeLink(context, asks[0]!.asked.due!.roundId!, person.id, 'mail');
  const wording = wordingFor(person, { language });
  const { subject, text } = growerLetter(wording, {
    name: person.name ?? '',
    club: actor.clubName,
    asks: asks.map((ask) => letterAsk(ask, wording, unit)),
    told: planned.told,
    url,
  });
  const id = uuid();
  const { roundId } = link;
  const eml = await writeEml({
    id,
    from: { name: actor.clubName, address: 'follow-up@pear-bench.invalid' },
    to: { name: person.name ?? '', address: person.email! },
    replyTo: replyAddress(id),
    subject,
    text,
    date: now,
  });
  return {
    message: {
      id,
      clubId: actor.clubId,
      roundId,
      personId: person.id,
      nth: planned.letters.filter((message) => message.roundId === roundId).length + 1,
      subject,
      state: 'queued',
      createdAt: now,
    },
    link,
    asks: asks.map(({ asked }) => ({
      messageId: id,
      unionId: asked.union.id,
      clubId: actor.clubId,
      roundId: asked.due!.roundId!,
      personId: person.id,
      sentAt: now,
    })),
    eml,
  };
}
