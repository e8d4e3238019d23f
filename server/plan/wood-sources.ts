import { counted } from '@/core/units/counted';
import { literal, Op } from 'sequelize';
import type { WoodSourceBookingRow, WoodSourceRow, WoodSourceYearRow } from '@/db/models/wood-rows';
import { isDuplicate, transact } from '@/db/transact';
import { allow, type Context } from '@/server/platform/context';
import { audit } from '@/server/platform/audit';
import { id } from '@/core/inputs/fields';
import { parse } from '@/server/platform/parse';
import { notFound, UseCaseError } from '@/server/platform/use-case-error';
import { sourceInput, year, yearInput, promiseInput } from '@/core/plan/wood/source-input';

/** A named tree or a living keeper that next year's sticks come from, with what each year gives and to whom. */
export interface WoodSource extends WoodSourceRow {
  /** Tag of the keeper, and whether it is known to live. */
  code: string | null;
  lives: 'alive' | 'dead' | 'unknown' | null;
  /** The lot that a keeper was made of, so that a line can be followed back. */
  madeOf: { id: string; variety: string } | null;
  years: (WoodSourceYearRow & { bookings: WoodSourceBookingRow[] })[];
}

export async function listSources(context: Context): Promise<WoodSource[]> {
  allow(context, 'viewer');
  const {
    db,
    actor: { clubId },
  } = context;
  const sources = await db.woodSources.findAll({ where: { clubId }, order: [['name', 'ASC']], raw: true });
  const plantIds = sources.flatMap(({ plantId }) => plantId ?? []);
  const [years, bookings, plants, unions] = await Promise.all([
    db.woodSourceYears.findAll({ where: { clubId }, order: [['year', 'DESC']], raw: true }),
    db.woodSourceBookings.findAll({ where: { clubId }, order: [['id', 'ASC']], raw: true }),
    db.plants.findAll({ where: { clubId, id: plantIds }, raw: true }),
    db.unions.findAll({ where: { clubId, plantId: plantIds }, raw: true }),
  ]);
  const [facts, lots] = await Promise.all([
    db.unionFacts.findAll({ where: { clubId, unionId: unions.map(({ id: unionId }) => unionId) }, raw: true }),
    db.woodLots.findAll({ where: { clubId, id: plants.map(({ woodLotId }) => woodLotId) }, raw: true }),
  ]);
  return sources.map((source) => {
    const plant = plants.find(({ id: plantId }) => plantId === source.plantId);
    const union = unions.find(({ plantId }) => plantId !== null && plantId === source.plantId);
    const fact = facts.find(({ unionId }) => unionId === union?.id);
    const lot = lots.find(({ id: lotId }) => lotId === plant?.woodLotId);
    const states = fact ? [fact.wintered, fact.season, fact.growing, fact.healed] : [];
    return {
      ...source,
      code: plant?.code ?? null,
      lives:
        source.kind === 'tree'
          ? null
          : states.includes('dead')
            ? 'dead'
            : states.includes('alive')
              ? 'alive'
              : 'unknown',
      madeOf: lot ? { id: lot.id, variety: lot.variety } : null,
      years: years
        .filter(({ sourceId }) => sourceId === source.id)
        .map((year) => ({
          ...year,
          bookings: bookings.filter((booking) => booking.sourceId === source.id && booking.year === year.year),
        })),
    };
  });
}

/** Makes or changes a source under an id from the browser. A keeper is named by the code on its tag. */
export async function putSource(context: Context, sourceId: string, input: unknown): Promise<void> {
  allow(context, 'assistant');
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  parse(id('the plant'), sourceId);
  const { code, ...values } = parse(sourceInput, input);
  const plant = values.kind === 'keeper' ? await db.plants.findOne({ where: { clubId, code }, raw: true }) : null;
  if (values.kind === 'keeper' && !plant)
    throw new UseCaseError(
      'invalid',
      `No keeper of this club has the code "${code.slice(0, 12)}". Read it from the tag again.`,
      { code: 'Not known.' },
    );
  if (plant?.voidedAt)
    throw new UseCaseError('invalid', 'This code was made void: no plant carries it.', { code: 'Void.' });
  const row = { ...values, plantId: plant?.id ?? null };
  try {
    await transact(db, async (transaction) => {
      const known = await db.woodSources.findOne({ where: { id: sourceId }, transaction, raw: true });
      if (known && known.clubId !== clubId) throw notFound('The plant');
      if (known) await db.woodSources.update(row, { where: { clubId, id: sourceId }, transaction });
      else await db.woodSources.create({ ...row, id: sourceId, clubId }, { transaction });
      await audit(db, transaction, {
        clubId,
        actorId: userId,
        action: known ? 'wood source changed' : 'wood source added',
        subjectId: sourceId,
        at: now,
      });
    });
  } catch (error) {
    if (!isDuplicate(error)) throw error;
    if (await db.woodSources.findOne({ where: { clubId, id: sourceId, name: row.name }, raw: true })) return;
    throw new UseCaseError(
      'conflict',
      plant
        ? 'This keeper is a source already, or the name is taken.'
        : 'A plant of this name is a source already. Use it, or name this one otherwise.',
      { name: 'Taken already.' },
    );
  }
}

/** Says how many sticks a source can give in a year; not below what is promised. */
export async function putSourceYear(
  context: Context,
  sourceId: string,
  givenYear: unknown,
  input: unknown,
): Promise<void> {
  allow(context, 'assistant');
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  await findSource(context, sourceId);
  const promisedYear = parse(year(), givenYear);
  const { sticks } = parse(yearInput, input);
  await transact(db, async (transaction) => {
    await db.woodSourceYears.bulkCreate([{ clubId, sourceId, year: promisedYear, sticks: 0, booked: 0 }], {
      ignoreDuplicates: true,
      transaction,
    });
    const where = { clubId, sourceId, year: promisedYear };
    const known = await db.woodSourceYears.findOne({ where, transaction, raw: true });
    await db.woodSourceYears.update({ sticks }, { where: { ...where, booked: { [Op.lte]: sticks } }, transaction });
    const after = await db.woodSourceYears.findOne({ where, transaction, raw: true });
    if (after!.sticks !== sticks)
      throw new UseCaseError(
        'conflict',
        `${counted(known!.booked, 'stick')} of ${promisedYear} ${known!.booked === 1 ? 'is' : 'are'} promised, so it cannot be ${sticks}. Take a promise back first.`,
        { sticks: `${known!.booked} are promised.` },
      );
    await audit(db, transaction, {
      clubId,
      actorId: userId,
      action: 'wood source year set',
      subjectId: sourceId,
      at: now,
    });
  });
}

/** Promises sticks of a year to somebody, never more than the plant can give. */
export async function promiseSticks(
  context: Context,
  sourceId: string,
  bookingId: string,
  input: unknown,
): Promise<void> {
  allow(context, 'assistant');
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  await findSource(context, sourceId);
  parse(id('the promise'), bookingId);
  const values = parse(promiseInput, input);
  try {
    await transact(db, async (transaction) => {
      await db.woodSourceBookings.create({ ...values, id: bookingId, clubId, sourceId }, { transaction });
      const where = { clubId, sourceId, year: values.year };
      const [taken] = await db.woodSourceYears.update(
        { booked: literal(`booked + ${values.sticks}`) as never },
        { where: { ...where, [Op.and]: [literal(`booked + ${values.sticks} <= sticks`)] }, transaction },
      );
      if (taken === 0) {
        const row = await db.woodSourceYears.findOne({ where, transaction, raw: true });
        const free = row ? row.sticks - row.booked : 0;
        throw new UseCaseError(
          'conflict',
          `It can give ${free} more sticks in ${values.year}, not ${values.sticks}. ${row ? 'Promise fewer, or say that it can give more.' : 'Say first how many it can give that year.'}`,
          { sticks: `${free} free.` },
        );
      }
      await audit(db, transaction, {
        clubId,
        actorId: userId,
        action: 'sticks promised',
        subjectId: sourceId,
        at: now,
      });
    });
  } catch (error) {
    if (!isDuplicate(error)) throw error;
  }
}

export async function takePromiseBack(context: Context, sourceId: string, bookingId: string): Promise<void> {
  allow(context, 'assistant');
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  await findSource(context, sourceId);
  await transact(db, async (transaction) => {
    const known = await db.woodSourceBookings.findOne({
      where: { clubId, sourceId, id: bookingId },
      transaction,
      raw: true,
    });
    const gone = known ? await db.woodSourceBookings.destroy({ where: { clubId, id: bookingId }, transaction }) : 0;
    if (gone === 0) return;
    await db.woodSourceYears.update(
      { booked: literal(`booked - ${known!.sticks}`) as never },
      { where: { clubId, sourceId, year: known!.year }, transaction },
    );
    await audit(db, transaction, {
      clubId,
      actorId: userId,
      action: 'promise taken back',
      subjectId: sourceId,
      at: now,
    });
  });
}

async function findSource({ db, actor: { clubId } }: Context, sourceId: string): Promise<WoodSourceRow> {
  const source = await db.woodSources.findOne({ where: { clubId, id: sourceId }, raw: true });
  if (!source) throw notFound('The plant');
  return source;
}
