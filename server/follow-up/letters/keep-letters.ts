import type { Transaction } from 'sequelize';
import { v7 as uuid } from 'uuid';
import { writtenTo } from '@/core/follow-up/letters/written-to';
import type { PersonRow } from '@/db/models/club-rows';
import { writeEml } from '@/exchange/eml';
import { replyAddress } from './reply-address';
import type { LetterAskRow, MessageRow, ReportLinkRow } from '@/db/models/follow-up-rows';
import { holdGuard } from '@/db/guard';
import { isDuplicate, transact } from '@/db/transact';
import { audit } from '@/server/platform/audit';
import type { Context } from '@/server/platform/context';
import { UseCaseError } from '@/server/platform/use-case-error';
import type { PlannedLetter } from './letter-plan';

/** A letter with its link and what it asks, ready to be kept and sent. */
export interface Letter {
  message: MessageRow;
  link: ReportLinkRow;
  asks: LetterAskRow[];
  eml: Buffer;
}

interface Written {
  subject: string;
  text: string;
  link: ReportLinkRow;
  /** All that was written to them before. */
  letters: readonly MessageRow[];
}

/** A letter to somebody with its row, as a mail or a text message, and an address for replies that is its alone. */
export async function writtenLetter(
  { actor, now }: Context,
  person: PersonRow,
  { subject, text, link, letters }: Written,
): Promise<Omit<Letter, 'asks'>> {
  const id = uuid();
  const { roundId } = link;
  const eml = await writeEml({
    id,
    from: { name: actor.clubName, address: 'follow-up@pear-bench.invalid' },
    to: { name: person.name ?? '', address: writtenTo(person)!.address },
    replyTo: replyAddress(id),
    subject,
    text,
    date: now,
  });
  const message: MessageRow = {
    id,
    clubId: actor.clubId,
    roundId,
    personId: person.id,
    nth: letters.filter((known) => known.roundId === roundId).length + 1,
    subject,
    state: 'queued',
    createdAt: now,
  };
  return { message, link, eml };
}

/** Whom letters are for, with those they had before. */
type Addressee = Pick<PlannedLetter, 'person' | 'letters'>;

/**
 * Keeps letters as files and rows, in one transaction with their links; they are handed to the mail service afterwards.
 *
 * @throws UseCaseError conflict where somebody else wrote in this moment, or leave was taken back
 */
export async function keepLetters(
  context: Context,
  letters: readonly Letter[],
  {
    due,
    actorId,
    subjectId,
    action,
  }: { due: readonly Addressee[]; actorId: string | null; subjectId: string; action: string },
): Promise<void> {
  const { db, mail, actor } = context;
  const { clubId } = actor;
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
          action: `${action}: ${letters.length}`,
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
  due: readonly Addressee[],
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
