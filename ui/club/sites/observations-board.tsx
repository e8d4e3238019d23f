'use client';

import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import { SIGN_WORDS, SIGNS, type Sign } from '@/core/plan/phenology/observation';
import { formatDate } from '@/core/units/iso-date';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useEntry } from '@/ui/kit/form/use-entry';

interface ObservationsBoardProps {
  siteId: string;
  observations: { id: string; species: string; sign: Sign; seenOn: string; note: string }[];
  today: string;
  species: string[];
  mayChange: boolean;
}

/** What was seen on the plants, which goes before what is reckoned. */
export function ObservationsBoard({ siteId, observations, today, species, mayChange }: ObservationsBoardProps) {
  const [id, setId] = useState(() => uuid());
  const { register, submit, errors, problem, busy, run } = useEntry(
    () => import('@/core/plan/phenology/observation-input').then(({ observationInput }) => observationInput),
    async (values, entry) => {
      const sent = await entry.run('PUT', `/api/sites/${siteId}/observations/${id}`, values);
      if (sent?.ok) setId(uuid());
    },
  );
  return (
    <div className="flex flex-col gap-3">
      <Problem>{problem}</Problem>
      {mayChange && (
        <form onSubmit={submit} className="flex flex-col gap-2" noValidate>
          <div className="grid grid-cols-2 gap-2">
            <Field label="Species" error={errors.species}>
              <input {...register('species')} list="known-species" defaultValue={species[0] ?? ''} maxLength={60} />
            </Field>
            <Field label="Seen" error={errors.sign}>
              <select {...register('sign')} defaultValue="bark-slips">
                {SIGNS.map((sign) => (
                  <option key={sign} value={sign}>
                    {SIGN_WORDS[sign]}
                  </option>
                ))}
              </select>
            </Field>
            <Field label="On" error={errors.seenOn}>
              <input {...register('seenOn')} type="date" defaultValue={today} />
            </Field>
            <Field label="Note" error={errors.note}>
              <input {...register('note')} maxLength={300} />
            </Field>
          </div>
          <datalist id="known-species">
            {species.map((kind) => (
              <option key={kind} value={kind} />
            ))}
          </datalist>
          <button type="submit" className="bench-button self-start" disabled={busy}>
            Enter what was seen
          </button>
        </form>
      )}
      {observations.length === 0 && (
        <p className="text-muted">
          Nothing entered yet. A slip test or a look at the buds, with its date, goes before any estimate.
        </p>
      )}
      <ul className="divide-y divide-line">
        {observations.map((observation) => (
          <li key={observation.id} className="flex items-center justify-between gap-2 py-1.5">
            <span>
              <span className="tabular-nums">{formatDate(observation.seenOn)}</span>:{' '}
              <strong>
                {observation.species}, {SIGN_WORDS[observation.sign]}
              </strong>
              {observation.note && <span className="block text-sm text-muted">{observation.note}</span>}
            </span>
            {mayChange && (
              <button
                type="button"
                className="bench-button"
                disabled={busy}
                onClick={() => void run('DELETE', `/api/sites/${siteId}/observations/${observation.id}`)}
              >
                Take back
                <span className="sr-only">
                  {' '}
                  {observation.species}, {SIGN_WORDS[observation.sign]}
                </span>
              </button>
            )}
          </li>
        ))}
      </ul>
    </div>
  );
}
