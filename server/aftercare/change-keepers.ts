import { Op, type Transaction } from 'sequelize';
import { type BindingId, boundWith } from '@/core/aftercare/plan/actual-binding';
import { madeWith } from '@/core/methods/made-with';
import { positionsOf } from '@/core/methods/position';
import { methodById, METHODS } from '@/core/methods/registry';
import type { UnionRow } from '@/db/models/union-rows';
import type { WorkshopRow } from '@/db/models/plan-rows';
import { transact } from '@/db/transact';
import { allow, type Context } from '@/server/platform/context';
import { audit } from '@/server/platform/audit';
import { workshopLots } from '@/server/plan/lots';
import { parse } from '@/server/platform/parse';
import type { VariantId } from '@/core/methods/use';
import type { PlanFacts } from '@/core/plan/dates/dated-plan';
import { formatDate } from '@/core/units/iso-date';
import { fittingOn, refuseUnfit, variantOptions } from '@/server/plan/plan-variant';
import { planningOf } from '@/server/plan/planning';
import { variantsOn } from '@/server/plan/taught';
import { refreshUnionFacts } from '@/server/platform/union-facts';
import { notFound, UseCaseError } from '@/server/platform/use-case-error';
import { getWorkshop } from '@/server/plan/workshops';
import { changeInput, type KeeperChange } from '@/core/aftercare/keeper-input';

/**
 * Changes some keepers at once: wood, stock, grafter, method, the day they were made, whose help they were made with; or voids
 * their codes. All or none.
 */
export async function changeKeepers(context: Context, workshopId: string, input: unknown): Promise<void> {
  allow(context, 'assistant');
  const workshop = await getWorkshop(context, workshopId);
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  const change = parse(changeInput(METHODS.map(({ id }) => id)), input, now);
  const { plantIds, voided, woodLotId, stockLotId, seatId, binding } = change;
  const lots = await workshopLots(context, workshopId);
  if (woodLotId && !lots.wood.some((lot) => lot.id === woodLotId)) throw notFound('The wood lot');
  if (stockLotId && !lots.stocks.some((lot) => lot.id === stockLotId)) throw notFound('The stock lot');
  const ofUnions = await unionChange(context, workshop, change);
  const facts = change.variant || change.madeOn ? (await planningOf(context, workshop)).facts : null;
  const ofPlants = {
    ...(woodLotId ? { woodLotId } : {}),
    ...(stockLotId ? { stockLotId } : {}),
    ...(seatId ? { seatId } : {}),
    ...(voided === undefined ? {} : { voidedAt: voided ? now : null }),
  };
  if (
    Object.keys(ofPlants).length === 0 &&
    Object.keys(ofUnions).length === 0 &&
    binding === undefined &&
    change.variant === undefined
  )
    throw new UseCaseError(
      'invalid',
      'Choose what to change: wood, stock, grafter, method, day, how it lives on, help, what it was bound with, or void.',
    );
  await transact(db, async (transaction) => {
    // Each is written below, so that on a cluster, too, the slower of two changes begins again.
    const plants = await db.plants.findAll({
      where: { clubId, workshopId, id: plantIds },
      transaction,
      lock: transaction.LOCK.UPDATE,
      raw: true,
    });
    if (plants.length !== new Set(plantIds).size) throw notFound('One of the keepers');
    const unions = await db.unions.findAll({ where: { clubId, plantId: plantIds }, transaction, raw: true });
    const unionIds = unions.map((union) => union.id);
    if (voided) await refuseReported(context, unionIds, transaction);
    if (ofUnions.method) await refuseMethod(context, unions, ofUnions.method, transaction);
    if (facts) Object.assign(ofUnions, variantAfter(facts, unions, change));
    if (Object.keys(ofPlants).length > 0)
      await db.plants.update(ofPlants, { where: { clubId, workshopId, id: plantIds }, transaction });
    if (Object.keys(ofUnions).length > 0)
      await db.unions.update(ofUnions, { where: { clubId, id: unionIds }, transaction });
    if (change.variant)
      await remake(context, unions, { ...ofUnions, variant: change.variant as VariantId }, transaction);
    if (binding) await bindWith(context, unionIds, binding as BindingId, transaction);
    await refreshUnionFacts(db, clubId, unionIds, transaction);
    for (const plantId of plantIds)
      await audit(db, transaction, {
        clubId,
        actorId: userId,
        action: voided ? 'keeper voided' : change.variant ? `lives on: ${change.variant}` : 'keeper changed',
        subjectId: plantId,
        at: now,
      });
  });
}

/** Writes down what a way of living on decides of wood and place; each union keeps its schools, or has those of its new method. */
async function remake(
  { db, actor: { clubId } }: Context,
  unions: readonly UnionRow[],
  change: Partial<UnionRow> & Pick<UnionRow, 'variant'>,
  transaction: Transaction,
): Promise<void> {
  for (const { id, method, schools } of unions) {
    const made = madeWith(methodById(change.method ?? method), change.schools ?? schools, change.variant);
    await db.unions.update({ schools: made.schools }, { where: { clubId, id }, transaction });
  }
}

/** Notes what unions were really bound with; each keeps its other materials. */
async function bindWith(
  { db, actor: { clubId } }: Context,
  unionIds: string[],
  binding: BindingId,
  transaction: Transaction,
): Promise<void> {
  // After another method or school, with the materials that one asks for.
  const unions = await db.unions.findAll({ where: { clubId, id: unionIds }, transaction, raw: true });
  for (const { id, materials } of unions)
    await db.unions.update({ materials: boundWith(materials, binding) }, { where: { clubId, id }, transaction });
}

/** What of a change is the unions', looked up in the club. */
async function unionChange(
  context: Context,
  workshop: WorkshopRow,
  { seatId, method: methodId, madeOn, helper }: KeeperChange,
): Promise<Partial<UnionRow>> {
  const {
    db,
    actor: { clubId },
  } = context;
  const change: Partial<UnionRow> = {};
  const seatOf = async (id: string) => {
    const seat = await db.seats.findOne({ where: { clubId, workshopId: workshop.id, id }, raw: true });
    if (!seat) throw notFound('The seat');
    return seat;
  };
  if (seatId) Object.assign(change, { seatId, makerId: (await seatOf(seatId)).personId });
  if (madeOn) {
    if (madeOn < workshop.date)
      throw new UseCaseError('invalid', 'A keeper of this workshop cannot be older than its day. Check the day.', {
        madeOn: 'Before the workshop.',
      });
    change.madeOn = madeOn;
  }
  if (methodId) {
    const method = methodById(methodId);
    const variant = (await variantsOn(context, workshop))(method);
    Object.assign(change, { method: methodId, variant, ...madeWith(method, workshop.schools, variant) });
  }
  if (helper) {
    const [who, id] = helper.split(' ');
    const helperPersonId = who === 'seat' ? (await seatOf(id!)).personId : null;
    if (who === 'member' && !(await db.memberships.findOne({ where: { clubId, userId: id! }, raw: true })))
      throw notFound('The member');
    Object.assign(change, { helperPersonId, helperUserId: who === 'member' ? id : null });
  }
  return change;
}

/** How unions live on after a change of it or of their day; what the day does not allow is asked, never changed in silence. */
function variantAfter(facts: PlanFacts, unions: readonly UnionRow[], change: KeeperChange): Partial<UnionRow> {
  const { variant, madeOn, reason } = change;
  for (const union of unions) {
    const method = methodById(change.method ?? union.method);
    const row = facts.methods.find((planned) => planned.method === method.id) ?? facts.methods[0]!;
    const date = madeOn || union.madeOn;
    const fitting = fittingOn(
      facts.year,
      method.id,
      {
        place: method.use.places.includes(row.place) ? row.place : method.use.places[0]!,
        scion: row.scionSpecies,
        stock: row.stockSpecies,
      },
      date,
    );
    const options = variantOptions(method, fitting);
    if (variant && options.length > 0)
      refuseUnfit(options, { name: method.name, date }, variant as VariantId, reason ?? '');
    else if (variant && !method.variants.some(({ id }) => id === variant))
      throw new UseCaseError('invalid', `${method.name} is not done so. Choose keepers of one method.`, {
        variant: 'Choose keepers of one method.',
      });
    else if (!variant && !change.method && options.some(({ id, fits }) => id === union.variant && !fits))
      throw new UseCaseError(
        'invalid',
        `On ${formatDate(date)} it would be ${fitting.map(({ words }) => words).join(' or ')}. Choose how it lives on as well.`,
        { variant: 'Choose for the new day.' },
      );
  }
  return variant ? { variant: variant as VariantId, variantReason: reason ?? '' } : {};
}

async function refuseReported(
  { db, actor: { clubId } }: Context,
  unionIds: string[],
  transaction: Transaction,
): Promise<void> {
  const reported = await db.reports.count({ where: { clubId, unionId: unionIds }, transaction });
  if (reported > 0)
    throw new UseCaseError(
      'conflict',
      'Somebody has reported on one of these keepers, so its code is in use. Leave it out and void the others.',
    );
}

/** Another method is refused where a judgement stands by the old one, and where a plant could not carry them so. */
async function refuseMethod(
  { db, actor: { clubId } }: Context,
  unions: readonly UnionRow[],
  method: string,
  transaction: Transaction,
): Promise<void> {
  const changed = unions.filter((union) => union.method !== method);
  const unionId = changed.map(({ id }) => id);
  if (
    (await db.judgements.count({
      where: { clubId, unionId, method: { [Op.ne]: method }, withdrawnAt: { [Op.is]: null } } as never,
      transaction,
    })) > 0
  )
    throw new UseCaseError(
      'conflict',
      'One of these keepers was judged by its method already. Take the judgement back first, or leave it out.',
    );
  const { use, name } = methodById(method);
  if (changed.some(({ position }) => !positionsOf(use).includes(position)))
    throw new UseCaseError('invalid', `${name} does not sit on a plant like that beside another. Leave these out.`);
}
