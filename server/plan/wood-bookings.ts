import { counted } from '@/core/units/counted';
import { literal, Op, type Transaction } from 'sequelize';
import type { WoodBookingRow } from '@/db/models/wood-rows';
import { isDuplicate, transact } from '@/db/transact';
import { allow, type Context } from '@/server/platform/context';
import { audit } from '@/server/platform/audit';
import { id } from '@/core/inputs/fields';
import { parse } from '@/server/platform/parse';
import { notFound, UseCaseError } from '@/server/platform/use-case-error';
import { getWorkshop } from './workshops';
import { bookingInput } from '@/core/plan/wood/booking-input';

/**
 * Books sticks of a lot for a workshop, or for a person in it. The lot's own row counts what is
 * booked and takes no more than there is, also when two people book at once.
 */
export async function bookWood(
  context: Context,
  lotId: string,
  bookingId: string,
  input: unknown,
): Promise<WoodBookingRow> {
  allow(context, 'assistant');
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  parse(id('the booking'), bookingId);
  const values = parse(bookingInput, input);
  await getWorkshop(context, values.workshopId);
  if (
    values.seatId &&
    !(await db.seats.findOne({ where: { clubId, workshopId: values.workshopId, id: values.seatId }, raw: true }))
  )
    throw notFound('The seat');
  if (!(await db.woodLots.findOne({ where: { clubId, id: lotId }, raw: true }))) throw notFound('The wood lot');
  const row: WoodBookingRow = {
    id: bookingId,
    clubId,
    lotId,
    workshopId: values.workshopId,
    seatId: values.seatId ?? null,
    sticks: values.sticks,
  };
  try {
    await transact(db, async (transaction) => {
      // The row with its unique id first: a repeated request ends here and books nothing twice.
      await db.woodBookings.create(row, { transaction });
      const [taken] = await db.woodLots.update(
        { booked: literal(`booked + ${row.sticks}`) as never },
        { where: { clubId, id: lotId, [Op.and]: [literal(`booked + ${row.sticks} <= sticks`)] }, transaction },
      );
      if (taken === 0) {
        const lot = await db.woodLots.findOne({ where: { clubId, id: lotId }, transaction, raw: true });
        const free = lot!.sticks - lot!.booked;
        throw new UseCaseError(
          'conflict',
          `${lot!.variety} has ${free} of ${counted(lot!.sticks, 'stick')} free, so ${row.sticks} cannot be booked. Book ${free > 0 ? `${free} or fewer` : 'from another lot'}, or free another booking.`,
          { sticks: `${free} free.` },
        );
      }
      await audit(db, transaction, { clubId, actorId: userId, action: 'wood booked', subjectId: lotId, at: now });
    });
  } catch (error) {
    if (!isDuplicate(error)) throw error;
    const known = await db.woodBookings.findOne({ where: { clubId, id: bookingId }, raw: true });
    if (!known || known.lotId !== lotId || known.sticks !== row.sticks)
      throw new UseCaseError('conflict', 'This booking was made with other figures. Reload the page to see it.');
  }
  return row;
}

/** Gives booked sticks back. What is gone already stays gone: a repeated request changes nothing. */
export async function freeWood(context: Context, lotId: string, bookingId: string): Promise<void> {
  allow(context, 'assistant');
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  if (!(await db.woodLots.findOne({ where: { clubId, id: lotId }, raw: true }))) throw notFound('The wood lot');
  await transact(db, async (transaction) => {
    await release(context, transaction, { id: bookingId, lotId });
    await audit(db, transaction, { clubId, actorId: userId, action: 'wood freed', subjectId: lotId, at: now });
  });
}

/** Takes bookings back within a transaction: each is counted down only by whoever deletes it. */
export async function release(
  { db, actor: { clubId } }: Context,
  transaction: Transaction,
  which: Partial<Pick<WoodBookingRow, 'id' | 'lotId' | 'workshopId'>>,
): Promise<void> {
  const bookings = await db.woodBookings.findAll({ where: { clubId, ...which }, transaction, raw: true });
  for (const { id: bookingId, lotId, sticks } of bookings) {
    const gone = await db.woodBookings.destroy({ where: { clubId, id: bookingId }, transaction });
    if (gone > 0)
      await db.woodLots.update(
        { booked: literal(`booked - ${sticks}`) as never },
        { where: { clubId, id: lotId }, transaction },
      );
  }
}
