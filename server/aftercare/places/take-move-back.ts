import type { Transaction } from 'sequelize';
import { sameSpot, spotWords } from '@/core/aftercare/places/place';
import { id } from '@/core/inputs/fields';
import type { PlaceRow, PlantMoveRow } from '@/db/models/place-rows';
import { transact } from '@/db/transact';
import { UNSET } from '@/db/unset';
import { audit } from '@/server/platform/audit';
import { allow, type Context } from '@/server/platform/context';
import { parse } from '@/server/platform/parse';
import { notFound, UseCaseError } from '@/server/platform/use-case-error';
import { takeHandingBack } from '../hand-on';
import { spotOf } from './places';

/**
 * Takes a move back: its plants stand again where they stood before, if nothing else has happened to them since and their
 * spots are still free. One that was taken back already changes nothing.
 */
export async function takeMoveBack(context: Context, actionId: string): Promise<void> {
  allow(context, 'assistant');
  parse(id('the move'), actionId);
  const { db, actor, now } = context;
  await transact(db, async (transaction) => {
    const rows = await db.plantMoves.findAll({
      where: { clubId: actor.clubId, actionId },
      transaction,
      lock: true,
      raw: true,
    });
    if (rows.length === 0) throw notFound('What this move names');
    if (rows.every(({ undoneAt }) => undoneAt !== null)) return;
    const ids = rows.map(({ plantId }) => plantId);
    await db.plants.findAll({
      where: { id: ids },
      attributes: ['id'],
      order: [['id', 'ASC']],
      transaction,
      lock: true,
      raw: true,
    });
    await refuseLater(context, rows, transaction);
    await db.plantPlaces.destroy({ where: { plantId: ids }, transaction });
    const before = rows.filter(({ fromPlaceId }) => fromPlaceId !== null);
    const places = await db.places.findAll({
      where: { id: before.map(({ fromPlaceId }) => fromPlaceId!) },
      order: [['id', 'ASC']],
      transaction,
      lock: true,
      raw: true,
    });
    for (const place of places) await checkBack(context, place, before, transaction);
    await db.plantPlaces.bulkCreate(
      before.map(({ plantId, fromPlaceId, fromSpot, fromSince }) => ({
        plantId,
        clubId: actor.clubId,
        placeId: fromPlaceId!,
        ...spotOf(fromSpot!),
        since: fromSince!,
      })),
      { transaction },
    );
    await takeHandingBack(context, actionId, transaction);
    await db.plantMoves.update({ undoneAt: now }, { where: { actionId, clubId: actor.clubId }, transaction });
    await audit(db, transaction, {
      clubId: actor.clubId,
      actorId: actor.userId,
      action: `move taken back: ${rows.length}`,
      subjectId: actionId,
      at: now,
    });
  });
}

async function refuseLater(
  { db, actor }: Context,
  rows: readonly PlantMoveRow[],
  transaction: Transaction,
): Promise<void> {
  const moves = await db.plantMoves.findAll({
    where: { clubId: actor.clubId, plantId: rows.map(({ plantId }) => plantId), undoneAt: UNSET },
    transaction,
    lock: true,
    raw: true,
  });
  const later = rows.some((row) => moves.some((move) => move.plantId === row.plantId && move.id > row.id));
  if (later)
    throw new UseCaseError('conflict', 'One of these plants was moved again since. Take that move back first.');
}

async function checkBack(
  { db }: Context,
  place: PlaceRow,
  before: readonly PlantMoveRow[],
  transaction: Transaction,
): Promise<void> {
  if (place.putAwayAt)
    throw new UseCaseError('gone', `${place.name} was put away meanwhile. Move the plants to another place instead.`);
  const standing = await db.plantPlaces.findAll({ where: { placeId: place.id }, transaction, raw: true });
  const back = before.filter(({ fromPlaceId }) => fromPlaceId === place.id);
  const taken = back.find(
    ({ fromSpot }) => fromSpot!.row !== null && standing.some((row) => sameSpot(spotOf(row), spotOf(fromSpot!))),
  );
  if (taken || standing.length + back.length > place.capacity)
    throw new UseCaseError(
      'conflict',
      taken
        ? `${spotWords(spotOf(taken.fromSpot!))} of ${place.name} is taken meanwhile. Move the plants to free spots instead.`
        : `${place.name} is full meanwhile. Move the plants to another place instead.`,
    );
}
