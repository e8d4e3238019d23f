import { kindOf } from '@/core/methods/compatibility/compatibility';
import { METHODS } from '@/core/methods/registry';
import type { Transaction } from 'sequelize';
import { object, string } from 'yup';
import { formatDate, type IsoDate } from '@/core/units/iso-date';
import { dateInZone } from '@/core/units/zoned-date';
import type { WorkshopRow } from '@/db/models/plan-rows';
import { isDuplicate, transact } from '@/db/transact';
import { allow, type Context } from '@/server/platform/context';
import { audit } from '@/server/platform/audit';
import { flag, id, isoDate } from '@/core/inputs/fields';
import { keepersChanged } from '@/server/platform/keeper-counts';
import { parse } from '@/server/platform/parse';
import { notFound, UseCaseError } from '@/server/platform/use-case-error';
import { workshopInput } from '@/core/plan/workshop-input';

/** Makes a workshop under an id from the browser; the same request sent twice makes one. */
export async function putWorkshop(context: Context, workshopId: string, input: unknown): Promise<WorkshopRow> {
  allow(context, 'assistant');
  const { db, actor, now } = context;
  parse(id('the workshop'), workshopId);
  const { scionSpecies, stockSpecies, ...values } = parse(
    workshopInput(METHODS.map((method) => method.id)),
    input,
    context.now,
  );
  // Kinds are said once, when the day is planned; later they stand with what is made.
  const kinds = { scionSpecies: kindOf(scionSpecies), stockSpecies: kindOf(stockSpecies) };
  const { clubId } = actor;
  const site = await db.sites.findOne({ where: { clubId, id: values.siteId }, raw: true });
  if (!site) throw notFound('The site');
  try {
    await transact(db, async (transaction) => {
      const known = await db.workshops.findOne({ where: { id: workshopId }, transaction, raw: true });
      if (known && known.clubId !== clubId) throw notFound('The workshop');
      if (
        known &&
        known.method !== values.method &&
        (await db.unions.count({ where: { clubId, workshopId }, transaction })) > 0
      ) {
        throw new UseCaseError(
          'conflict',
          'Unions of this workshop are scored by its method already. Add the other method beside it on the Quantities page.',
          {
            method: 'Unions are scored by it already.',
          },
        );
      }
      if (known && values.date > known.date) await refuseAfterFirst(context, workshopId, values.date, transaction);
      if (known) await db.workshops.update(values, { where: { clubId, id: workshopId }, transaction });
      else {
        // Whoever wants no letters by themselves says so; workshops of before this was usual stay as they were.
        const fresh = { ...values, ...kinds, id: workshopId, clubId, asksAlone: true, createdAt: now };
        await db.workshops.create(fresh, { transaction });
      }
      if (known && known.date !== values.date) {
        // Those made on another day than the workshop's keep theirs.
        const then = { clubId, workshopId };
        const madeOn = values.date;
        await db.unions.update({ madeOn }, { where: { ...then, madeOn: known.date }, transaction });
        await db.unionFacts.update({ date: madeOn }, { where: { ...then, date: known.date }, transaction });
        await keepersChanged(db, clubId, [workshopId], transaction);
      }
      await audit(db, transaction, {
        clubId,
        actorId: actor.userId,
        action: known ? 'workshop changed' : 'workshop made',
        subjectId: workshopId,
        at: now,
      });
    });
  } catch (error) {
    // Two requests of one click: the other one made it.
    if (!isDuplicate(error)) throw error;
  }
  return getWorkshop(context, workshopId);
}

/**
 * A day that was held is not moved past what was judged or told of it: its unions would be made after they were seen.
 *
 * @throws UseCaseError that names the day
 */
async function refuseAfterFirst(
  { db, actor: { clubId } }: Context,
  workshopId: string,
  date: IsoDate,
  transaction: Transaction,
): Promise<void> {
  const workshop = await db.workshops.findOne({ where: { clubId, id: workshopId }, transaction, raw: true });
  const site = await db.sites.findOne({ where: { clubId, id: workshop!.siteId }, transaction, raw: true });
  const unions = await db.unions.findAll({
    where: { clubId, workshopId, madeOn: workshop!.date },
    attributes: ['id'],
    transaction,
    raw: true,
  });
  const where = { clubId, unionId: unions.map(({ id: unionId }) => unionId) };
  const judged = (await db.judgements.min('madeAt', { where, transaction })) as Date | null;
  const told = (await db.reports.min('seenOn', { where, transaction })) as IsoDate | null;
  const seen = (await db.unionObservations.min('seenOn', { where, transaction })) as IsoDate | null;
  const looks: [day: IsoDate | null, words: string][] = [
    [judged && dateInZone(judged, site!.timeZone), 'Its first union was judged'],
    [told, 'The first answer tells of what was seen'],
    [seen, 'A union of it was first looked at'],
  ];
  const first = looks
    .filter((look): look is [IsoDate, string] => look[0] !== null)
    .sort(([a], [b]) => a.localeCompare(b))[0];
  if (first && date > first[0])
    throw new UseCaseError(
      'conflict',
      `${first[1]} on ${formatDate(first[0])}, so it was not held later. Choose that day or an earlier one.`,
      { date: 'Later than what was seen of it.' },
    );
}

export async function getWorkshop(context: Context, workshopId: string): Promise<WorkshopRow> {
  allow(context, 'viewer');
  // A page that looks has the list for its season line anyway.
  const workshop = context.looking
    ? (await allWorkshops(context)).find(({ id: id }) => id === workshopId)
    : await context.db.workshops.findOne({ where: { clubId: context.actor.clubId, id: workshopId }, raw: true });
  if (!workshop) throw notFound('The workshop');
  return workshop;
}

async function allWorkshops({ db, actor: { clubId } }: Context): Promise<WorkshopRow[]> {
  return db.workshops.findAll({
    where: { clubId },
    order: [
      ['date', 'ASC'],
      ['id', 'ASC'],
    ],
    raw: true,
  });
}

/** The club's workshops by date, without those that were put away. */
export async function listWorkshops(context: Context): Promise<WorkshopRow[]> {
  allow(context, 'viewer');
  return (await allWorkshops(context)).filter(({ putAwayAt }) => putAwayAt === null);
}

/** Those that were put away, the last one first. */
export async function workshopsPutAway(context: Context): Promise<WorkshopRow[]> {
  allow(context, 'viewer');
  return (await allWorkshops(context))
    .filter(({ putAwayAt }) => putAwayAt !== null)
    .sort((a, b) => b.putAwayAt!.getTime() - a.putAwayAt!.getTime());
}

const awayInput = object({
  away: flag().typeError('Say whether it is put away.').required('Say whether it is put away.'),
});

/** Puts a workshop made by mistake away, or brings it back with all that belongs to it. Asked twice it is done once. */
export async function putWorkshopAway(context: Context, workshopId: string, input: unknown): Promise<void> {
  allow(context, 'assistant');
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  const { away } = parse(awayInput, input);
  const workshop = await getWorkshop(context, workshopId);
  if ((workshop.putAwayAt !== null) === away) return;
  await transact(db, async (transaction) => {
    await db.workshops.update({ putAwayAt: away ? now : null }, { where: { clubId, id: workshopId }, transaction });
    await audit(db, transaction, {
      clubId,
      actorId: userId,
      action: away ? 'workshop put away' : 'workshop brought back',
      subjectId: workshopId,
      at: now,
    });
  });
}

const dateInput = object({
  date: isoDate('the date'),
  from: string()
    .typeError('Reload the page.')
    .required('Reload the page.')
    .matches(/^\d{4}-\d{2}-\d{2}$/, 'Reload the page.'),
});

/** Moves a workshop to another day, if it still is on the day it was when somebody took hold of it. */
export async function moveWorkshop(context: Context, workshopId: string, input: unknown): Promise<WorkshopRow> {
  allow(context, 'assistant');
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  const workshop = await getWorkshop(context, workshopId);
  const { date, from } = parse(dateInput, input, context.now);
  if (workshop.date === date) return workshop;
  if ((await db.unions.count({ where: { clubId, workshopId } })) > 0)
    throw new UseCaseError(
      'conflict',
      'Unions of this day are scored already, so it was held then. Change a mistaken date under “The day”.',
    );
  await transact(db, async (transaction) => {
    const [moved] = await db.workshops.update({ date }, { where: { clubId, id: workshopId, date: from }, transaction });
    if (moved === 0)
      throw new UseCaseError(
        'conflict',
        'Somebody moved this workshop meanwhile. Reload the page to see the day it is on now.',
      );
    await audit(db, transaction, { clubId, actorId: userId, action: 'workshop moved', subjectId: workshopId, at: now });
  });
  return getWorkshop(context, workshopId);
}
