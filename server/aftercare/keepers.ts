import { randomBytes } from 'node:crypto';
import { v7 as uuid } from 'uuid';
import type { Transaction } from 'sequelize';
import { codeFromBytes } from '@/core/codes/plant-code';
import type { PlantRow } from '@/db/models/union-rows';
import type { StockLotRow } from '@/db/models/wood-rows';
import { isDuplicate, transact } from '@/db/transact';
import { allow, type Context } from '@/server/platform/context';
import { audit } from '@/server/platform/audit';
import { type ChosenWoodLot, workshopLots } from '@/server/plan/lots';
import { keeperDoors } from '@/server/score/keeper-permits';
import { parse } from '@/server/platform/parse';
import { listSeats, type SeatedPerson } from '@/server/plan/seats';
import { refreshUnionFacts } from '@/server/platform/union-facts';
import { notFound, UseCaseError } from '@/server/platform/use-case-error';
import { getWorkshop } from '@/server/plan/workshops';
import { makeInput, changeInput } from '@/core/aftercare/keeper-input';

/** A keeper: a plant with its tag, what it is made of and who made it. */
export interface Keeper extends PlantRow {
  unionId: string;
  wood: ChosenWoodLot;
  stock: StockLotRow;
  seat: SeatedPerson;
}

export async function listKeepers(context: Context, workshopId: string): Promise<Keeper[]> {
  const seats = await listSeats(context, workshopId);
  const {
    db,
    actor: { clubId },
  } = context;
  const [plants, unions, lots] = await Promise.all([
    db.plants.findAll({ where: { clubId, workshopId }, order: [['place', 'ASC']], raw: true }),
    db.unions.findAll({ where: { clubId, workshopId, kind: 'keeper' }, raw: true }),
    workshopLots(context, workshopId),
  ]);
  return plants.map((plant) => ({
    ...plant,
    unionId: unions.find(({ plantId }) => plantId === plant.id)!.id,
    wood: lots.wood.find(({ id: lotId }) => lotId === plant.woodLotId)!,
    stock: lots.stocks.find(({ id: lotId }) => lotId === plant.stockLotId)!,
    seat: seats.find(({ id: seatId }) => seatId === plant.seatId)!,
  }));
}

/**
 * Makes for each person present who is ready, or was let through, as many keepers as are promised and not there yet, each with a code.
 * Places are unique within the workshop, so two clicks at once cannot make a double set.
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
  const values = parse(makeInput, input);
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
  const doors = await keeperDoors(context, workshopId);
  const open = (seatId: string): boolean => doors.get(seatId)?.open ?? false;
  for (let attempt = 1; ; attempt++) {
    try {
      return await transact(context.db, (transaction) =>
        make(context, transaction, workshopId, workshop.promisedKeepers, values, open),
      );
    } catch (error) {
      // A code was drawn twice, or somebody made keepers in this moment: count again and go on.
      if (!isDuplicate(error) || attempt === 5) throw error;
    }
  }
}

async function make(
  context: Context,
  transaction: Transaction,
  workshopId: string,
  promised: number,
  lots: { woodLotId: string; stockLotId: string },
  open: (seatId: string) => boolean,
): Promise<{ made: number; notYet: number[] }> {
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  const seats = await db.seats.findAll({
    where: { clubId, workshopId, absent: false },
    order: [['number', 'ASC']],
    transaction,
    raw: true,
  });
  const plants = await db.plants.findAll({ where: { clubId, workshopId }, transaction, raw: true });
  let place = Math.max(0, ...plants.map((plant) => plant.place));
  const fresh: PlantRow[] = [];
  const notYet: number[] = [];
  for (const seat of seats) {
    const held = plants.filter((plant) => plant.seatId === seat.id && !plant.voidedAt).length;
    if (held < promised && !open(seat.id)) {
      notYet.push(seat.number);
      continue;
    }
    for (let i = held; i < promised; i++) {
      fresh.push({
        id: uuid(),
        clubId,
        workshopId,
        code: drawCode(),
        seatId: seat.id,
        place: ++place,
        ...lots,
        voidedAt: null,
      });
    }
  }
  await db.plants.bulkCreate(fresh, { transaction });
  const unions = fresh.map((plant) => ({
    id: uuid(),
    clubId,
    workshopId,
    seatId: plant.seatId,
    kind: 'keeper' as const,
    number: plant.place,
    plantId: plant.id,
    chosenJudgementId: null,
    doubleSettledAt: null,
    secondWanted: false,
    secondSettledAt: null,
  }));
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

function drawCode(): string {
  for (;;) {
    const code = codeFromBytes(randomBytes(16));
    if (code) return code;
  }
}

/** Changes wood, stock or grafter of some keepers at once, or voids their codes; all or none. */
export async function changeKeepers(context: Context, workshopId: string, input: unknown): Promise<void> {
  allow(context, 'assistant');
  await getWorkshop(context, workshopId);
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  const { plantIds, voided, woodLotId, stockLotId, seatId } = parse(changeInput, input);
  const lots = await workshopLots(context, workshopId);
  if (woodLotId && !lots.wood.some((lot) => lot.id === woodLotId)) throw notFound('The wood lot');
  if (stockLotId && !lots.stocks.some((lot) => lot.id === stockLotId)) throw notFound('The stock lot');
  if (seatId && !(await db.seats.findOne({ where: { clubId, workshopId, id: seatId }, raw: true })))
    throw notFound('The seat');
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
    if (voided) {
      const reported = await db.reports.count({ where: { clubId, unionId: unionIds }, transaction });
      if (reported > 0)
        throw new UseCaseError(
          'conflict',
          'Somebody has reported on one of these keepers, so its code is in use. Leave it out and void the others.',
        );
    }
    const change = {
      ...(woodLotId ? { woodLotId } : {}),
      ...(stockLotId ? { stockLotId } : {}),
      ...(seatId ? { seatId } : {}),
      ...(voided === undefined ? {} : { voidedAt: voided ? now : null }),
    };
    if (Object.keys(change).length === 0)
      throw new UseCaseError('invalid', 'Choose what to change: wood, stock, grafter, or void.');
    await db.plants.update(change, { where: { clubId, workshopId, id: plantIds }, transaction });
    if (seatId) await db.unions.update({ seatId }, { where: { clubId, id: unionIds }, transaction });
    await refreshUnionFacts(db, clubId, unionIds, transaction);
    for (const plantId of plantIds)
      await audit(db, transaction, {
        clubId,
        actorId: userId,
        action: voided ? 'keeper voided' : 'keeper changed',
        subjectId: plantId,
        at: now,
      });
  });
}

/** What the tag's code alone tells anybody: the plant, and no person. */
export interface PublicPlant {
  code: string;
  variety: string;
  species: string;
  stockType: string;
  date: string;
  method: string;
  voided: boolean;
  clubName: string;
  /** For signed-in members of its club. */
  workshopId: string;
  clubId: string;
}

export async function plantByCode({ db }: Pick<Context, 'db'>, code: string): Promise<PublicPlant | null> {
  const plant = await db.plants.findOne({ where: { code }, raw: true });
  if (!plant) return null;
  const [wood, stock, workshop, club] = await Promise.all([
    db.woodLots.findOne({ where: { id: plant.woodLotId }, raw: true }),
    db.stockLots.findOne({ where: { id: plant.stockLotId }, raw: true }),
    db.workshops.findOne({ where: { id: plant.workshopId }, raw: true }),
    db.clubs.findOne({ where: { id: plant.clubId }, raw: true }),
  ]);
  return {
    code,
    variety: wood!.variety,
    species: wood!.species,
    stockType: stock!.stockType,
    date: workshop!.date,
    method: workshop!.method,
    voided: plant.voidedAt !== null,
    clubName: club!.name,
    workshopId: plant.workshopId,
    clubId: plant.clubId,
  };
}
