'use client';

import { counted } from '@/core/units/counted';
import { useState, type Dispatch, type SetStateAction } from 'react';
import { v7 as uuid } from 'uuid';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useEntry } from '@/ui/kit/form/use-entry';
import type { FieldValues, UseFormRegister } from 'react-hook-form';

interface LotBookingsProps {
  lotId: string;
  variety: string;
  sticks: number;
  booked: number;
  bookings: { id: string; sticks: number; workshop: string; seat: string | null; own: boolean }[];
  /** What can be booked for: one workshop with its seats, or several. */
  workshops: { id: string; title: string; seats: { id: string; name: string }[] }[];
  mayChange: boolean;
}

/** Who gets how many sticks of a lot. What is not there cannot be booked. */
export function LotBookings({ lotId, variety, sticks, booked, bookings, workshops, mayChange }: LotBookingsProps) {
  const [bookingId, setBookingId] = useState(() => uuid());
  const [workshopId, setWorkshopId] = useState(workshops[0]?.id ?? '');
  const { register, submit, errors, problem, busy, run } = useEntry(
    () => import('@/core/plan/wood/booking-input').then(({ bookingInput }) => bookingInput.pick(['sticks'])),
    async ({ seatId, sticks: wanted }, entry) => {
      const sent = await entry.run('PUT', `/api/wood/${lotId}/bookings/${bookingId}`, {
        workshopId,
        seatId: seatId || null,
        sticks: wanted as string,
      });
      // Refused or made: the next try is another booking. Without an answer the same id is tried again.
      if (sent?.ok || (sent && sent.status >= 400 && sent.status < 500)) setBookingId(uuid());
    },
  );
  const seats = workshops.find(({ id }) => id === workshopId)?.seats ?? [];
  return (
    <div className="flex flex-col gap-2">
      <p>
        <strong className="tabular-nums">{sticks - booked}</strong> of {counted(sticks, 'stick')} free.
      </p>
      <Problem>{problem}</Problem>
      <ul className="divide-y divide-line">
        {bookings.map((booking) => (
          <li key={booking.id} className="flex items-center justify-between gap-2 py-1">
            <span>
              <strong className="tabular-nums">{booking.sticks}</strong> for {booking.seat ?? 'all'}
              {booking.own ? '' : `, ${booking.workshop}`}
            </span>
            {mayChange && (
              <button
                type="button"
                className="bench-button"
                disabled={busy}
                onClick={() => void run('DELETE', `/api/wood/${lotId}/bookings/${booking.id}`)}
              >
                Give back
                <span className="sr-only">
                  {' '}
                  {counted(booking.sticks, 'stick')} of {variety}
                </span>
              </button>
            )}
          </li>
        ))}
      </ul>
      {mayChange && sticks > booked && workshops.length > 0 && (
        <BookingForm
          submit={submit}
          workshops={workshops}
          workshopId={workshopId}
          setWorkshopId={setWorkshopId}
          errors={errors}
          register={register}
          variety={variety}
          seats={seats}
          busy={busy}
        />
      )}
    </div>
  );
}

interface BookingFormProps {
  submit: (event: React.FormEvent<HTMLFormElement>) => void;
  workshops: LotBookingsProps['workshops'];
  workshopId: string;
  setWorkshopId: Dispatch<SetStateAction<string>>;
  errors: Record<string, string | undefined>;
  register: UseFormRegister<FieldValues>;
  variety: LotBookingsProps['variety'];
  seats: { id: string; name: string }[];
  busy: boolean;
}

/** Books sticks. */
function BookingForm({
  submit,
  workshops,
  workshopId,
  setWorkshopId,
  errors,
  register,
  variety,
  seats,
  busy,
}: BookingFormProps) {
  return (
    <form onSubmit={submit} className="flex flex-wrap items-end gap-2" noValidate>
      {workshops.length > 1 && (
        <Field label="Workshop">
          <select value={workshopId} onChange={(event) => setWorkshopId(event.target.value)}>
            {workshops.map(({ id, title }) => (
              <option key={id} value={id}>
                {title}
              </option>
            ))}
          </select>
        </Field>
      )}
      <div className="w-24">
        <Field label="Sticks" error={errors.sticks}>
          <input {...register('sticks')} inputMode="numeric" defaultValue={1} aria-label={`Sticks of ${variety}`} />
        </Field>
      </div>
      <div className="w-48">
        <Field label="For">
          <select {...register('seatId')} aria-label={`Who gets ${variety}`} defaultValue="">
            <option value="">all of the workshop</option>
            {seats.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </Field>
      </div>
      <button type="submit" className="bench-button" disabled={busy}>
        Book<span className="sr-only"> {variety}</span>
      </button>
    </form>
  );
}
