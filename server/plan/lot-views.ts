import type { Context } from '@/server/platform/context';
import { listSeats } from './seats';
import type { LedgerLot } from './wood-ledger';
import { getWorkshop, listWorkshops } from './workshops';

export interface BookingView {
  id: string;
  sticks: number;
  workshop: string;
  seat: string | null;
  /** For the workshop whose page it is. */
  own: boolean;
}

/** Bookings of a lot in words, and what more can be booked for: one workshop, or those to come that chose the lot. */
export async function lotBookingViews(
  context: Context,
  lot: LedgerLot,
  workshopId: string | null,
): Promise<{
  bookings: BookingView[];
  workshops: { id: string; title: string; seats: { id: string; name: string }[] }[];
}> {
  const {
    db,
    actor: { clubId },
  } = context;
  const chosen = await db.workshopWoodLots.findAll({ where: { clubId, woodLotId: lot.id }, raw: true });
  const all = await listWorkshops(context);
  const wanted = workshopId
    ? [await getWorkshop(context, workshopId)]
    : all.filter(({ id }) => chosen.some((choice) => choice.workshopId === id));
  const seatIds = lot.bookings.flatMap(({ seatId }) => seatId ?? []);
  const seats = await db.seats.findAll({ where: { clubId, id: seatIds }, raw: true });
  const people = await db.people.findAll({ where: { clubId, id: seats.map(({ personId }) => personId) }, raw: true });
  const nameOf = (seatId: string | null): string | null => {
    const seat = seats.find(({ id }) => id === seatId);
    return seat ? `${seat.number} ${people.find(({ id }) => id === seat.personId)?.name ?? ''}`.trim() : null;
  };
  return {
    bookings: lot.bookings.map(({ id, sticks, workshopId: bookedFor, seatId }) => ({
      id,
      sticks,
      workshop: all.find((workshop) => workshop.id === bookedFor)?.title ?? '',
      seat: nameOf(seatId),
      own: bookedFor === workshopId,
    })),
    workshops: await Promise.all(
      wanted.map(async ({ id, title }) => ({
        id,
        title,
        seats: (await listSeats(context, id))
          .filter(({ absent }) => !absent)
          .map((seat) => ({ id: seat.id, name: `${seat.number} ${seat.person.name ?? ''}`.trim() })),
      })),
    ),
  };
}
