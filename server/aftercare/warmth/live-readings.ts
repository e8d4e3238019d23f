import { liveInput } from '@/core/aftercare/warmth/log-input';
import { transact } from '@/db/transact';
import { audit } from '@/server/platform/audit';
import { allow, type Context } from '@/server/platform/context';
import { parse } from '@/server/platform/parse';
import { holdPlace } from '../places/places';
import { UseCaseError } from '@/server/platform/use-case-error';
import { keepReadings, type KeptReadings } from './readings-store';
import { writeWhenOutOfRange } from './range-letter';

/** A reading further ahead than this is of a clock that runs wrong, ms. */
const AHEAD = 10 * 60_000;

/** Keeps readings of a logger that speaks live. Sent again they change nothing. */
export async function addLiveReadings(context: Context, placeId: string, input: unknown): Promise<KeptReadings> {
  allow(context, 'assistant');
  const { logger, readings } = parse(liveInput, input);
  const { db, actor, now } = context;
  if (readings.some(({ at }) => at > now.getTime() + AHEAD))
    throw new UseCaseError('invalid', 'A reading is of a time that is still to come. Check the clock of the logger.');
  const sorted = [...readings].sort((a, b) => a.at - b.at).filter(({ at }, i, all) => at !== all[i - 1]?.at);
  const kept = await transact(db, async (transaction) => {
    const place = await holdPlace(context, placeId, transaction);
    if (place.putAwayAt) throw new UseCaseError('gone', 'This place was put away; its logger is no more.');
    if (logger !== '' && place.logger !== '' && logger.toLowerCase() !== place.logger.toLowerCase())
      throw new UseCaseError('conflict', `In ${place.name} lies ${place.logger}, and not ${logger}.`, {
        logger: 'Another logger.',
      });
    const result = await keepReadings(
      db,
      { placeId, clubId: actor.clubId },
      { instants: sorted.map(({ at }) => at), values: sorted.map(({ value }) => value) },
      transaction,
    );
    if (result.added > 0) {
      await db.places.update({ changedAt: now }, { where: { id: placeId }, transaction });
      await audit(db, transaction, {
        clubId: actor.clubId,
        actorId: actor.userId,
        action: 'live readings of a place',
        subjectId: placeId,
        at: now,
      });
    }
    return result;
  });
  if (kept.added > 0) await writeWhenOutOfRange(context, placeId);
  return kept;
}
