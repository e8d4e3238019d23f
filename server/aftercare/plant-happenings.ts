import { v5 as nameBased } from 'uuid';
import { DEADLY } from '@/core/aftercare/happening';
import { happeningInput } from '@/core/aftercare/happening-input';
import { id, isAhead } from '@/core/inputs/fields';
import type { UnionObservationRow } from '@/db/models/aftercare-rows';
import { isDuplicate, transact } from '@/db/transact';
import { UNSET } from '@/db/unset';
import { audit } from '@/server/platform/audit';
import { allow, type Context } from '@/server/platform/context';
import { parse } from '@/server/platform/parse';
import { refreshUnionFacts } from '@/server/platform/union-facts';
import { notFound, UseCaseError } from '@/server/platform/use-case-error';

/** Names what is told of one union by a tap for many plants. */
const TOLD = '8f1e0d52-3b0b-4f57-a9c5-5e9d1b7f5a10';

/**
 * Keeps what happened to some plants on one day, of each union that still lives on them, under an id from the browser. Sent
 * again it changes nothing.
 *
 * @throws UseCaseError for a day still to come or before one of them was made
 */
export async function keepHappenings(context: Context, actionId: string, input: unknown): Promise<{ told: number }> {
  allow(context, 'assistant');
  parse(id('what happened'), actionId);
  const { plantIds, what, dead, on, note } = parse(happeningInput, input, context.now);
  if (isAhead(on, context.now))
    throw new UseCaseError('invalid', 'That day is still to come. Enter the day it happened.', {
      on: 'Still to come.',
    });
  const died = what === 'died' || (dead && DEADLY.includes(what));
  const { db, actor, now } = context;
  const { clubId, userId } = actor;
  const wanted = [...new Set(plantIds)];
  try {
    return await transact(db, async (transaction) => {
      const plants = await db.plants.findAll({
        where: { clubId, id: wanted, voidedAt: UNSET },
        attributes: ['id'],
        transaction,
        raw: true,
      });
      if (plants.length < wanted.length) throw notFound(wanted.length === 1 ? 'The plant' : 'A plant of these');
      const unions = await db.unions.findAll({
        where: { clubId, kind: 'keeper', plantId: wanted },
        attributes: ['id', 'madeOn'],
        transaction,
        raw: true,
      });
      if (unions.some(({ madeOn }) => on < madeOn))
        throw new UseCaseError('invalid', 'It happened before one of them was made? Check the day.', {
          on: 'Before one was made.',
        });
      const ended = new Set(
        (
          await db.unionObservations.findAll({
            where: {
              clubId,
              unionId: unions.map((union) => union.id),
              kind: ['ended', 'cut-away', 'opened'],
              takenBackAt: UNSET,
            },
            attributes: ['unionId'],
            transaction,
            raw: true,
          })
        ).map(({ unionId }) => unionId),
      );
      const rows = unions
        .filter((union) => !ended.has(union.id))
        .map((union): UnionObservationRow => ({
          id: nameBased(`${actionId} ${union.id}`, TOLD),
          clubId,
          unionId: union.id,
          kind: died ? 'ended' : 'happened',
          about: what,
          lengthMm: null,
          note,
          seenOn: on,
          seenBy: userId,
          recordedAt: now,
          takenBackAt: null,
        }));
      await db.unionObservations.bulkCreate(rows, { transaction });
      if (died)
        await refreshUnionFacts(
          db,
          clubId,
          rows.map(({ unionId }) => unionId),
          transaction,
        );
      await audit(db, transaction, { clubId, actorId: userId, action: `told: ${what}`, subjectId: actionId, at: now });
      return { told: rows.length };
    });
  } catch (error) {
    // The same came twice: it is kept.
    if (isDuplicate(error)) return { told: wanted.length };
    throw error;
  }
}
