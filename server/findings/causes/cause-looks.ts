import { causeLookInput } from '@/core/findings/causes/cause-inputs';
import { id, isAhead } from '@/core/inputs/fields';
import type { CauseLookRow } from '@/db/models/cause-rows';
import { UNSET } from '@/db/unset';
import { isDuplicate, transact } from '@/db/transact';
import { audit } from '@/server/platform/audit';
import { allow, type Context } from '@/server/platform/context';
import { parse } from '@/server/platform/parse';
import { notFound, UseCaseError } from '@/server/platform/use-case-error';
import { clubTables } from './club-tables';
import { deadKeeper } from './dead-keeper';

type Look = Omit<CauseLookRow, 'seq'>;

/** Keeps what somebody saw of a union that died, under an id made on the device; the same again changes nothing. */
export async function lookForCause(context: Context, lookId: string, input: unknown): Promise<void> {
  allow(context, 'assistant');
  parse(id('what was seen'), lookId);
  const { unionId, code, note, seenOn, assessorId } = parse(causeLookInput, input, context.now);
  const { db, actor, now } = context;
  const { clubId, userId } = actor;
  if (assessorId && assessorId !== userId)
    throw new UseCaseError(
      'forbidden',
      'This was entered by another member on this device. It stays here until they sign in again.',
      { assessorId: 'Signed in as another.' },
    );
  if (isAhead(seenOn, now))
    throw new UseCaseError('invalid', 'That day is still to come. Enter the day it was seen.', {
      seenOn: 'Still to come.',
    });
  const { model } = await clubTables(context);
  if (!model.questions.some(({ answers }) => answers.some((answer) => answer.code === code)))
    throw new UseCaseError('invalid', 'Choose one of the answers.', { code: 'No question has this answer.' });
  const row: Look = {
    id: lookId,
    clubId,
    unionId,
    code,
    note,
    seenOn,
    seenBy: userId,
    recordedAt: now,
    takenBackAt: null,
  };
  try {
    await transact(db, async (transaction) => {
      const known = await db.causeLooks.findOne({ where: { id: lookId }, transaction, raw: true });
      if (known) return sameAgain(known, row);
      await deadKeeper(context, unionId, transaction);
      const union = await db.unions.findOne({ where: { clubId, id: unionId }, transaction, raw: true });
      if (!union) throw notFound('The plant');
      if (seenOn < union.madeOn)
        throw new UseCaseError('invalid', 'It was seen before it was made? Check the day.', {
          seenOn: 'Before it was made.',
        });
      await db.causeLooks.create(row, { transaction });
      await audit(db, transaction, {
        clubId,
        actorId: userId,
        action: `cause look: ${code}`,
        subjectId: unionId,
        at: now,
      });
    });
  } catch (error) {
    if (!isDuplicate(error)) throw error;
    const twin = await db.causeLooks.findOne({ where: { id: lookId }, raw: true });
    if (!twin) throw error;
    sameAgain(twin, row);
  }
}

function sameAgain(known: Look, sent: Look): void {
  if (known.clubId !== sent.clubId) throw notFound('What was seen');
  if (!(['unionId', 'code', 'note', 'seenOn'] as const).every((field) => known[field] === sent[field]))
    throw new UseCaseError('conflict', 'This was kept already with other content. Reload the page and enter it again.');
}

/** Takes something seen back: it counts no more. What is taken back already changes nothing. */
export async function takeLookBack(context: Context, lookId: string): Promise<void> {
  allow(context, 'assistant');
  parse(id('what was seen'), lookId);
  const { db, actor, now } = context;
  const { clubId, userId } = actor;
  await transact(db, async (transaction) => {
    const known = await db.causeLooks.findOne({ where: { clubId, id: lookId }, transaction, raw: true });
    if (!known) throw notFound('What was seen');
    const [taken] = await db.causeLooks.update(
      { takenBackAt: now },
      { where: { clubId, id: lookId, takenBackAt: UNSET }, transaction },
    );
    if (taken > 0)
      await audit(db, transaction, {
        clubId,
        actorId: userId,
        action: `cause look back: ${known.code}`,
        subjectId: known.unionId,
        at: now,
      });
  });
}
