'use client';

import { useState } from 'react';
import { KNITTING_KINS } from '@/core/plan/phenology/assumptions';
import type { PlaceView } from '@/core/aftercare/places/place-view';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useSend } from '@/ui/kit/form/use-send';

/** How a callus place is watched: for which kind, by which logger, and after how many hours out of range a letter comes. */
export function WatchForm({ place }: { place: PlaceView }) {
  const { run, busy, problem } = useSend();
  const [entry, setEntry] = useState({
    kin: place.kin as string,
    warmFrom: place.warmFrom ?? '',
    logger: place.logger,
    alertHours: place.alertHours === null ? '' : String(place.alertHours),
  });
  const field = (key: keyof typeof entry) => ({
    value: entry[key],
    onChange: (event: { target: { value: string } }) => setEntry({ ...entry, [key]: event.target.value }),
  });
  return (
    <form
      noValidate
      className="flex flex-col gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        void run('PUT', `/api/places/${place.id}/watch`, { ...entry, version: place.version });
      }}
    >
      <h3 className="font-bold">Watch it</h3>
      <Problem>{problem?.message}</Problem>
      <div className="grid grid-cols-2 gap-2">
        <Field label="Warmed for" hint="Empty: by what stands in it" error={problem?.fields.kin}>
          <select {...field('kin')}>
            <option value="">what stands in it</option>
            {KNITTING_KINS.map((kin) => (
              <option key={kin} value={kin}>
                {kin} kin
              </option>
            ))}
          </select>
        </Field>
        <Field label="Warm since" error={problem?.fields.warmFrom}>
          <input type="date" {...field('warmFrom')} />
        </Field>
        <Field label="Its logger" hint="As the logger names itself" error={problem?.fields.logger}>
          <input maxLength={60} {...field('logger')} />
        </Field>
        <Field label="Write to me after, hours" hint="Out of range; empty: never" error={problem?.fields.alertHours}>
          <input inputMode="decimal" {...field('alertHours')} />
        </Field>
      </div>
      <button type="submit" className="bench-button self-start" disabled={busy}>
        Save
      </button>
    </form>
  );
}
