import { counted } from '@/core/units/counted';
import { landInput, placeInput, watchInput } from '@/core/aftercare/places/place-input';
import { id } from '@/core/inputs/fields';
import type { PlaceRow } from '@/db/models/place-rows';
import { isDuplicate, transact } from '@/db/transact';
import { UNSET } from '@/db/unset';
import { getSite } from '@/server/club/sites';
import { audit } from '@/server/platform/audit';
import { allow, type Context } from '@/server/platform/context';
import { parse } from '@/server/platform/parse';
import { notFound, UseCaseError } from '@/server/platform/use-case-error';
import { getPlace, holdPlace } from './places';

/** Sets a place up under an id from the browser, or changes it, if nobody did since it was opened. */
export async function putPlace(context: Context, placeId: string, input: unknown): Promise<PlaceRow> {
  allow(context, 'assistant');
  parse(id('the place'), placeId);
  const { version, ...typed } = parse(placeInput, input, context.now);
  const { db, actor, now } = context;
  await getSite(context, typed.siteId);
  if (typed.kind === 'bed' && !typed.rows)
    throw new UseCaseError('invalid', 'Say how many rows the bed has and how many plants stand in each.', {
      'rows.count': 'Enter the rows.',
    });
  // A bed holds what its rows hold; whoever says less leaves the ends free.
  const rows = typed.kind === 'bed' ? typed.rows : null;
  if (rows && typed.capacity > rows.count * rows.each)
    throw new UseCaseError(
      'invalid',
      `${counted(rows.count, 'row')} of ${rows.each} have ${rows.count * rows.each} spots; the bed cannot hold ${typed.capacity}.`,
      { capacity: `${rows.count * rows.each} at most.` },
    );
  if (
    typed.planId &&
    !(await db.topworkingPlans.findOne({ where: { clubId: actor.clubId, id: typed.planId }, raw: true }))
  )
    throw notFound('The programme');
  const values = { ...typed, rows, planId: typed.kind === 'tree' ? typed.planId : null, liveName: typed.name };
  try {
    await transact(db, async (transaction) => {
      const known = await db.places.findOne({ where: { id: placeId }, transaction, lock: true, raw: true });
      if (known && known.clubId !== actor.clubId) throw notFound('The place');
      if (known) {
        if (known.version === version + 1 && sameAs(known, values)) return;
        checkVersion(known, version);
        await stillFits(context, known, values, transaction);
        await db.places.update(
          { ...values, changedAt: now, version: version + 1 },
          { where: { id: placeId }, transaction },
        );
      } else await db.places.create({ ...newPlace(context, placeId), ...values }, { transaction });
      await audit(db, transaction, {
        clubId: actor.clubId,
        actorId: actor.userId,
        action: known ? 'place changed' : 'place set up',
        subjectId: placeId,
        at: now,
      });
    });
  } catch (error) {
    if (!isDuplicate(error)) throw error;
    // The same request sent twice at once: the other one made it.
    const twin = await db.places.findOne({ where: { clubId: actor.clubId, id: placeId }, raw: true });
    if (twin && sameAs(twin, values)) return twin;
    throw new UseCaseError(
      'conflict',
      'A place of this name is at this site already. Choose it, or use another name.',
      {
        name: 'Taken already.',
      },
    );
  }
  return getPlace(context, placeId);
}

function newPlace({ actor, now }: Context, placeId: string): PlaceRow {
  return {
    id: placeId,
    clubId: actor.clubId,
    siteId: '',
    kind: 'pail',
    name: '',
    liveName: '',
    capacity: 1,
    rows: null,
    onLand: null,
    planId: null,
    kin: '',
    warmFrom: null,
    logger: '',
    alertHours: null,
    alertTo: null,
    owner: '',
    leaveBy: '',
    leaveUntil: null,
    told: '',
    putAwayAt: null,
    changedAt: now,
    version: 1,
  };
}

function sameAs(known: PlaceRow, values: Partial<PlaceRow>): boolean {
  return Object.entries(values).every(
    ([key, value]) => JSON.stringify(known[key as keyof PlaceRow]) === JSON.stringify(value),
  );
}

function checkVersion(known: PlaceRow, version: number): void {
  if (known.putAwayAt) throw new UseCaseError('gone', 'This place was put away. Set up another.');
  if (known.version !== version)
    throw new UseCaseError(
      'conflict',
      'Somebody changed this place meanwhile. Reload the page and enter your change again.',
    );
}

/** What stands in a place goes on standing in it: neither its kind, its rows nor its room may take that away. */
async function stillFits(
  { db }: Context,
  known: PlaceRow,
  { kind, rows, capacity, siteId }: Pick<PlaceRow, 'kind' | 'rows' | 'capacity' | 'siteId'>,
  transaction: Parameters<Parameters<typeof transact>[1]>[0],
): Promise<void> {
  const standing = await db.plantPlaces.findAll({ where: { placeId: known.id }, transaction, raw: true });
  if (standing.length === 0) return;
  if (kind !== known.kind || siteId !== known.siteId)
    throw new UseCaseError(
      'conflict',
      `${counted(standing.length, 'plant')} stand in ${known.name}. Move them before it becomes another kind of place.`,
      { kind: 'Plants stand in it.' },
    );
  if (capacity < standing.length)
    throw new UseCaseError(
      'conflict',
      `${standing.length} plants stand in ${known.name}; it cannot hold ${capacity}.`,
      {
        capacity: `${standing.length} or more.`,
      },
    );
  const outside = standing.filter(
    ({ row, position }) => rows && row !== null && position !== null && (row > rows.count || position > rows.each),
  );
  if (outside.length > 0)
    throw new UseCaseError(
      'conflict',
      `${counted(outside.length, 'plant')} of ${known.name} would stand outside of its rows. Move them first.`,
      { 'rows.count': 'Plants stand there.' },
    );
}

/** Puts a place away that nothing stands in any more; its history stays. */
export async function putPlaceAway(context: Context, placeId: string): Promise<void> {
  allow(context, 'assistant');
  const { db, actor, now } = context;
  await transact(db, async (transaction) => {
    const place = await holdPlace(context, placeId, transaction);
    if (place.putAwayAt) return;
    // Voided plants are no plants any more, and keep nobody from putting a place away.
    const standing = await db.plantPlaces.findAll({ where: { placeId }, transaction, raw: true });
    const living = await db.plants.count({
      where: { id: standing.map(({ plantId }) => plantId), voidedAt: UNSET },
      transaction,
    });
    if (living > 0)
      throw new UseCaseError(
        'conflict',
        `${counted(living, 'plant')} stand${living === 1 ? 's' : ''} in ${place.name}. Move ${living === 1 ? 'it' : 'them'} first, then put the place away.`,
      );
    await db.plantPlaces.destroy({ where: { placeId }, transaction });
    await db.places.update(
      { putAwayAt: now, liveName: null, changedAt: now, version: place.version + 1 },
      { where: { id: placeId }, transaction },
    );
    await audit(db, transaction, {
      clubId: actor.clubId,
      actorId: actor.userId,
      action: 'place put away',
      subjectId: placeId,
      at: now,
    });
  });
}

/** Says how a callus place is watched. Whoever sets the hours is the one who is written to. */
export async function watchPlace(context: Context, placeId: string, input: unknown): Promise<void> {
  allow(context, 'assistant');
  const { version, warmFrom, ...values } = parse(watchInput, input, context.now);
  const alertTo = values.alertHours === null ? null : context.actor.userId;
  await changePlace(context, placeId, version, 'place watched', { ...values, alertTo, warmFrom: warmFrom || null });
}

/** Notes whose land a place is on, and the leave that was given. */
export async function putLand(context: Context, placeId: string, input: unknown): Promise<void> {
  allow(context, 'assistant');
  const { version, leaveUntil, ...values } = parse(landInput, input, context.now);
  await changePlace(context, placeId, version, 'leave for land noted', { ...values, leaveUntil: leaveUntil || null });
}

async function changePlace(
  context: Context,
  placeId: string,
  version: number,
  action: string,
  values: Partial<PlaceRow>,
): Promise<void> {
  const { db, actor, now } = context;
  await transact(db, async (transaction) => {
    const known = await holdPlace(context, placeId, transaction);
    if (known.version === version + 1 && sameAs(known, values)) return;
    checkVersion(known, version);
    await db.places.update(
      { ...values, changedAt: now, version: version + 1 },
      { where: { id: placeId }, transaction },
    );
    await audit(db, transaction, { clubId: actor.clubId, actorId: actor.userId, action, subjectId: placeId, at: now });
  });
}
