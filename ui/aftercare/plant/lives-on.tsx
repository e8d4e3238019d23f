'use client';

import { useState } from 'react';
import { capital } from '@/core/units/capital';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useSend } from '@/ui/kit/form/use-send';

interface LivesOnProps {
  workshopId: string;
  plantId: string;
  /** What it is taken for, and why where its day does not allow that. */
  variant: string;
  reason: string;
  options: { id: string; words: string; means: string; fits: boolean }[];
  mayChange: boolean;
}

/** How the unions of a plant live on, and the way to put it right: its tasks follow, and nothing done is lost. */
export function LivesOn({ workshopId, plantId, variant, reason, options, mayChange }: LivesOnProps) {
  const { run, busy, problem } = useSend();
  const [chosen, setChosen] = useState(variant);
  const [why, setWhy] = useState(reason);
  const now = options.find(({ id }) => id === variant);
  const option = options.find(({ id }) => id === chosen);
  const save = async (event: React.FormEvent): Promise<void> => {
    event.preventDefault();
    await run('PATCH', `/api/workshops/${workshopId}/keepers`, { plantIds: [plantId], variant: chosen, reason: why });
  };
  const told = (
    <>
      {now && <strong>{capital(now.words)}. </strong>}
      {now?.means}
      {reason !== '' && <span className="text-muted"> {reason}</span>}
    </>
  );
  if (!mayChange) return <p className="mb-4">{told}</p>;
  return (
    <details className="mb-4 border-y border-line">
      <summary className="min-h-11 cursor-pointer py-2">{told}</summary>
      <form onSubmit={(event) => void save(event)} className="flex flex-wrap items-end gap-3 pb-3" noValidate>
        <Problem>{problem?.message}</Problem>
        <Field label="Made" error={problem?.fields.variant}>
          <select value={chosen} onChange={(event) => setChosen(event.target.value)}>
            {options.map(({ id, words, fits }) => (
              <option key={id} value={id}>
                {words}
                {fits ? '' : ' (not by its date)'}
              </option>
            ))}
          </select>
        </Field>
        {option && !option.fits && (
          <Field label="Why it is meant so" error={problem?.fields.reason}>
            <input value={why} maxLength={200} onChange={(event) => setWhy(event.target.value)} />
          </Field>
        )}
        <button type="submit" className="bench-button" disabled={busy || (chosen === variant && why === reason)}>
          Change how it lives on
        </button>
        <p className="basis-full text-sm text-muted">{option?.means}</p>
      </form>
    </details>
  );
}
