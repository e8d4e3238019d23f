import type { Transaction } from 'sequelize';
import { lostTag, type Recorded } from '@/core/aftercare/places/lost-tag';
import { orderOf } from '@/core/aftercare/places/place';
import { type TagDoubt, tagFindInput, type TagFindInput } from '@/core/aftercare/places/tag-find-input';
import { id, isAhead } from '@/core/inputs/fields';
import type { PlaceRow, TagFindRow } from '@/db/models/place-rows';
import { UNSET } from '@/db/unset';
import { isDuplicate, transact } from '@/db/transact';
import { audit } from '@/server/platform/audit';
import { allow, type Context } from '@/server/platform/context';
import { parse } from '@/server/platform/parse';
import { refreshUnionFacts } from '@/server/platform/union-facts';
import { notFound, UseCaseError } from '@/server/platform/use-case-error';
import { spotOf } from './places';

/** What came of a look for a lost tag. */
export interface FoundTag {
  verdict: TagFindRow['verdict'];
  /** Plants it may be, by id. */
  possible: string[];
  /** All that it may be are of one lot, so its variety is sure. */
  sameLot: boolean;
  /** Whose tag it was given. */
  plantId: string | null;
}

interface Standing extends Recorded {
  plantId: string;
}

/** Which plant it is, with nothing kept: to be looked at before somebody decides. */
export async function lookForTag(context: Context, placeId: string, input: unknown): Promise<FoundTag> {
  allow(context, 'assistant');
  const { place, values } = await asked(context, placeId, input);
  const plants = await recordedAt(context, place, values);
  return { ...verdictOf(values, plants), plantId: null };
}

/**
 * Keeps what was found out about a plant without its tag. Where it must be one, that one gets its tag anew; where it may be
 * one of some and somebody says which tag it is given, all of these are unsure from then on: which of their lot they are,
 * or even of which lot, and then findings by lot leave them out.
 */
export async function keepTagFind(
  context: Context,
  placeId: string,
  findId: string,
  input: unknown,
): Promise<FoundTag> {
  allow(context, 'assistant');
  parse(id('what was found'), findId);
  const { place, values } = await asked(context, placeId, input);
  const { db, actor, now } = context;
  try {
    return await transact(db, async (transaction) => {
      const known = await db.tagFinds.findOne({ where: { id: findId }, transaction, raw: true });
      if (known && known.clubId !== actor.clubId) throw notFound('What was found');
      if (known) return { ...known, sameLot: await areOfOneLot(context, known.possible, transaction) };
      const plants = await recordedAt(context, place, values, transaction);
      const found = verdictOf(values, plants);
      const plantId = found.verdict === 'must' ? found.possible[0]! : values.plantId;
      if (plantId !== null && !found.possible.includes(plantId))
        throw new UseCaseError('conflict', 'It cannot be that plant any more: look again which it may be.', {
          plantId: 'Not among those it may be.',
        });
      await db.tagFinds.create(
        {
          id: findId,
          clubId: actor.clubId,
          placeId,
          foundOn: values.foundOn,
          verdict: found.verdict,
          seen: { after: values.after, before: values.before, lotId: values.lotId, untagged: values.untagged },
          possible: found.possible,
          plantId,
          note: values.note,
          foundBy: actor.userId,
          recordedAt: now,
          settledAt: found.verdict === 'must' ? now : null,
        },
        { transaction },
      );
      if (found.verdict === 'may' && plantId !== null)
        await setDoubt(context, found.possible, found.sameLot ? 'plant' : 'lot', transaction);
      await audit(db, transaction, {
        clubId: actor.clubId,
        actorId: actor.userId,
        action: `tag lost and looked for: ${found.verdict}`,
        subjectId: plantId ?? placeId,
        at: now,
      });
      return { ...found, plantId };
    });
  } catch (error) {
    if (!isDuplicate(error)) throw error;
    const twin = await db.tagFinds.findOne({ where: { clubId: actor.clubId, id: findId }, raw: true });
    if (!twin) throw error;
    return { ...twin, sameLot: await areOfOneLot(context, twin.possible) };
  }
}

/** Says that a plant is sure again: it counts in findings by lot from then on. */
export async function settleDoubt(context: Context, plantId: string): Promise<void> {
  allow(context, 'lead');
  const { db, actor, now } = context;
  await transact(db, async (transaction) => {
    const plant = await db.plants.findOne({ where: { clubId: actor.clubId, id: plantId }, transaction, raw: true });
    if (!plant) throw notFound('The plant');
    if (plant.doubt === '') return;
    await setDoubt(context, [plantId], '', transaction);
    await audit(db, transaction, {
      clubId: actor.clubId,
      actorId: actor.userId,
      action: 'plant is sure again',
      subjectId: plantId,
      at: now,
    });
  });
}

async function asked(
  { db, actor, now }: Context,
  placeId: string,
  input: unknown,
): Promise<{ place: PlaceRow; values: TagFindInput }> {
  const values = parse(tagFindInput, input, now);
  if (isAhead(values.foundOn, now))
    throw new UseCaseError('invalid', 'That day is still to come. Enter the day it was found.', {
      foundOn: 'Still to come.',
    });
  const place = await db.places.findOne({ where: { clubId: actor.clubId, id: placeId }, raw: true });
  if (!place) throw notFound('The place');
  if (values.after !== null && values.after === values.before)
    throw new UseCaseError('invalid', 'The plants before and after it are one and the same. Choose two.', {
      before: 'Choose another.',
    });
  await requireOwnPlants({ db, actor }, values);
  return { place, values };
}

/** Every plant that is named is one of the club's, also where it only stands beside. */
async function requireOwnPlants(
  { db, actor: { clubId } }: Pick<Context, 'db' | 'actor'>,
  { after, before, tagsSeen, plantId }: TagFindInput,
): Promise<void> {
  const named = [...new Set([after, before, plantId, ...tagsSeen].filter((each) => each !== null))];
  if (named.length === 0) return;
  if ((await db.plants.count({ where: { clubId, id: named } })) < named.length) throw notFound('One of the plants');
}

function verdictOf(values: TagFindInput, plants: readonly Standing[]): Omit<FoundTag, 'plantId'> {
  const orderOfPlant = (plantId: string | null): number | null =>
    plants.find((plant) => plant.plantId === plantId)?.order ?? null;
  const [after, before] = [orderOfPlant(values.after), orderOfPlant(values.before)];
  if (after !== null && before !== null && after > before)
    throw new UseCaseError('invalid', 'The plant before it stands behind the one after it. Exchange the two.', {
      after: 'Behind the other.',
    });
  const found = lostTag({ after, before, lot: values.lotId, untagged: values.untagged }, plants);
  const idOf = (code: string): string => plants.find((plant) => plant.code === code)!.plantId;
  if (found.kind === 'must') return { verdict: 'must', possible: [idOf(found.code)], sameLot: true };
  if (found.kind === 'unknown') return { verdict: 'unknown', possible: [], sameLot: false };
  return { verdict: 'may', possible: found.codes.map(idOf), sameLot: found.lot !== null };
}

/** Plants that are on record at a place; the neighbours' tags and those that were read there are on. */
async function recordedAt(
  { db, actor }: Context,
  place: PlaceRow,
  { after, before, tagsSeen }: TagFindInput,
  transaction?: Transaction,
): Promise<Standing[]> {
  const rows = await db.plantPlaces.findAll({
    where: { clubId: actor.clubId, placeId: place.id },
    ...(transaction ? { transaction } : {}),
    raw: true,
  });
  const plants = await db.plants.findAll({
    where: { clubId: actor.clubId, id: rows.map(({ plantId }) => plantId), voidedAt: UNSET },
    ...(transaction ? { transaction } : {}),
    raw: true,
  });
  const seen = new Set([after, before, ...tagsSeen]);
  const recorded = plants.map((plant) => ({
    plantId: plant.id,
    code: plant.code,
    lot: plant.woodLotId,
    order: orderOf(spotOf(rows.find(({ plantId }) => plantId === plant.id)!), place.rows),
    tagSeen: seen.has(plant.id),
  }));
  // Said in planting order.
  return recorded.sort((a, b) => (a.order ?? Infinity) - (b.order ?? Infinity));
}

async function areOfOneLot({ db }: Context, ids: readonly string[], transaction?: Transaction): Promise<boolean> {
  const plants = await db.plants.findAll({
    where: { id: [...ids] },
    attributes: ['woodLotId'],
    ...(transaction ? { transaction } : {}),
    raw: true,
  });
  return new Set(plants.map(({ woodLotId }) => woodLotId)).size === 1;
}

/** A doubt that reaches further stays: whoever is unsure of the lot is not made surer by another look. */
async function setDoubt(
  { db, actor }: Context,
  plantIds: readonly string[],
  doubt: TagDoubt,
  transaction: Transaction,
): Promise<void> {
  const where = { clubId: actor.clubId, id: [...plantIds] };
  await db.plants.update({ doubt }, { where: doubt === 'plant' ? { ...where, doubt: '' } : where, transaction });
  const unions = await db.unions.findAll({
    where: { clubId: actor.clubId, plantId: [...plantIds] },
    attributes: ['id'],
    transaction,
    raw: true,
  });
  await refreshUnionFacts(
    db,
    actor.clubId,
    unions.map(({ id: unionId }) => unionId),
    transaction,
  );
}
