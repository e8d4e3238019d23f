import { randomBytes } from 'node:crypto';
import { v7 as uuid } from 'uuid';
import type { Transaction } from 'sequelize';
import { codeFromBytes } from '@/core/codes/plant-code';
import { positionsMade } from '@/core/methods/position';
import { madeWith } from '@/core/methods/made-with';
import { methodById, METHODS } from '@/core/methods/registry';
import type { PlantRow, UnionRow } from '@/db/models/union-rows';
import { isDuplicate, transact } from '@/db/transact';
import { allow, type Context } from '@/server/platform/context';
import { audit } from '@/server/platform/audit';
import { workshopLots } from '@/server/plan/lots';
import { keeperDoors } from '@/server/score/keeper-permits';
import { parse } from '@/server/platform/parse';
import { quantities } from '@/server/plan/quantities';
import { variantsOn } from '@/server/plan/taught';
import { refreshUnionFacts } from '@/server/platform/union-facts';
import { UseCaseError } from '@/server/platform/use-case-error';
import { getWorkshop } from '@/server/plan/workshops';
import { makeInput } from '@/core/aftercare/keeper-input';

/** How many keepers of a method each person makes, by Quantities, so that what is promised lives. */
export interface KeeperTarget {
  method: string;
  promised: number;
  make: number;
}

/** What Quantities says is made of each method that the workshop promises keepers of. */
export async function keeperTargets(context: Context, workshopId: string): Promise<KeeperTarget[]> {
  const { plan, needs, people } = await quantities(context, workshopId);
  return plan.methods
    .filter(({ keepersEach }) => keepersEach > 0)
    .map(({ method, keepersEach }) => {
      const need = needs.find((need) => need.plan.method === method);
      // Where nothing can be reckoned, nobody being expected yet, the promise stands for itself.
      const make = need && people > 0 ? Math.ceil(need.keepers / people) : keepersEach;
      return { method, promised: keepersEach, make };
    });
}

/** The union a keeper is made with, apart from its plant. */
type Making = Pick<UnionRow, 'method' | 'variant' | 'schools' | 'materials' | 'madeOn'>;

/**
 * Makes for each person present who is ready, or was let through, as many keepers of a method and a lot as are asked for and
 * not there yet, each with a code. Places are unique within the workshop, so two clicks at once cannot make a double set.
 *
 * @returns how many were made, and numbers of the seats that may not make theirs yet.
 */
export async function makeKeepers(
  context: Context,
  workshopId: string,
  input: unknown,
): Promise<{ made: number; notYet: number[] }> {
  allow(context, 'assistant');
  const workshop = await getWorkshop(context, workshopId);
  const values = parse(makeInput(METHODS.map(({ id }) => id)), input);
  const lots = await workshopLots(context, workshopId);
  if (!lots.wood.some((lot) => lot.id === values.woodLotId))
    throw new UseCaseError(
      'not-found',
      'This wood lot is not chosen for the workshop. Choose it on the Plan page first.',
    );
  if (!lots.stocks.some((lot) => lot.id === values.stockLotId))
    throw new UseCaseError(
      'not-found',
      'This stock lot is not chosen for the workshop. Choose it on the Plan page first.',
    );
  const method = methodById(values.method ?? workshop.method);
  const each =
    values.each ??
    (await keeperTargets(context, workshopId)).find((target) => target.method === method.id)?.make ??
    workshop.promisedKeepers;
  const variant = (await variantsOn(context, workshop))(method);
  const making: Making = {
    method: method.id,
    variant,
    ...madeWith(method, workshop.schools, variant),
    madeOn: workshop.date,
  };
  const doors = await keeperDoors(context, workshopId, method.id);
  const open = (seatId: string): boolean => doors.get(seatId)?.open ?? false;
  const { woodLotId, stockLotId } = values;
  for (let attempt = 1; ; attempt++) {
    try {
      return await transact(context.db, (transaction) =>
        make(context, transaction, workshopId, {
          each,
          lots: { woodLotId, stockLotId },
          making,
          open,
          withUs: values.withUs,
        }),
      );
    } catch (error) {
      // A code was drawn twice, or somebody made keepers in this moment: count again and go on.
      if (!isDuplicate(error) || attempt === 5) throw error;
    }
  }
}

interface Order {
  each: number;
  lots: { woodLotId: string; stockLotId: string };
  making: Making;
  open: (seatId: string) => boolean;
  withUs: boolean;
}

async function make(
  context: Context,
  transaction: Transaction,
  workshopId: string,
  { each, lots, making, open, withUs }: Order,
): Promise<{ made: number; notYet: number[] }> {
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  const where = { clubId, workshopId };
  const seats = await db.seats.findAll({
    where: { ...where, absent: false },
    order: [['number', 'ASC']],
    transaction,
    raw: true,
  });
  const plants = await db.plants.findAll({ where, transaction, raw: true });
  const ofMethod = await db.unions.findAll({
    where: { ...where, kind: 'keeper', method: making.method },
    transaction,
    raw: true,
  });
  const counted = new Set(ofMethod.map(({ plantId }) => plantId));
  let place = Math.max(0, ...plants.map((plant) => plant.place));
  const fresh: PlantRow[] = [];
  const unions: Omit<UnionRow, 'changedAt'>[] = [];
  const notYet: number[] = [];
  for (const seat of seats) {
    const held = plants.filter(
      ({ id, seatId, woodLotId, voidedAt }) =>
        seatId === seat.id && woodLotId === lots.woodLotId && !voidedAt && counted.has(id),
    ).length;
    if (held < each && !open(seat.id)) {
      notYet.push(seat.number);
      continue;
    }
    for (let i = held; i < each; i++) {
      const plant = {
        id: uuid(),
        ...where,
        code: drawCode(),
        seatId: seat.id,
        place: ++place,
        ...lots,
        voidedAt: null,
        doubt: '' as const,
        withUs,
        holderId: null,
      };
      fresh.push(plant);
      for (const position of positionsMade(making.schools))
        unions.push({ ...unionOn(plant, making, seat.personId), position });
    }
  }
  await db.plants.bulkCreate(fresh, { transaction });
  await db.unions.bulkCreate(unions, { transaction });
  await refreshUnionFacts(
    db,
    clubId,
    unions.map((union) => union.id),
    transaction,
  );
  await audit(db, transaction, {
    clubId,
    actorId: userId,
    action: `keepers made: ${fresh.length}`,
    subjectId: workshopId,
    at: now,
  });
  return { made: fresh.length, notYet };
}

/** A union for a plant, as it is before anybody judged it. */
export function unionOn(
  { id, clubId, workshopId, seatId, place }: PlantRow,
  making: Making,
  makerId: string,
): Omit<UnionRow, 'changedAt' | 'position'> {
  return {
    id: uuid(),
    clubId,
    workshopId,
    seatId,
    kind: 'keeper',
    number: place,
    plantId: id,
    ...making,
    makerId,
    helperUserId: null,
    helperPersonId: null,
    chosenJudgementId: null,
    doubleSettledAt: null,
    secondWanted: false,
    secondSettledAt: null,
  };
}

function drawCode(): string {
  for (;;) {
    const code = codeFromBytes(randomBytes(16));
    if (code) return code;
  }
}
