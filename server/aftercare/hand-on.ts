import type { Transaction } from 'sequelize';
import { v7 as uuid } from 'uuid';
import { type Handing, handInput } from '@/core/aftercare/hand-input';
import { id, isAhead } from '@/core/inputs/fields';
import type { IsoDate } from '@/core/units/iso-date';
import type { PlantHandingRow } from '@/db/models/place-rows';
import type { PlantRow } from '@/db/models/union-rows';
import { isDuplicate, transact } from '@/db/transact';
import { UNSET } from '@/db/unset';
import { audit } from '@/server/platform/audit';
import { ERASED_NAME } from '@/server/platform/erased-name';
import { allow, type Context } from '@/server/platform/context';
import { parse } from '@/server/platform/parse';
import { notFound, UseCaseError } from '@/server/platform/use-case-error';

/** Who has a plant: whom it was handed on to, else whoever made it. */
export function holderOf({ holderId }: Pick<PlantRow, 'holderId'>, maker: { personId: string }): string {
  return holderId ?? maker.personId;
}

/** Everybody on record who could have a plant, by name. */
export async function peopleOnRecord(context: Context): Promise<{ id: string; name: string }[]> {
  allow(context, 'assistant');
  const { db, actor } = context;
  const people = await db.people.findAll({
    where: { clubId: actor.clubId, erasedAt: UNSET },
    attributes: ['id', 'name'],
    order: [['name', 'ASC']],
    raw: true,
  });
  return people.map(({ id: personId, name }) => ({ id: personId, name: name ?? '' }));
}

/** Each time a plant was handed on, latest first; the name is null for whoever made it. */
export async function holdingsOf(
  { db, actor: { clubId } }: Context,
  plantId: string,
): Promise<{ on: IsoDate; withUs: boolean; name: string | null; by: string }[]> {
  const rows = await db.plantHandings.findAll({ where: { clubId, plantId }, order: [['id', 'DESC']], raw: true });
  if (rows.length === 0) return [];
  const [people, users] = await Promise.all([
    db.people.findAll({ where: { clubId, id: rows.flatMap(({ holderId }) => holderId ?? []) }, raw: true }),
    db.users.findAll({
      where: { id: rows.flatMap(({ handedBy }) => handedBy ?? []) },
      attributes: ['id', 'name'],
      raw: true,
    }),
  ]);
  return rows.map(({ handedOn, withUs, holderId, handedBy }) => ({
    on: handedOn,
    withUs: Boolean(withUs),
    name: holderId === null ? null : (people.find((person) => person.id === holderId)?.name ?? ERASED_NAME),
    by: users.find((user) => user.id === handedBy)?.name ?? '',
  }));
}

/**
 * Hands plants on under an id from the browser: to somebody on record or new, to whoever made them, or to the club. Their years
 * go on; whoever had them is asked no more. Sent again it changes nothing.
 *
 * @throws UseCaseError for a day still to come or before the plant was made, and for somebody who was erased
 */
export async function handOn(context: Context, actionId: string, input: unknown): Promise<void> {
  allow(context, 'assistant');
  parse(id('the handing on'), actionId);
  const values = parse(handInput, input, context.now);
  if (isAhead(values.on, context.now))
    throw new UseCaseError('invalid', 'That day is still to come. Enter the day it was handed on.', {
      on: 'Still to come.',
    });
  const { db, actor } = context;
  try {
    await transact(db, async (transaction) => {
      const known = await db.plantHandings.findOne({ where: { actionId }, transaction, raw: true });
      if (known) {
        if (known.clubId !== actor.clubId) throw notFound('What this names');
        return;
      }
      const plantIds = [...new Set(values.plantIds)];
      await refuseBefore(context, plantIds, values.on, transaction);
      const holderId = await newHolder(context, values, transaction);
      await handWithin(
        context,
        { actionId, plantIds, withUs: values.to === 'us', holderId, on: values.on },
        transaction,
      );
      await audit(db, transaction, {
        clubId: actor.clubId,
        actorId: actor.userId,
        action: `plants handed on: ${plantIds.length}`,
        subjectId: actionId,
        at: context.now,
      });
    });
  } catch (error) {
    // The same came twice at once, and its twin was first.
    if (!isDuplicate(error)) throw error;
  }
}

/** Whom it goes to: null for whoever made it, undefined for nobody but the club. Somebody new is put on record. */
async function newHolder(
  { db, actor: { clubId } }: Context,
  { to, personId, name, email, phone, mayContact }: Handing,
  transaction: Transaction,
): Promise<string | null | undefined> {
  if (to === 'us') return undefined;
  if (to === 'maker') return null;
  const known = await db.people.findOne({ where: { clubId, id: personId! }, transaction, raw: true });
  if (known?.erasedAt)
    throw new UseCaseError(
      'gone',
      'This person asked to be erased. Choose somebody else, or enter them as somebody new.',
      {
        personId: 'Erased.',
      },
    );
  if (to === 'person' && !known) throw notFound('The person');
  if (to === 'new' && !known)
    await db.people.create(
      {
        id: personId!,
        clubId,
        name,
        email: email || null,
        phone: phone || null,
        // Leave to write is leave to write somewhere.
        mayContact: mayContact && email !== '',
        erasedAt: null,
      },
      { transaction },
    );
  return personId;
}

/** A plant is handed on once it is made. */
async function refuseBefore(
  { db, actor: { clubId } }: Context,
  plantIds: readonly string[],
  on: IsoDate,
  transaction: Transaction,
): Promise<void> {
  const unions = await db.unions.findAll({
    where: { clubId, plantId: [...plantIds] },
    attributes: ['plantId', 'madeOn'],
    transaction,
    raw: true,
  });
  if (new Set(unions.map(({ plantId }) => plantId)).size < plantIds.length) throw notFound('A plant of these');
  const first = new Map<string, IsoDate>();
  for (const { plantId, madeOn } of unions) {
    const known = first.get(plantId!);
    if (!known || madeOn < known) first.set(plantId!, madeOn);
  }
  if ([...first.values()].some((madeOn) => on < madeOn))
    throw new UseCaseError('invalid', 'It was handed on before it was made? Check the day.', {
      on: 'Before it was made.',
    });
}

interface Handed {
  actionId: string;
  plantIds: readonly string[];
  withUs: boolean;
  /** Undefined where whoever has it stays the same. */
  holderId: string | null | undefined;
  on: IsoDate;
}

/** Writes down who has some plants from now on; those that nobody else has stay as they are. */
export async function handWithin(
  { db, actor, now }: Context,
  { actionId, plantIds, withUs, holderId, on }: Handed,
  transaction: Transaction,
): Promise<void> {
  const { clubId } = actor;
  const plants = await db.plants.findAll({
    where: { clubId, id: [...plantIds], voidedAt: UNSET },
    order: [['id', 'ASC']],
    transaction,
    lock: true,
    raw: true,
  });
  if (plants.length < plantIds.length) throw notFound(plantIds.length === 1 ? 'The plant' : 'A plant of these');
  const changed = plants.filter(
    (plant) => Boolean(plant.withUs) !== withUs || (holderId !== undefined && plant.holderId !== holderId),
  );
  if (changed.length === 0) return;
  await db.plantHandings.bulkCreate(
    changed.map((plant): PlantHandingRow => ({
      id: uuid(),
      clubId,
      actionId,
      plantId: plant.id,
      withUs,
      holderId: holderId === undefined ? plant.holderId : holderId,
      wasWithUs: Boolean(plant.withUs),
      wasHolderId: plant.holderId,
      handedOn: on,
      handedBy: actor.userId,
      recordedAt: now,
    })),
    { transaction },
  );
  await db.plants.update(
    { withUs, ...(holderId === undefined ? {} : { holderId }) },
    { where: { clubId, id: changed.map((plant) => plant.id) }, transaction },
  );
}

/** Undoes what a tap handed on, where nobody handed it on again since. */
export async function takeHandingBack(
  { db, actor: { clubId } }: Context,
  actionId: string,
  transaction: Transaction,
): Promise<void> {
  const rows = await db.plantHandings.findAll({ where: { clubId, actionId }, transaction, lock: true, raw: true });
  for (const { id: handingId, plantId, wasWithUs, wasHolderId } of rows) {
    const later = await db.plantHandings.findOne({
      where: { clubId, plantId },
      order: [['id', 'DESC']],
      transaction,
      lock: true,
      raw: true,
    });
    if (later?.id !== handingId) continue;
    await db.plants.update(
      { withUs: wasWithUs, holderId: wasHolderId },
      { where: { clubId, id: plantId }, transaction },
    );
    await db.plantHandings.destroy({ where: { clubId, id: handingId }, transaction });
  }
}
