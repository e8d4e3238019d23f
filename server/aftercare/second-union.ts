import { object, string } from 'yup';
import { madeWith } from '@/core/methods/made-with';
import { AGAIN } from '@/core/methods/position';
import { methodById, METHODS } from '@/core/methods/registry';
import type { VariantId } from '@/core/methods/use';
import { id, isAhead, isoDate, SEEN_YEARS } from '@/core/inputs/fields';
import type { WorkshopRow } from '@/db/models/plan-rows';
import type { PlantRow } from '@/db/models/union-rows';
import { isDuplicate, transact } from '@/db/transact';
import { audit } from '@/server/platform/audit';
import { allow, type Context } from '@/server/platform/context';
import { parse } from '@/server/platform/parse';
import { refreshUnionFacts } from '@/server/platform/union-facts';
import { notFound, UseCaseError } from '@/server/platform/use-case-error';
import { getSite } from '@/server/club/sites';
import { variantOnDay } from '@/server/plan/variant-on-day';
import { listSiteYears } from '@/server/plan/site-years';
import { getWorkshop } from '@/server/plan/workshops';
import { unionOn } from './make-keepers';

const secondInput = object({
  method: string()
    .oneOf(
      METHODS.map((method) => method.id),
      'Choose a method from the list.',
    )
    .required('Choose a method from the list.'),
  madeOn: isoDate('the day it was made', SEEN_YEARS),
});

/**
 * Puts a new union on a stock whose graft died: the old plant keeps its tag and is joined to it, and its plan is that of
 * the new union's own day and season. The same id again changes nothing.
 *
 * @throws UseCaseError where no union on the plant is dead, or one was set after it already
 */
export async function putSecondUnion(
  context: Context,
  plantId: string,
  unionId: string,
  input: unknown,
): Promise<void> {
  allow(context, 'assistant');
  parse(id('the union'), unionId);
  const values = parse(secondInput, input, context.now);
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  if (isAhead(values.madeOn, now))
    throw new UseCaseError('invalid', 'That day is still to come. Enter the day it was made.', {
      madeOn: 'Still to come.',
    });
  const plant = await db.plants.findOne({ where: { clubId, id: plantId, voidedAt: null }, raw: true });
  if (!plant) throw notFound('The plant');
  const workshop = await getWorkshop(context, plant.workshopId);
  const method = methodById(values.method);
  const variant = await variantThen(context, plant, workshop, values);
  try {
    await transact(db, async (transaction) => {
      // Held, so that two who set one at once do so one after the other.
      await db.plants.findOne({
        where: { clubId, id: plantId },
        transaction,
        lock: transaction.LOCK.UPDATE,
        raw: true,
      });
      const there = await db.unions.findAll({ where: { clubId, plantId }, transaction, raw: true });
      if (there.some((union) => union.id === unionId)) return;
      const position = AGAIN.find((place) => !there.some((union) => union.position === place));
      if (!position)
        throw new UseCaseError(
          'conflict',
          'Four unions died on this stock. Give it up, or set it aside and graft another.',
        );
      const facts = await db.unionFacts.findAll({
        where: { clubId, unionId: there.map((union) => union.id) },
        transaction,
        raw: true,
      });
      const dead = facts.filter(({ firstDeadOn, contradicted }) => firstDeadOn !== null && !contradicted);
      if (dead.length === 0 || dead.length < there.length)
        throw new UseCaseError(
          'conflict',
          'A union on this plant is not known to be dead. Enter on the Follow-up page what was seen of it first.',
        );
      if (there.some(({ madeOn }) => values.madeOn < madeOn))
        throw new UseCaseError('invalid', 'It was made before the graft that died? Check the day.', {
          madeOn: 'Before the first graft.',
        });
      const making = {
        method: method.id,
        variant,
        ...madeWith(method, workshop.schools, variant),
        madeOn: values.madeOn,
      };
      await db.unions.create({ ...unionOn(plant, making, there[0]!.makerId), id: unionId, position }, { transaction });
      await refreshUnionFacts(db, clubId, [unionId], transaction);
      await audit(db, transaction, {
        clubId,
        actorId: userId,
        action: 'union set after the first died',
        subjectId: unionId,
        at: now,
      });
    });
  } catch (error) {
    if (isDuplicate(error)) throw alreadySet();
    throw error;
  }
}

function alreadySet(): UseCaseError {
  return new UseCaseError('conflict', 'Another union was set on this plant already. Load the page again to see it.');
}

/** The variant of a method on a day at the site of the plant: a chip of August sleeps, one of June is forced. */
async function variantThen(
  context: Context,
  plant: PlantRow,
  workshop: WorkshopRow,
  { method, madeOn }: { method: string; madeOn: string },
): Promise<VariantId> {
  const { db, actor } = context;
  const [wood, stock, [site]] = await Promise.all([
    db.woodLots.findOne({ where: { clubId: actor.clubId, id: plant.woodLotId }, raw: true }),
    db.stockLots.findOne({ where: { clubId: actor.clubId, id: plant.stockLotId }, raw: true }),
    listSiteYears(context, [await getSite(context, workshop.siteId)]),
  ]);
  return variantOnDay(site!.year, method, { scion: wood!.species, stock: stock!.species }, madeOn);
}
