import type { CutLookRow } from '@/db/models/score-rows';
import { isDuplicate, transact } from '@/db/transact';
import { audit } from '@/server/platform/audit';
import { allow, type Context } from '@/server/platform/context';
import { id, isAhead } from '@/core/inputs/fields';
import { parse } from '@/server/platform/parse';
import { readableUnion } from './readable-union';
import { notFound, UseCaseError } from '@/server/platform/use-case-error';
import { lookInput } from '@/core/score/photos/cut-look-input';

/** What was seen when a practice union was cut open, latest first, with who looked. */
export async function listCutLooks(context: Context, unionId: string): Promise<(CutLookRow & { by: string })[]> {
  allow(context, 'viewer');
  const {
    db,
    actor: { clubId },
  } = context;
  const looks = await db.cutLooks.findAll({
    where: { clubId, unionId },
    order: [
      ['recordedAt', 'DESC'],
      ['id', 'DESC'],
    ],
    raw: true,
  });
  const users = await db.users.findAll({
    where: { id: [...new Set(looks.map(({ enteredBy }) => enteredBy))] },
    raw: true,
  });
  return looks.map((look) => ({
    ...look,
    by: users.find((user) => user.id === look.enteredBy)?.name ?? 'a former member',
  }));
}

/** Adds a second look at a union that was cut open. Looks are only added; the same id again adds nothing. */
export async function addCutLook(context: Context, unionId: string, lookId: string, input: unknown): Promise<void> {
  allow(context, 'assistant');
  parse(id('the look'), lookId);
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  const values = parse(lookInput, input, context.now);
  const union = await readableUnion(context, unionId);
  const workshop = await db.workshops.findOne({ where: { clubId, id: union.workshopId }, raw: true });
  if (union.kind === 'keeper')
    throw new UseCaseError(
      'invalid',
      'A keeper is made to live and is not cut open. Report on it in Follow-up instead.',
    );
  if (isAhead(values.lookedOn, now))
    throw new UseCaseError('invalid', 'That day is still to come. Enter the day it was cut open.', {
      lookedOn: 'Still to come.',
    });
  if (values.lookedOn < workshop!.date)
    throw new UseCaseError('invalid', 'It was cut open before the workshop? Check the day.', {
      lookedOn: 'Before the workshop.',
    });
  try {
    await transact(db, async (transaction) => {
      await db.cutLooks.create(
        {
          id: lookId,
          clubId,
          unionId,
          callus: values.callus,
          contactSeen: values.contactSeen == null ? null : values.contactSeen / 100,
          lookedOn: values.lookedOn,
          note: values.note,
          enteredBy: userId,
          recordedAt: now,
        },
        { transaction },
      );
      await audit(db, transaction, { clubId, actorId: userId, action: 'cut open', subjectId: unionId, at: now });
    });
  } catch (error) {
    if (!isDuplicate(error)) throw error;
    if (!(await db.cutLooks.findOne({ where: { clubId, unionId, id: lookId }, raw: true }))) throw notFound('The look');
  }
}
