import { v7 as uuid } from 'uuid';
import { Op, type Transaction } from 'sequelize';
import { markInput, type Marked } from '@/core/aftercare/mark-input';
import type { Outcome } from '@/core/aftercare/outcome';
import { knownTasks } from '@/core/aftercare/plan/known-tasks';
import { groupedBy } from '@/core/units/grouped-by';
import type { IsoDate } from '@/core/units/iso-date';
import { id, isAhead } from '@/core/inputs/fields';
import type { TaskMarkRow } from '@/db/models/aftercare-rows';
import { UNSET } from '@/db/unset';
import { isDuplicate, transact } from '@/db/transact';
import { audit } from '@/server/platform/audit';
import { allow, type Context } from '@/server/platform/context';
import { kept } from '@/server/platform/kept';
import { parse } from '@/server/platform/parse';
import { notFound, UseCaseError } from '@/server/platform/use-case-error';
import { caredFor } from './cared-for';

/** What became of one tap: what it closed, and what somebody had closed before it. */
export interface MarkResult {
  marked: number;
  already: number;
  /** Kept beside another outcome that somebody told first: the lead settles which counts. */
  beside: number;
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
  if (values.assessorId && values.assessorId !== context.actor.userId)
    throw new UseCaseError(
      'forbidden',
      'This was marked by another member on this device. It stays here until they sign in again.',
      { assessorId: 'Signed in as another.' },
    );
  if (isAhead(values.on, context.now))
    throw new UseCaseError('invalid', 'That day is still to come. Enter the day it was done.', {
      on: 'Still to come.',
    });
  return closeTasks(context, actionId, {
    ...values,
    by: { markedBy: context.actor.userId, toldBy: null },
  });
}

/** Who says that a task is closed: a member, or the grower who has the plant. */
type By = Pick<TaskMarkRow, 'markedBy' | 'toldBy'>;

interface Closing {
  marks: readonly Marked[];
  outcome: Outcome;
  on: IsoDate;
  reason: string;
  by: By;
}

/** Closes tasks for whoever may: the caller has checked that. */
export async function closeTasks(context: Context, actionId: string, closing: Closing): Promise<MarkResult> {
  const marks = [...new Map(closing.marks.map((mark) => [liveKey(mark), mark])).values()];
  for (let attempt = 1; ; attempt++) {
    try {
      return await transact(context.db, (transaction) =>
        closeWithin(context, actionId, { ...closing, marks }, transaction),
      );
    } catch (error) {
      // Another device closed one of them in this moment: looked at again.
      if (!isDuplicate(error) || attempt === TRIES) throw error;
    }
  }
}

async function closeWithin(
  context: Context,
  actionId: string,
  { marks, outcome, on, reason, by }: Closing,
  transaction: Transaction,
): Promise<MarkResult> {
  const { db, actor } = context;
  const { clubId } = actor;
  const known = await db.taskMarks.findAll({ where: { actionId }, transaction, raw: true });
  if (known.some((mark) => mark.clubId !== clubId)) throw notFound('What this tap names');
  if (known.length > 0) {
    const beside = known.filter(({ besideId }) => besideId !== null).length;
    const marked = known.length - beside;
    return { marked, already: marks.length - known.length, beside, gone: 0 };
  }
  const there = await caredFor(context, [...new Set(marks.map(({ unionId }) => unionId))], transaction);
  const open = marks.filter(({ unionId }) => there.has(unionId));
  if (open.some(({ unionId }) => on < there.get(unionId)!))
    throw new UseCaseError('invalid', 'It was done before the graft was made? Check the day.', {
      on: 'Before the graft was made.',
    });
  await refuseUnknown(context, open, transaction);
  const closed = await liveMarks(context, open, transaction);
  const rowOf = (mark: Marked, besideId: string | null): TaskMarkRow => ({
    ...mark,
    id: uuid(),
    clubId,
    actionId,
    outcome,
    doneOn: on,
    reason,
    ...by,
    recordedAt: context.now,
    undoneAt: null,
    undoneBy: null,
    liveKey: besideId === null ? liveKey(mark) : null,
    besideId,
  });
  const fresh = open.filter((mark) => !closed.has(liveKey(mark)));
  // Somebody else has told another outcome: this one is kept beside it, until the lead says which counts.
  const other = open.filter((mark) => {
    const first = closed.get(liveKey(mark));
    return first !== undefined && first.outcome !== outcome && first.actionId !== actionId;
  });
  const rows = [
    ...fresh.map((mark) => rowOf(mark, null)),
    ...other.map((mark) => rowOf(mark, closed.get(liveKey(mark))!.id)),
  ];
  await db.taskMarks.bulkCreate(rows, { transaction });
  if (rows.length > 0)
    await audit(db, transaction, {
      clubId,
      actorId: by.markedBy,
      action: `tasks marked ${outcome}: ${rows.length}`,
      subjectId: actionId,
      at: context.now,
    });
  // The same tap may have come twice at once, and its twin been first.
  const own = [...closed.values()].filter((mark) => mark.actionId === actionId).length;
  const marked = fresh.length + own;
  return {
    marked,
    already: open.length - marked - other.length,
    beside: other.length,
    gone: marks.length - open.length,
  };
}

/** A task is one that its union can be asked; grafted limbs go by their programme. */
async function refuseUnknown(
  { db, actor: { clubId } }: Context,
  marks: readonly Marked[],
  transaction: Transaction,
): Promise<void> {
  const unions = await db.unions.findAll({
    where: { clubId, id: [...new Set(marks.map(({ unionId }) => unionId))] },
    attributes: ['id', 'method', 'schools', 'materials'],
    transaction,
    raw: true,
  });
  const madeAs = new Map(unions.map(({ id: unionId, ...made }) => [unionId, made]));
  const unknown = marks.some(({ unionId, task }) => {
    const made = madeAs.get(unionId);
    return made !== undefined && !kept('known tasks', made, knownTasks).has(task);
  });
  if (unknown)
    throw new UseCaseError('invalid', 'This task is none of the plant’s. Reload the page and mark it again.', {
      task: 'None of the plant’s.',
    });
}

/** Takes a tap back: what it closed is open again. One that is taken back already, or never arrived, changes nothing. */
export async function undoMarks(context: Context, actionId: string): Promise<void> {
  allow(context, 'assistant');
  parse(id('the tap'), actionId);
  const { db, actor, now } = context;
  const { clubId, userId } = actor;
  await transact(db, async (transaction) => {
    const undone = await undoWithin(context, { actionId }, transaction);
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

/** Takes back what a tap of a grower closed, if it was theirs. */
export async function undoToldMarks(context: Context, actionId: string, personId: string): Promise<void> {
  const { db, now } = context;
  const { clubId } = context.actor;
  await transact(db, async (transaction) => {
    const undone = await undoWithin(context, { actionId, toldBy: personId }, transaction);
    if (undone > 0)
      await audit(db, transaction, {
        clubId,
        actorId: null,
        action: `tasks open again: ${undone}`,
        subjectId: actionId,
        at: now,
      });
  });
}

async function undoWithin(
  context: Context,
  whose: { actionId: string; toldBy?: string },
  transaction: Transaction,
): Promise<number> {
  const { db, actor } = context;
  const standing = await db.taskMarks.findAll({
    where: { clubId: actor.clubId, ...whose, undoneAt: UNSET },
    transaction,
    lock: true,
    raw: true,
  });
  await takeBack(context, standing, transaction);
  return standing.length;
}

/** Takes marks back; of what somebody told beside one of them, the first counts in its place. */
async function takeBack(
  { db, actor: { clubId, userId }, now }: Context,
  marks: readonly TaskMarkRow[],
  transaction: Transaction,
): Promise<void> {
  await db.taskMarks.update(
    { undoneAt: now, undoneBy: userId || null, liveKey: null },
    { where: { clubId, id: marks.map((mark) => mark.id) }, transaction },
  );
  const beside = await db.taskMarks.findAll({
    where: { clubId, besideId: marks.map((mark) => mark.id), undoneAt: UNSET },
    order: [['recordedAt', 'ASC']],
    transaction,
    raw: true,
  });
  for (const [firstId, others] of groupedBy(beside, ({ besideId }) => besideId!)) {
    const next = others[0]!;
    await db.taskMarks.update(
      { besideId: null, liveKey: liveKey(next) },
      { where: { clubId, id: next.id }, transaction },
    );
    await db.taskMarks.update({ besideId: next.id }, { where: { clubId, besideId: firstId }, transaction });
  }
}

/** Marks that stand and count, by their key. */
async function liveMarks(
  { db, actor: { clubId } }: Context,
  marks: readonly Marked[],
  transaction: Transaction,
): Promise<Map<string, TaskMarkRow>> {
  const rows = await db.taskMarks.findAll({
    where: { clubId, liveKey: { [Op.in]: marks.map(liveKey) } },
    transaction,
    raw: true,
  });
  return new Map(rows.map((row) => [row.liveKey!, row]));
}

/** Names a task of a union while a mark of it stands. */
export function liveKey({ unionId, task, occurrence }: Marked): string {
  return `${unionId} ${task} ${occurrence}`;
}
