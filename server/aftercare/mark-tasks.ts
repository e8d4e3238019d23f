import { v7 as uuid } from 'uuid';
import { Op } from 'sequelize';
import { markInput, type Marked } from '@/core/aftercare/mark-input';
import { id, isAhead } from '@/core/inputs/fields';
import type { TaskMarkRow } from '@/db/models/aftercare-rows';
import { UNSET } from '@/db/unset';
import { isDuplicate, transact } from '@/db/transact';
import { audit } from '@/server/platform/audit';
import { allow, type Context } from '@/server/platform/context';
import { parse } from '@/server/platform/parse';
import { notFound, UseCaseError } from '@/server/platform/use-case-error';
import { caredFor } from './cared-for';

/** What became of one tap: what it closed, and what somebody had closed before it. */
export interface MarkResult {
  marked: number;
  already: number;
  /** Plants that are none any more: voided meanwhile, or of a workshop that was put away. */
  gone: number;
}

/** Taps of two devices at the same tasks that can meet before one of them is given up. */
const TRIES = 8;

/**
 * Closes a task of some unions with one tap, under an id made on the device. Sent again it changes nothing; what another
 * device closed meanwhile stays as that one closed it, and is not closed twice.
 *
 * @throws UseCaseError for a day still to come, or where the tap was made by another member on this device
 */
export async function markTasks(context: Context, actionId: string, input: unknown): Promise<MarkResult> {
  allow(context, 'assistant');
  parse(id('the tap'), actionId);
  const values = parse(markInput, input, context.now);
  const { db, actor } = context;
  if (values.assessorId && values.assessorId !== actor.userId)
    throw new UseCaseError(
      'forbidden',
      'This was marked by another member on this device. It stays here until they sign in again.',
      { assessorId: 'Signed in as another.' },
    );
  if (isAhead(values.on, context.now))
    throw new UseCaseError('invalid', 'That day is still to come. Enter the day it was done.', {
      on: 'Still to come.',
    });
  const marks = [...new Map(values.marks.map((mark) => [liveKey(mark), mark])).values()];
  for (let attempt = 1; ; attempt++) {
    try {
      return await transact(db, async (transaction) => {
        const known = await db.taskMarks.findAll({ where: { actionId }, transaction, raw: true });
        if (known.some(({ clubId }) => clubId !== actor.clubId)) throw notFound('What this tap names');
        if (known.length > 0) return { marked: known.length, already: marks.length - known.length, gone: 0 };
        const there = await caredFor(context, [...new Set(marks.map(({ unionId }) => unionId))], transaction);
        const open = marks.filter(({ unionId }) => there.has(unionId));
        const early = open.find(({ unionId }) => values.on < there.get(unionId)!);
        if (early)
          throw new UseCaseError('invalid', 'It was done before the graft was made? Check the day.', {
            on: 'Before the graft was made.',
          });
        const closed = await liveMarks(context, open, transaction);
        const fresh = open.filter((mark) => !closed.has(liveKey(mark)));
        const rows = fresh.map((mark): TaskMarkRow => ({
          ...mark,
          id: uuid(),
          clubId: actor.clubId,
          actionId,
          outcome: values.outcome,
          doneOn: values.on,
          reason: values.reason,
          markedBy: actor.userId,
          recordedAt: context.now,
          undoneAt: null,
          undoneBy: null,
          liveKey: liveKey(mark),
        }));
        await db.taskMarks.bulkCreate(rows, { transaction });
        if (rows.length > 0)
          await audit(db, transaction, {
            clubId: actor.clubId,
            actorId: actor.userId,
            action: `tasks marked ${values.outcome}: ${rows.length}`,
            subjectId: actionId,
            at: context.now,
          });
        // The same tap may have come twice at once, and its twin been first.
        const own = [...closed.values()].filter((by) => by === actionId).length;
        const marked = rows.length + own;
        return { marked, already: open.length - marked, gone: marks.length - open.length };
      });
    } catch (error) {
      // Another device closed one of them in this moment: looked at again.
      if (!isDuplicate(error) || attempt === TRIES) throw error;
    }
  }
}

/** Takes a tap back: what it closed is open again. One that is taken back already, or never arrived, changes nothing. */
export async function undoMarks(context: Context, actionId: string): Promise<void> {
  allow(context, 'assistant');
  parse(id('the tap'), actionId);
  const { db, actor, now } = context;
  const { clubId, userId } = actor;
  await transact(db, async (transaction) => {
    const [undone] = await db.taskMarks.update(
      { undoneAt: now, undoneBy: userId, liveKey: null },
      { where: { clubId, actionId, undoneAt: UNSET }, transaction },
    );
    if (undone > 0)
      await audit(db, transaction, {
        clubId,
        actorId: userId,
        action: `tasks open again: ${undone}`,
        subjectId: actionId,
        at: now,
      });
    else if ((await db.taskMarks.count({ where: { clubId, actionId }, transaction })) === 0)
      throw notFound('What this tap closed');
  });
}

/** Marks that stand, by their key, each with the tap that made it. */
async function liveMarks(
  { db, actor: { clubId } }: Context,
  marks: readonly Marked[],
  transaction: NonNullable<Parameters<typeof db.taskMarks.findAll>[0]>['transaction'],
): Promise<Map<string, string>> {
  const rows = await db.taskMarks.findAll({
    where: { clubId, liveKey: { [Op.in]: marks.map(liveKey) } },
    attributes: ['liveKey', 'actionId'],
    ...(transaction ? { transaction } : {}),
    raw: true,
  });
  return new Map(rows.map((row) => [row.liveKey!, row.actionId]));
}

function liveKey({ unionId, task, occurrence }: Marked): string {
  return `${unionId} ${task} ${occurrence}`;
}
