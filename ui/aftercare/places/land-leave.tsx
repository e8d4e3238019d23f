'use client';

import { useState } from 'react';
import type { PlaceView } from '@/core/aftercare/places/place-view';
import { formatDate } from '@/core/units/iso-date';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useSend } from '@/ui/kit/form/use-send';

/** Whose land a place is on: the leave that was given, what the owner was told, and a slip for them. */
export function LandLeave({ place, today, mayChange }: { place: PlaceView; today: string; mayChange: boolean }) {
  const { run, busy, problem } = useSend();
  const [entry, setEntry] = useState({
    owner: place.owner,
    leaveBy: place.leaveBy,
    leaveUntil: place.leaveUntil ?? '',
    told: place.told,
  });
  const ended = place.leaveUntil !== null && place.leaveUntil < today;
  const field = (key: keyof typeof entry) => ({
    value: entry[key],
    disabled: !mayChange,
    onChange: (event: { target: { value: string } }) => setEntry({ ...entry, [key]: event.target.value }),
  });
  return (
    <details className="mt-6" open={ended}>
      <summary className="min-h-11 cursor-pointer py-2 font-bold">
        {place.owner === '' ? 'On somebody else’s land?' : `On the land of ${place.owner}`}
        {place.leaveUntil && `, leave until ${formatDate(place.leaveUntil)}`}
      </summary>
      {ended && (
        <p role="alert" className="mb-2 border-l-4 border-loud pl-2 font-bold">
          The leave ended on {formatDate(place.leaveUntil!)}. Ask for it again before anybody goes there.
        </p>
      )}
      <form
        noValidate
        className="grid max-w-3xl gap-3 sm:grid-cols-2"
        onSubmit={(event) => {
          event.preventDefault();
          void run('PUT', `/api/places/${place.id}/land`, { ...entry, version: place.version });
        }}
      >
        <div className="sm:col-span-2">
          <Problem>{problem?.message}</Problem>
        </div>
        <Field label="Whose land it is" error={problem?.fields.owner}>
          <input maxLength={120} {...field('owner')} />
        </Field>
        <Field label="Who gave leave" error={problem?.fields.leaveBy}>
          <input maxLength={120} {...field('leaveBy')} />
        </Field>
        <Field label="Until" hint="Left empty: no end was agreed." error={problem?.fields.leaveUntil}>
          <input type="date" {...field('leaveUntil')} />
        </Field>
        <Field label="What the owner was told" error={problem?.fields.told}>
          <textarea rows={2} maxLength={600} {...field('told')} />
        </Field>
        <p className="flex flex-wrap gap-2 sm:col-span-2">
          {mayChange && (
            <button type="submit" className="bench-button" disabled={busy}>
              Save
            </button>
          )}
          {place.owner !== '' && (
            <>
              <a className="bench-button" href={`/api/places/${place.id}/slip?paper=A4`}>
                Slip for the owner, A4
              </a>
              <a className="bench-button" href={`/api/places/${place.id}/slip?paper=Letter`}>
                Letter
              </a>
            </>
          )}
        </p>
      </form>
      <p className="text-sm text-muted">
        Ask before grafting on another’s land or tree. Local rules on boundaries, trees and plant health come first.
      </p>
    </details>
  );
}
