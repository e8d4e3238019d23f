import { array, object } from 'yup';
import { id, isAhead, isoDate, SEEN_YEARS } from '@/core/inputs/fields';
import { UNSET } from '@/db/unset';
import { transact } from '@/db/transact';
import { audit } from '@/server/platform/audit';
import { allow, type Context } from '@/server/platform/context';
import { parse } from '@/server/platform/parse';
import { holdPlace } from '../places/places';
import { notFound, UseCaseError } from '@/server/platform/use-case-error';
import { v7 as uuid } from 'uuid';

const leafedInput = object({
  plantIds: array(id('a plant')).required('Choose the batch.').min(1, 'Choose the batch.').max(2000),
  on: isoDate('the day it was seen', SEEN_YEARS),
});

/** Notes that plants of a batch have leaves already: their growth started on that day. Again it changes nothing. */
export async function noteLeafed(context: Context, placeId: string, actionId: string, input: unknown): Promise<void> {
  allow(context, 'assistant');
  parse(id('what was seen'), actionId);
  const { plantIds, on } = parse(leafedInput, input, context.now);
  if (isAhead(on, context.now))
    throw new UseCaseError('invalid', 'That day is still to come. Enter the day it was seen.', {
      on: 'Still to come.',
    });
  const { db, actor, now } = context;
  await transact(db, async (transaction) => {
    // Whoever notes it holds the place, so that two who do at once note it once.
    const place = await holdPlace(context, placeId, transaction);
    const unions = await db.unions.findAll({
      where: { clubId: actor.clubId, plantId: plantIds },
      attributes: ['id', 'madeOn'],
      transaction,
      raw: true,
    });
    if (unions.length === 0) throw notFound('The batch');
    if (unions.some(({ madeOn }) => on < madeOn))
      throw new UseCaseError('invalid', 'It was seen before the graft was made? Check the day.', { on: 'Too early.' });
    const seen = { kind: 'event', about: 'growth-starts' } as const;
    const known = await db.unionObservations.findAll({
      where: { clubId: actor.clubId, unionId: unions.map((union) => union.id), ...seen, takenBackAt: UNSET },
      attributes: ['unionId'],
      transaction,
      raw: true,
    });
    const fresh = unions.filter((union) => !known.some(({ unionId }) => unionId === union.id));
    if (fresh.length === 0) return;
    await db.unionObservations.bulkCreate(
      fresh.map((union) => ({
        ...seen,
        id: uuid(),
        clubId: actor.clubId,
        unionId: union.id,
        lengthMm: null,
        note: `leafed out in ${place.name}`.slice(0, 300),
        seenOn: on,
        seenBy: actor.userId,
        recordedAt: now,
        takenBackAt: null,
      })),
      { transaction },
    );
    await audit(db, transaction, {
      clubId: actor.clubId,
      actorId: actor.userId,
      action: `leafed out in the warmth: ${fresh.length}`,
      subjectId: placeId,
      at: now,
    });
  });
}
