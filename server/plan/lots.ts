import { counted } from '@/core/units/counted';
import { object } from 'yup';
import type { StockLotRow, WoodLotRow } from '@/db/models/wood-rows';
import { isDuplicate, transact } from '@/db/transact';
import { RIBBONS } from '@/core/plan/wood/ribbons';
import { allow, type Context } from '@/server/platform/context';
import { audit } from '@/server/platform/audit';
import { count, id } from '@/core/inputs/fields';
import { parse } from '@/server/platform/parse';
import { notFound, UseCaseError } from '@/server/platform/use-case-error';
import { release } from './wood-bookings';
import { lotInput } from '@/core/plan/wood/lot-input';
import { checkSource, lotValues } from './wood-ledger';
import { getWorkshop } from './workshops';
import { stockInput } from '@/core/plan/wood/stock-input';

export interface ChosenWoodLot extends WoodLotRow {
  ribbon: string;
}

export interface WorkshopLots {
  wood: ChosenWoodLot[];
  stocks: StockLotRow[];
  /** Lots of the club not chosen for the workshop. */
  otherWood: WoodLotRow[];
  otherStocks: StockLotRow[];
}

export async function workshopLots(context: Context, workshopId: string): Promise<WorkshopLots> {
  await getWorkshop(context, workshopId);
  const {
    db,
    actor: { clubId },
  } = context;
  const [wood, stocks, chosenWood, chosenStocks] = await Promise.all([
    db.woodLots.findAll({ where: { clubId }, order: [['variety', 'ASC']], raw: true }),
    db.stockLots.findAll({ where: { clubId }, order: [['stockType', 'ASC']], raw: true }),
    db.workshopWoodLots.findAll({ where: { clubId }, raw: true }),
    db.workshopStockLots.findAll({ where: { clubId }, raw: true }),
  ]);
  const here = <Row extends { workshopId: string }>(rows: Row[]): Row[] =>
    rows.filter((row) => row.workshopId === workshopId);
  const ribbonOf = new Map(here(chosenWood).map(({ woodLotId, ribbon }) => [woodLotId, ribbon]));
  const stockIds = new Set(here(chosenStocks).map(({ stockLotId }) => stockLotId));
  return {
    wood: wood.filter((lot) => ribbonOf.has(lot.id)).map((lot) => ({ ...lot, ribbon: ribbonOf.get(lot.id)! })),
    stocks: stocks.filter((lot) => stockIds.has(lot.id)),
    otherWood: wood.filter((lot) => !ribbonOf.has(lot.id)),
    otherStocks: stocks.filter((lot) => !stockIds.has(lot.id)),
  };
}

/** Adds a lot of scion wood to the club and, unless it is there already, chooses it for the workshop. */
export async function addWoodLot(context: Context, workshopId: string, lotId: string, input: unknown): Promise<void> {
  allow(context, 'assistant');
  await getWorkshop(context, workshopId);
  parse(id('the lot'), lotId);
  const values = lotValues(parse(lotInput, input, context.now));
  await checkSource(context, values.sourceId);
  const row: WoodLotRow = { ...values, id: lotId, clubId: context.actor.clubId, booked: 0, version: 0 };
  await once(context, 'wood lot added', lotId, async (transaction) => {
    await context.db.woodLots.create(row, { transaction });
  });
  await chooseWoodLot(context, workshopId, lotId);
}

export async function addStockLot(context: Context, workshopId: string, lotId: string, input: unknown): Promise<void> {
  allow(context, 'assistant');
  await getWorkshop(context, workshopId);
  parse(id('the lot'), lotId);
  const row = { ...parse(stockInput, input), id: lotId, clubId: context.actor.clubId };
  await once(context, 'stock lot added', lotId, async (transaction) => {
    await context.db.stockLots.create(row, { transaction });
  });
  await chooseStockLot(context, workshopId, lotId);
}

/** Ties a wood lot to the workshop with the first ribbon that is still free there. */
export async function chooseWoodLot(context: Context, workshopId: string, lotId: string): Promise<void> {
  allow(context, 'assistant');
  await getWorkshop(context, workshopId);
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  if (!(await db.woodLots.findOne({ where: { clubId, id: lotId }, raw: true }))) throw notFound('The wood lot');
  for (let attempt = 0; attempt < RIBBONS.length; attempt++) {
    const taken = await db.workshopWoodLots.findAll({ where: { clubId, workshopId }, raw: true });
    if (taken.some(({ woodLotId }) => woodLotId === lotId)) return;
    const free = RIBBONS.find(({ id: ribbon }) => !taken.some((chosen) => chosen.ribbon === ribbon));
    if (!free)
      throw new UseCaseError('conflict', `A workshop has ribbons for ${RIBBONS.length} wood lots. Take one off first.`);
    try {
      await transact(db, async (transaction) => {
        await db.workshopWoodLots.create({ clubId, workshopId, woodLotId: lotId, ribbon: free.id }, { transaction });
        await audit(db, transaction, { clubId, actorId: userId, action: 'wood lot chosen', subjectId: lotId, at: now });
      });
      return;
    } catch (error) {
      // Somebody took this ribbon meanwhile: the next round takes another.
      if (!isDuplicate(error)) throw error;
    }
  }
}

export async function chooseStockLot(context: Context, workshopId: string, lotId: string): Promise<void> {
  allow(context, 'assistant');
  await getWorkshop(context, workshopId);
  const {
    db,
    actor: { clubId },
  } = context;
  if (!(await db.stockLots.findOne({ where: { clubId, id: lotId }, raw: true }))) throw notFound('The stock lot');
  await once(context, 'stock lot chosen', lotId, async (transaction) => {
    await db.workshopStockLots.create({ clubId, workshopId, stockLotId: lotId }, { transaction });
  });
}

/** Sets how many stocks of a lot there are. */
export async function putStockCount(context: Context, lotId: string, input: unknown): Promise<void> {
  allow(context, 'assistant');
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  const { stocks } = parse(object({ stocks: count('the number of stocks', 0, 100_000) }), input);
  if (!(await db.stockLots.findOne({ where: { clubId, id: lotId }, raw: true }))) throw notFound('The stock lot');
  await transact(db, async (transaction) => {
    await db.stockLots.update({ stocks }, { where: { clubId, id: lotId }, transaction });
    await audit(db, transaction, { clubId, actorId: userId, action: 'stocks counted', subjectId: lotId, at: now });
  });
}

/** Takes a lot off the workshop, its sticks with it; refused while keepers are made of it. */
export async function dropLot(
  context: Context,
  workshopId: string,
  kind: 'wood' | 'stock',
  lotId: string,
): Promise<void> {
  allow(context, 'assistant');
  await getWorkshop(context, workshopId);
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  const used = await db.plants.count({
    where: { clubId, workshopId, ...(kind === 'wood' ? { woodLotId: lotId } : { stockLotId: lotId }) },
  });
  if (used > 0)
    throw new UseCaseError(
      'conflict',
      `${counted(used, 'keeper')} of this workshop ${used === 1 ? 'is' : 'are'} made of this lot. Change those first, on the Aftercare page.`,
    );
  await transact(db, async (transaction) => {
    if (kind === 'wood') {
      await release(context, transaction, { lotId, workshopId });
      await db.workshopWoodLots.destroy({ where: { clubId, workshopId, woodLotId: lotId }, transaction });
    } else await db.workshopStockLots.destroy({ where: { clubId, workshopId, stockLotId: lotId }, transaction });
    await audit(db, transaction, {
      clubId,
      actorId: userId,
      action: `${kind} lot taken off`,
      subjectId: lotId,
      at: now,
    });
  });
}

async function once(
  context: Context,
  action: string,
  subjectId: string,
  create: Parameters<typeof transact<void>>[1],
): Promise<void> {
  const { db, actor, now } = context;
  try {
    await transact(db, async (transaction) => {
      await create(transaction);
      await audit(db, transaction, { clubId: actor.clubId, actorId: actor.userId, action, subjectId, at: now });
    });
  } catch (error) {
    // A second click of the same form carries the same id.
    if (!isDuplicate(error)) throw error;
  }
}
