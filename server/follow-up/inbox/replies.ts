import type { Reply, ReplyPlant } from '@/core/follow-up/reply/reply';
import { ANSWER_WORDS } from '@/core/methods/milestones';
import { POSITION_WORDS } from '@/core/methods/position';
import { formatDate } from '@/core/units/iso-date';
import type { MailReplyRow } from '@/db/models/follow-up-rows';
import { askedUnions } from '../asks/asked-unions';
import { plantsOfPeople } from '../asks/plants-of-people';
import { PUT_ASIDE, REPLY_PROBLEMS } from '@/core/follow-up/reply/reply-problems';
import { id } from '@/core/inputs/fields';
import { transact } from '@/db/transact';
import { UNSET } from '@/db/unset';
import { ERASED_NAME } from '@/server/platform/erased-name';
import { audit } from '@/server/platform/audit';
import { allow, type Context } from '@/server/platform/context';
import { parse } from '@/server/platform/parse';
import { notFound, UseCaseError } from '@/server/platform/use-case-error';
import { type InboxTurn, readInbox } from './read-inbox';

/** Replies of the club: those nobody could read and nobody has looked at first, then the latest. */
export async function listReplies(context: Context, most = 100): Promise<Reply[]> {
  // Letters name people and addresses, so this is for those who may write to them.
  allow(context, 'assistant');
  const { db, actor } = context;
  const { clubId } = actor;
  const rows = await db.mailReplies.findAll({
    where: { clubId },
    order: [
      ['settledAt', 'ASC'],
      ['arrivedAt', 'DESC'],
    ],
    limit: most,
    raw: true,
  });
  const personIds = rows.flatMap(({ personId }) => personId ?? []);
  const [people, plantsOf] = await Promise.all([
    db.people.findAll({ where: { clubId, id: personIds }, raw: true }),
    plantsBeside(
      context,
      rows.filter(({ settledAt }) => settledAt === null),
    ),
  ]);
  return rows
    .map((row): Reply => {
      const person = people.find(({ id: personId }) => personId === row.personId);
      return {
        id: row.id,
        from: row.sender,
        person: person ? { id: person.id, name: person.name ?? ERASED_NAME } : null,
        subject: row.subject,
        text: row.text,
        arrivedAt: row.arrivedAt,
        sentOn: row.sentOn,
        problem: row.problem === '' ? '' : REPLY_PROBLEMS[row.problem],
        aside: row.problem !== '' && PUT_ASIDE.includes(row.problem) ? row.fileName : '',
        answers: row.answers,
        stopped: row.confirmation !== '',
        settled: row.settledAt !== null,
        plants: plantsOf(row),
      };
    })
    .sort((a, b) => Number(a.settled) - Number(b.settled));
}

/** Of letters that wait the plants of whoever wrote them: those whose code stands in the letter first. */
async function plantsBeside(
  context: Context,
  rows: readonly MailReplyRow[],
): Promise<(row: MailReplyRow) => ReplyPlant[]> {
  const personIds = [...new Set(rows.flatMap(({ personId }) => personId ?? []))];
  const plantIds = await plantsOfPeople(context, personIds);
  const asked = plantIds.length === 0 ? [] : await askedUnions(context, { plantIds });
  return ({ personId, subject, text, settledAt }) => {
    if (settledAt !== null) return [];
    const written = `${subject} ${text}`.toUpperCase().replace(/[^A-Z0-9]/g, '');
    return asked
      .filter(({ person, plant }) => person.id === personId && !plant.withUs)
      .map(({ union, plant, wood, reports }): ReplyPlant => {
        const last = reports.at(-1);
        return {
          unionId: union.id,
          code: plant.code,
          variety: wood.variety,
          position: union.position === 'sole' ? '' : POSITION_WORDS[union.position],
          named: written.includes(plant.code),
          told: last ? `${ANSWER_WORDS[last.answer].toLowerCase()}, ${formatDate(last.seenOn)}` : '',
        };
      })
      .sort((a, b) => Number(b.named) - Number(a.named));
  };
}

/** How many replies wait for somebody to look at them. */
export async function unreadReplies(context: Context): Promise<number> {
  allow(context, 'viewer');
  return context.db.mailReplies.count({
    where: { clubId: context.actor.clubId, outcome: 'unread', settledAt: UNSET },
  });
}

/** Somebody has looked at a reply that could not be read, and entered what it says. */
export async function settleReply(context: Context, replyId: string): Promise<void> {
  allow(context, 'assistant');
  parse(id('the letter'), replyId);
  const { db, actor, now } = context;
  const { clubId, userId } = actor;
  await transact(db, async (transaction) => {
    const reply = await db.mailReplies.findOne({ where: { clubId, id: replyId }, transaction, raw: true });
    if (!reply) throw notFound('The letter');
    if (reply.settledAt) return;
    await db.mailReplies.update({ settledAt: now, settledBy: userId }, { where: { clubId, id: replyId }, transaction });
    await audit(db, transaction, { clubId, actorId: userId, action: 'reply looked at', subjectId: replyId, at: now });
  });
}

/**
 * Reads a letter again that could not be read before: its file was mended, or a newer version reads more.
 *
 * @throws UseCaseError conflict where the letter was read, or its file is gone
 */
export async function readReplyAgain(context: Context, replyId: string): Promise<InboxTurn> {
  allow(context, 'assistant');
  parse(id('the letter'), replyId);
  const { db, actor, mail } = context;
  const { clubId } = actor;
  const reply = await db.mailReplies.findOne({ where: { clubId, id: replyId }, raw: true });
  if (!reply) throw notFound('The letter');
  if (reply.problem === '' || !PUT_ASIDE.includes(reply.problem))
    throw new UseCaseError('conflict', 'This letter is shown here as it was read. Reload the page.');
  // The file first: a server that dies now leaves a letter that is read by itself, and replaces what stands here.
  if (!(await mail.takeBack(reply.fileName)))
    throw new UseCaseError(
      'conflict',
      `The file ${reply.fileName} is no longer in the folder put-aside of the inbox. Put it into the inbox itself, then choose “Look for new letters”.`,
    );
  await transact(db, async (transaction) => {
    await db.mailReplies.destroy({ where: { clubId, id: replyId }, transaction });
    await audit(db, transaction, {
      clubId,
      actorId: actor.userId,
      action: 'reply read again',
      subjectId: replyId,
      at: context.now,
    });
  });
  return readInbox(context);
}

/** Reads the inbox now, without waiting for the minute. */
export async function readInboxNow(context: Context): Promise<InboxTurn> {
  allow(context, 'assistant');
  return readInbox(context);
}
