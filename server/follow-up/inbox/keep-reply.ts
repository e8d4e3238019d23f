import { v7 as uuid } from 'uuid';
import type { ReplyAnswer } from '@/core/follow-up/reply/read-reply';
import { PUT_ASIDE, type ReplyProblem } from '@/core/follow-up/reply/reply-problems';
import type { ClubRow, PersonRow } from '@/db/models/club-rows';
import type { MailReplyRow } from '@/db/models/follow-up-rows';
import { isDuplicate, transact } from '@/db/transact';
import type { ReadLetter } from '@/exchange/read-eml';
import { audit } from '@/server/platform/audit';
import type { Services } from '@/server/platform/context';
import { deliverLetters } from '@/server/platform/outbox';
import type { AskedUnion } from '../asks/asked-unions';
import { prepareConfirmation, stopWriting } from './stop-writing';

/** What becomes of a letter. */
export interface Verdict {
  person: PersonRow | null;
  answers: { asked: AskedUnion; answer: ReplyAnswer }[];
  problem: ReplyProblem | '';
  /** Who wants no more letters. */
  stop: PersonRow[];
}

/** Keeps that a letter came, and what became of it. */
export async function keepRow(
  services: Services,
  club: ClubRow,
  {
    name,
    contentHash,
    letter,
    problem,
    person = null,
    answers = [],
    stop = [],
  }: { name: string; contentHash: string; letter: ReadLetter | null } & Pick<Verdict, 'problem'> & Partial<Verdict>,
): Promise<void> {
  const { db, now, mail } = services;
  const { id: clubId } = club;
  const row: MailReplyRow = {
    id: uuid(),
    clubId,
    contentHash,
    fileName: name.slice(0, 200),
    personId: person?.id ?? null,
    sender: letter?.from.slice(0, 254) ?? '',
    subject: letter?.subject ?? '',
    text: letter?.text ?? '',
    sentOn: letter?.sentAt ? letter.sentAt.toISOString().slice(0, 10) : null,
    outcome: problem === '' ? 'read' : 'unread',
    problem,
    answers: answers.length,
    arrivedAt: now,
    settledAt: problem === '' ? now : null,
    settledBy: null,
    confirmation: stop.length > 0 ? 'queued' : '',
  };
  const [asker] = stop;
  try {
    if (asker) await prepareConfirmation(services, club, row.id, asker);
    await transact(db, async (transaction) => {
      if (asker) await stopWriting(services, clubId, stop, transaction);
      await db.mailReplies.destroy({ where: { clubId, contentHash, problem: [...PUT_ASIDE] }, transaction });
      await db.mailReplies.create(row, { transaction });
      await audit(db, transaction, {
        clubId,
        actorId: null,
        action: `reply by mail: ${row.outcome}`,
        subjectId: row.id,
        at: now,
      });
    });
    // What waits is sent by the next turn as well, should this server die here.
    if (asker) await deliverLetters(services, clubId);
  } catch (error) {
    if (asker) await mail.discard(row.id);
    // Another server read it in the same moment.
    if (!isDuplicate(error)) throw error;
  }
}
