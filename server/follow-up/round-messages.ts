import { UNSET } from '@/db/unset';
import { number, object } from 'yup';
import { v7 as uuid } from 'uuid';
import { questionsAsked, questionText } from '@/core/follow-up/asked-union';
import { calledOnPlant } from '@/core/methods/position';
import type { LengthUnit } from '@/core/units/length';
import { clubUnits } from '@/server/platform/club-units';
import { formatCode } from '@/core/codes/plant-code';
import { formatDate } from '@/core/units/iso-date';
import { writeEml } from '@/exchange/eml';
import type { MessageRow, ReportLinkRow, RoundRow } from '@/db/models/follow-up-rows';
import type { WorkshopRow } from '@/db/models/plan-rows';
import { holdGuard } from '@/db/guard';
import { isDuplicate, transact } from '@/db/transact';
import { allow, type Context } from '@/server/platform/context';
import { audit } from '@/server/platform/audit';
import { deliverLetters } from '@/server/platform/outbox';
import { parse } from '@/server/platform/parse';
import { askedGrowers, getRound, type Grower, reachable } from './rounds';
import { hashToken, makeToken } from '@/server/platform/secrets';
import { UseCaseError } from '@/server/platform/use-case-error';
import { getWorkshop } from '@/server/plan/workshops';

const sendInput = object({ sentSoFar: number().strict().required('Reload the page and send again.').integer().min(0) });

/** A message with its link, ready to be kept and sent. */
interface Letter {
  message: MessageRow;
  link: ReportLinkRow;
  eml: Buffer;
}

/**
 * Writes to everyone of a round who may be written to and has not answered for all their plants;
 * the first time to all, later as a reminder with a new link. `sentSoFar` is the count of messages
 * the sender saw: if it changed meanwhile, somebody else has just sent, and nothing is sent twice.
 *
 * @returns how many were written to, and how many of the letters wait for the mail service.
 */
export async function sendRound(
  context: Context,
  roundId: string,
  input: unknown,
): Promise<{ sent: number; waiting: number }> {
  allow(context, 'assistant');
  const {
    db,
    mail,
    actor: { clubId, userId },
    now,
  } = context;
  const round = await getRound(context, roundId);
  const { sentSoFar } = parse(sendInput, input);
  const workshop = await getWorkshop(context, round.workshopId);
  const messages = await db.messages.findAll({ where: { clubId, roundId }, raw: true });
  if (messages.length !== sentSoFar)
    throw new UseCaseError(
      'conflict',
      'Somebody has sent messages of this round meanwhile. Reload the page to see who was written to.',
    );
  const open = await stillOpen(context, round);
  const { lengthUnit } = await clubUnits(db, clubId);
  const letters = await Promise.all(
    open.map((grower) =>
      writeLetter(
        context,
        round,
        workshop,
        grower,
        messages.filter(({ personId }) => personId === grower.seat.personId).length + 1,
        lengthUnit,
      ),
    ),
  );
  try {
    for (const { message, eml } of letters) await mail.prepare(message.id, eml);
    await transact(db, async (transaction) => {
      // Who was erased, or took their leave back, while the letters were written is not written to.
      await holdGuard(db, transaction, clubId, 'leave to write');
      const people = await db.people.findAll({
        where: { clubId, id: letters.map(({ message }) => message.personId) },
        transaction,
        raw: true,
      });
      if (people.some(({ erasedAt, mayContact }) => erasedAt !== null || !mayContact))
        throw new UseCaseError(
          'conflict',
          'Somebody has taken their leave back or was erased in this moment. Reload the page and send again.',
        );
      await db.reportLinks.bulkCreate(
        letters.map(({ link }) => link),
        { transaction },
      );
      await db.messages.bulkCreate(
        letters.map(({ message }) => message),
        { transaction },
      );
      await audit(db, transaction, {
        clubId,
        actorId: userId,
        action: `round sent: ${letters.length}`,
        subjectId: roundId,
        at: now,
      });
    });
  } catch (error) {
    for (const { message } of letters) await mail.discard(message.id);
    if (isDuplicate(error))
      throw new UseCaseError(
        'conflict',
        'Somebody sent this round in the same moment. Reload the page to see who was written to.',
      );
    throw error;
  }
  return { sent: letters.length, waiting: await deliverLetters(context, clubId) };
}

/** Growers who may be written to and have not answered for all of theirs. */
async function stillOpen(context: Context, round: RoundRow): Promise<Grower[]> {
  const reports = await context.db.reports.findAll({
    where: { clubId: context.actor.clubId, roundId: round.id },
    attributes: ['unionId'],
    raw: true,
  });
  const answered = new Set(reports.map(({ unionId }) => unionId));
  return (await askedGrowers(context, round)).filter(
    ({ seat, keepers }) => reachable(seat) && keepers.some(({ unionId }) => !answered.has(unionId)),
  );
}

/** A private link for a person and a round; only its hash is kept. */
export function makeLink(
  context: Context,
  roundId: string,
  personId: string,
  kind: 'mail' | 'slip',
): { row: ReportLinkRow; url: string } {
  const token = makeToken();
  return {
    row: {
      id: uuid(),
      clubId: context.actor.clubId,
      roundId,
      personId,
      tokenHash: hashToken(token),
      kind,
      createdAt: context.now,
      withdrawnAt: null,
    },
    url: `${context.publicUrl}/r/${token}`,
  };
}

async function writeLetter(
  context: Context,
  round: RoundRow,
  workshop: WorkshopRow,
  { seat, keepers }: Grower,
  nth: number,
  unit: LengthUnit,
): Promise<Letter> {
  const { actor, now } = context;
  const { row: link, url } = makeLink(context, round.id, seat.personId, 'mail');
  const id = uuid();
  const called = ({ code, position }: Grower['keepers'][number]): string => calledOnPlant(formatCode(code), position);
  const plants = keepers.map((keeper) => `  ${called(keeper)}  ${keeper.wood.variety}`).join('\n');
  const asked = questionsAsked(keepers, round.milestone, unit);
  const question = questionText(asked, called);
  const subject = `${nth > 1 ? 'Once more: how' : 'How'} are your grafts of ${formatDate(workshop.date)}?`;
  const text = [
    `Dear ${seat.person.name},`,
    `you took ${keepers.length === 1 ? 'one graft' : `${keepers.length} grafts`} home from "${workshop.title}":\n${plants}`,
    `${question} Please look, and tell us for each tag. It takes a minute and needs no account:\n${url}`,
    `You can change your answers until ${formatDate(round.closesOn)}. The instructors of ${actor.clubName} see them, nobody else. On the same page you can stop these messages, or have your name and address erased.`,
    actor.clubName,
  ].join('\n\n');
  const eml = await writeEml({
    id,
    subject,
    text,
    date: now,
    from: { name: actor.clubName, address: 'follow-up@pear-bench.invalid' },
    to: { name: seat.person.name!, address: seat.person.email! },
  });
  return {
    message: {
      id,
      clubId: actor.clubId,
      roundId: round.id,
      personId: seat.personId,
      nth,
      subject,
      state: 'queued',
      createdAt: now,
    },
    link,
    eml,
  };
}

/** Withdraws all links a person has to a round: none of them opens any more. */
export async function withdrawLinks(context: Context, roundId: string, personId: string): Promise<void> {
  allow(context, 'assistant');
  const round = await getRound(context, roundId);
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  await transact(db, async (transaction) => {
    await db.reportLinks.update(
      { withdrawnAt: now },
      { where: { clubId, roundId: round.id, personId, withdrawnAt: UNSET }, transaction },
    );
    await audit(db, transaction, { clubId, actorId: userId, action: 'links withdrawn', subjectId: personId, at: now });
  });
}
