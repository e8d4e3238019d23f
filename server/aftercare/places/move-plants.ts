import { v7 as uuid } from 'uuid';
import { Op, QueryTypes, type Transaction } from 'sequelize';
import { formatCode } from '@/core/codes/plant-code';
import { InputError } from '@/core/contact/input-error';
import { checkMove, type MovingPlant } from '@/core/aftercare/places/check-move';
import { type MoveInput, moveInput } from '@/core/aftercare/places/move-input';
import { sameSpot, spotWords, type Standing } from '@/core/aftercare/places/place';
import { id, isAhead } from '@/core/inputs/fields';
import type { PlaceRow, PlantMoveRow } from '@/db/models/place-rows';
import { isDuplicate, transact } from '@/db/transact';
import { audit } from '@/server/platform/audit';
import { allow, type Context } from '@/server/platform/context';
import { parse } from '@/server/platform/parse';
import { notFound, UseCaseError } from '@/server/platform/use-case-error';
import { handWithin } from '../hand-on';
import { spotOf } from './places';

interface KnownPlant {
  id: string;
  code: string;
  madeOn: string;
}

/**
 * Moves plants to a place, or out of all, under an id from the browser: all of them or none. Sent again it changes nothing.
 *
 * @throws UseCaseError where somebody moved one of them meanwhile, where a spot is taken or the place is full, and for a day
 * before the plant was made or came to where it stands
 */
export async function movePlants(context: Context, actionId: string, input: unknown): Promise<{ moved: number }> {
  allow(context, 'assistant');
  parse(id('the move'), actionId);
  const values = parse(moveInput, input, context.now);
  if (new Set(values.moves.map(({ plantId }) => plantId)).size < values.moves.length)
    throw new UseCaseError('invalid', 'A plant is named twice in this move. Choose each once.');
  if (isAhead(values.on, context.now))
    throw new UseCaseError('invalid', 'That day is still to come. Enter the day they were moved.', {
      on: 'Still to come.',
    });
  for (let attempt = 1; ; attempt++) {
    try {
      return await tryMove(context, actionId, values);
    } catch (error) {
      if (error instanceof InputError)
        throw new UseCaseError('invalid', error.message, { [error.field]: error.message });
      // Somebody moved one of them in this very moment: looked at again, and then it can be said who.
      if (!isDuplicate(error) || attempt === TRIES) throw error;
    }
  }
}

/** Moves that can meet before one of them is given up. */
const TRIES = 5;

function tryMove(context: Context, actionId: string, values: MoveInput): Promise<{ moved: number }> {
  const { db, actor } = context;
  return transact(db, async (transaction) => {
    const { moved, fresh } = await moveWithin(context, actionId, values, transaction);
    if (fresh)
      await audit(db, transaction, {
        clubId: actor.clubId,
        actorId: actor.userId,
        action: `plants moved: ${moved}`,
        subjectId: actionId,
        at: context.now,
      });
    return { moved };
  });
}

async function moveWithin(
  context: Context,
  actionId: string,
  { moves, toPlaceId, on, note, withUs }: MoveInput,
  transaction: Transaction,
): Promise<{ moved: number; fresh: boolean }> {
  const { db, actor } = context;
  const plants = await plantsById(
    context,
    moves.map(({ plantId }) => plantId),
    transaction,
  );
  const missing = moves.filter(({ plantId }) => !plants.has(plantId));
  if (missing.length > 0) throw notFound(missing.length === 1 ? 'A plant of this move' : 'Plants of this move');
  // So with the places, whose room is counted.
  const touched = [...new Set([toPlaceId, ...moves.map(({ from }) => from?.placeId)])].filter((place) => place != null);
  const places = await db.places.findAll({
    where: { clubId: actor.clubId, id: touched },
    order: [['id', 'ASC']],
    transaction,
    lock: true,
    raw: true,
  });
  // Read as it stands now that the places are held: the same move may have been done in the meantime.
  const known = await db.plantMoves.findAll({ where: { actionId }, transaction, lock: true, raw: true });
  if (known.some(({ clubId }) => clubId !== actor.clubId)) throw notFound('What this move names');
  if (known.length > 0) return { moved: known.length, fresh: false };
  const to = toPlaceId === null ? null : places.find(({ id: placeId }) => placeId === toPlaceId);
  if (to === undefined) throw notFound('The place');
  if (to?.putAwayAt) throw new UseCaseError('gone', `${to.name} was put away. Choose another place.`);
  const ids = [...plants.keys()];
  const rows = await db.plantPlaces.findAll({
    where: { [Op.or]: [{ plantId: ids }, ...(to ? [{ placeId: to.id }] : [])] },
    transaction,
    lock: true,
    raw: true,
  });
  const standings = new Map(rows.map((row): [string, Standing] => [row.plantId, { ...row, spot: spotOf(row) }]));
  await refuseMoved(context, { moves, plants, standings, places }, transaction);
  const inPlace = to ? [...standings.values()].filter(({ placeId }) => placeId === to.id) : [];
  const codes = await codesOf(
    context,
    inPlace.map(({ plantId }) => plantId),
    transaction,
  );
  const moving = moves.map(({ plantId, to: spot }): MovingPlant => ({
    plantId,
    code: formatCode(plants.get(plantId)!.code),
    madeOn: plants.get(plantId)!.madeOn,
    standing: standings.get(plantId) ?? null,
    spot: spotOf(spot),
  }));
  checkMove({
    on,
    plants: moving,
    to: to && { ...to, standing: inPlace.map((plant) => ({ ...plant, code: codes.get(plant.plantId) ?? '' })) },
  });
  await writeMove(context, { actionId, moving, to, on, note }, transaction);
  if (withUs !== undefined)
    await handWithin(context, { actionId, plantIds: ids, withUs, holderId: undefined, on }, transaction);
  return { moved: moving.length, fresh: true };
}

interface Checked extends Pick<MoveInput, 'on' | 'note'> {
  actionId: string;
  moving: readonly MovingPlant[];
  to: PlaceRow | null;
}

async function writeMove(
  { db, actor, now }: Context,
  { actionId, moving, to, on, note }: Checked,
  transaction: Transaction,
): Promise<void> {
  // Spots are given up before they are taken, so that two plants can change places.
  await db.plantPlaces.destroy({ where: { plantId: moving.map(({ plantId }) => plantId) }, transaction });
  if (to)
    await db.plantPlaces.bulkCreate(
      moving.map(({ plantId, spot }) => ({ plantId, clubId: actor.clubId, placeId: to.id, ...spot, since: on })),
      { transaction },
    );
  await db.plantMoves.bulkCreate(
    moving.map(({ plantId, standing, spot }): PlantMoveRow => ({
      id: uuid(),
      clubId: actor.clubId,
      actionId,
      plantId,
      fromPlaceId: standing?.placeId ?? null,
      fromSpot: standing?.spot ?? null,
      fromSince: standing?.since ?? null,
      toPlaceId: to?.id ?? null,
      toSpot: to ? spot : null,
      movedOn: on,
      note,
      movedBy: actor.userId,
      recordedAt: now,
      undoneAt: null,
    })),
    { transaction },
  );
}

/** Plants of the club that are no less than that: not voided, with the day of their first union. */
async function plantsById(
  { db, actor: { clubId } }: Context,
  ids: readonly string[],
  transaction: Transaction,
): Promise<Map<string, KnownPlant>> {
  // Whoever moves a plant holds it until that is done, in one order, so that two never wait for each other.
  await db.plants.findAll({
    where: { clubId, id: [...ids] },
    attributes: ['id'],
    order: [['id', 'ASC']],
    transaction,
    lock: true,
    raw: true,
  });
  const rows = await db.sequelize.query<KnownPlant>(
    `SELECT p.id, p.code, MIN(u.made_on) AS madeOn FROM plants p JOIN unions u ON u.plant_id = p.id
     WHERE p.club_id = :clubId AND p.id IN (:ids) AND p.voided_at IS NULL GROUP BY p.id`,
    { type: QueryTypes.SELECT, replacements: { clubId, ids: [...ids] }, transaction },
  );
  return new Map(rows.map((row) => [row.id, row]));
}

async function codesOf(
  { db }: Context,
  ids: readonly string[],
  transaction: Transaction,
): Promise<Map<string, string>> {
  if (ids.length === 0) return new Map();
  const rows = await db.plants.findAll({ where: { id: [...ids] }, attributes: ['id', 'code'], transaction, raw: true });
  return new Map(rows.map(({ id: plantId, code }) => [plantId, formatCode(code)]));
}

interface Looked {
  moves: MoveInput['moves'];
  plants: Map<string, KnownPlant>;
  standings: Map<string, Standing>;
  places: readonly PlaceRow[];
}

/** Refuses a move of a plant that somebody moved since whoever moves it looked, and says who and where to. */
async function refuseMoved(
  { db, actor: { clubId, userId } }: Context,
  { moves, plants, standings, places }: Looked,
  transaction: Transaction,
): Promise<void> {
  const gone = moves.find(({ plantId, from }) => {
    const now = standings.get(plantId);
    return from === null ? now !== undefined : now?.placeId !== from.placeId || !sameSpot(now.spot, spotOf(from));
  });
  if (!gone) return;
  const last = await db.plantMoves.findOne({
    where: { clubId, plantId: gone.plantId },
    order: [['id', 'DESC']],
    transaction,
    lock: true,
    raw: true,
  });
  const by =
    last && (await db.users.findOne({ where: { id: last.movedBy }, attributes: ['name'], transaction, raw: true }));
  const now = standings.get(gone.plantId);
  const place =
    now &&
    (places.find(({ id: placeId }) => placeId === now.placeId) ??
      (await db.places.findOne({ where: { clubId, id: now.placeId }, transaction, raw: true })));
  const where = place ? [place.name, spotWords(now.spot)].filter(Boolean).join(', ') : 'no place';
  const who = last?.movedBy === userId ? 'You' : (by?.name ?? 'Somebody');
  const when = last
    ? ` at ${await clockTime(db, { clubId, siteId: place?.siteId ?? null }, last.recordedAt, transaction)}`
    : '';
  throw new UseCaseError(
    'conflict',
    `${who} moved ${formatCode(plants.get(gone.plantId)!.code)}${when}: it stands in ${where}. Nothing was moved; look again and choose anew.`,
    { moved: gone.plantId },
  );
}

/** The time of day at a site, as a clock there shows it; of the club's first site where none is known. */
async function clockTime(
  db: Context['db'],
  { clubId, siteId }: { clubId: string; siteId: string | null },
  at: Date,
  transaction: Transaction,
): Promise<string> {
  const site = await db.sites.findOne({ where: siteId ? { clubId, id: siteId } : { clubId }, transaction, raw: true });
  return new Intl.DateTimeFormat('en-GB', {
    hour: '2-digit',
    minute: '2-digit',
    timeZone: site?.timeZone ?? 'UTC',
  }).format(at);
}
