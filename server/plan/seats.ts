import { object } from 'yup';
import { v7 as uuid } from 'uuid';
import type { Transaction } from 'sequelize';
import type { PersonRow } from '@/db/models/club-rows';
import type { SeatRow } from '@/db/models/plan-rows';
import { holdGuard } from '@/db/guard';
import { isDuplicate, transact } from '@/db/transact';
import { allow, type Context } from '@/server/platform/context';
import { audit } from '@/server/platform/audit';
import { id } from '@/core/inputs/fields';
import { parse } from '@/server/platform/parse';
import { notFound, UseCaseError } from '@/server/platform/use-case-error';
import { getWorkshop } from './workshops';
import { walkIn, seatChange } from '@/core/plan/roster/seat-input';

/** A seat and who sits there. */
export interface SeatedPerson extends SeatRow {
  person: PersonRow;
}

export async function listSeats(context: Context, workshopId: string): Promise<SeatedPerson[]> {
  await getWorkshop(context, workshopId);
  const {
    db,
    actor: { clubId },
  } = context;
  const seats = await db.seats.findAll({ where: { clubId, workshopId }, order: [['number', 'ASC']], raw: true });
  const people = await db.people.findAll({ where: { clubId, id: seats.map(({ personId }) => personId) }, raw: true });
  return seats.map((seat) => ({ ...seat, person: people.find((person) => person.id === seat.personId)! }));
}

/** Gives people seats with the lowest free numbers, in the order given. */
export async function seatPeople(
  context: Context,
  transaction: Transaction,
  workshopId: string,
  personIds: string[],
): Promise<SeatRow[]> {
  const {
    db,
    actor: { clubId },
  } = context;
  const taken = new Set(
    (await db.seats.findAll({ where: { clubId, workshopId }, transaction, raw: true })).map(({ number }) => number),
  );
  const rows: SeatRow[] = [];
  let number = 1;
  for (const personId of personIds) {
    while (taken.has(number)) number++;
    taken.add(number);
    rows.push({ id: uuid(), clubId, workshopId, number, personId, absent: false, leftHanded: false, skill: null });
  }
  await db.seats.bulkCreate(rows, { transaction });
  return rows;
}

/**
 * Adds somebody who just walked in, with the lowest free seat. An address given here is given to be
 * asked how the grafts do; without one there is no leave. `personId` comes from the browser, so a
 * second click adds nobody twice.
 */
export async function addWalkIn(context: Context, workshopId: string, personId: string, input: unknown): Promise<void> {
  allow(context, 'assistant');
  await getWorkshop(context, workshopId);
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  parse(id('the person'), personId);
  const values = parse(walkIn, input);
  for (let attempt = 1; ; attempt++) {
    try {
      await transact(db, async (transaction) => {
        if (await db.people.findOne({ where: { id: personId }, transaction, raw: true })) return;
        await db.people.create(
          {
            id: personId,
            clubId,
            name: values.name,
            email: values.email || null,
            phone: null,
            mayContact: values.email !== '',
            erasedAt: null,
          },
          { transaction },
        );
        await seatPeople(context, transaction, workshopId, [personId]);
        await audit(db, transaction, {
          clubId,
          actorId: userId,
          action: 'walk-in added',
          subjectId: personId,
          at: now,
        });
      });
      return;
    } catch (error) {
      // Two walk-ins at once asked for the same number: the next try takes another.
      if (!isDuplicate(error) || attempt === 5) throw error;
    }
  }
}

async function findSeat(context: Context, workshopId: string, seatId: string): Promise<SeatRow> {
  await getWorkshop(context, workshopId);
  const seat = await context.db.seats.findOne({
    where: { clubId: context.actor.clubId, workshopId, id: seatId },
    raw: true,
  });
  if (!seat) throw notFound('The seat');
  return seat;
}

/** Renames a person, changes how they can be reached, or marks the seat absent or present. */
export async function changeSeat(context: Context, workshopId: string, seatId: string, input: unknown): Promise<void> {
  allow(context, 'assistant');
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  const seat = await findSeat(context, workshopId, seatId);
  const values = parse(seatChange, input);
  if (values.name === '') throw new UseCaseError('invalid', 'Enter the name.', { name: 'Enter the name.' });
  const person = Object.fromEntries(
    Object.entries({ name: values.name, email: values.email, phone: values.phone, mayContact: values.mayContact })
      .filter(([, value]) => value !== undefined)
      .map(([key, value]) => [key, value === '' ? null : value]),
  );
  await transact(db, async (transaction) => {
    if (values.mayContact === false) await holdGuard(db, transaction, clubId, 'leave to write');
    const known = await db.people.findOne({ where: { clubId, id: seat.personId }, transaction, raw: true });
    if (known?.erasedAt && Object.keys(person).length > 0)
      throw new UseCaseError(
        'conflict',
        'This person asked to be erased; nothing about them can be entered again here.',
      );
    if (Object.keys(person).length > 0)
      await db.people.update(person, { where: { clubId, id: seat.personId }, transaction });
    const place = Object.fromEntries(
      Object.entries({ absent: values.absent, leftHanded: values.leftHanded, skill: values.skill }).filter(
        ([, value]) => value !== undefined,
      ),
    );
    if (Object.keys(place).length > 0) await db.seats.update(place, { where: { clubId, id: seatId }, transaction });
    await audit(db, transaction, { clubId, actorId: userId, action: 'seat changed', subjectId: seatId, at: now });
    if (values.mayContact !== undefined)
      await context.deeds.add(now, {
        what: 'leave',
        clubId,
        personId: seat.personId,
        mayContact: values.mayContact,
      });
  });
}

const swap = object({ first: id('the first seat'), second: id('the second seat') });

/** Swaps the numbers of two seats. Unions follow the person, not the place. */
export async function swapSeats(context: Context, workshopId: string, input: unknown): Promise<void> {
  allow(context, 'assistant');
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  await getWorkshop(context, workshopId);
  const { first, second } = parse(swap, input);
  if (first === second) throw new UseCaseError('invalid', 'Choose two different seats to swap.');
  await findSeat(context, workshopId, first);
  await findSeat(context, workshopId, second);
  await transact(db, async (transaction) => {
    const [a, b] = await Promise.all(
      [first, second].map((seatId) =>
        db.seats.findOne({
          where: { clubId, workshopId, id: seatId },
          transaction,
          lock: transaction.LOCK.UPDATE,
          raw: true,
        }),
      ),
    );
    if (!a || !b) throw notFound('The seat');
    // Both rows are written below, so that on a cluster, too, the slower of two swaps begins again.
    // A number below zero keeps the unique key free for a moment.
    await db.seats.update({ number: -a.number }, { where: { clubId, id: a.id }, transaction });
    await db.seats.update({ number: a.number }, { where: { clubId, id: b.id }, transaction });
    await db.seats.update({ number: b.number }, { where: { clubId, id: a.id }, transaction });
    await audit(db, transaction, { clubId, actorId: userId, action: 'seats swapped', subjectId: a.id, at: now });
  });
}
