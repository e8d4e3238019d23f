'use client';

import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import { BUD_WORDS, GREEN_WORDS, type WoodCheck } from '@/core/plan/wood/lot-warnings';
import { formatDate } from '@/core/units/iso-date';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useEntry } from '@/ui/kit/form/use-entry';
import type { FieldValues, UseFormRegister } from 'react-hook-form';

/** Looks at stored wood over time, and a form for the next. */
export function LotChecks({
  lotId,
  checks,
  today,
  mayChange,
}: {
  lotId: string;
  checks: (WoodCheck & { id: string; note: string })[];
  today: string;
  mayChange: boolean;
}) {
  const [checkId, setCheckId] = useState(() => uuid());
  const { register, submit, errors, problem, busy } = useEntry(
    () => import('@/core/plan/wood/lot-input').then(({ checkInput }) => checkInput),
    async (values, { run, reset }) => {
      const sent = await run('PUT', `/api/wood/${lotId}/checks/${checkId}`, values);
      if (!sent?.ok) return;
      reset();
      setCheckId(uuid());
    },
  );
  return (
    <div className="flex flex-col gap-3">
      {checks.length === 0 && (
        <p className="text-muted">
          Nobody has looked at it yet. Scrape a little bark, look at the buds, and enter it here.
        </p>
      )}
      <ol className="divide-y divide-line">
        {checks.map((check) => (
          <li key={check.id} className="grid grid-cols-[7.5rem_minmax(0,1fr)] gap-2 py-1.5">
            <span className="tabular-nums">{formatDate(check.on)}</span>
            <span
              className={
                check.green === 'no' || check.buds === 'open'
                  ? 'font-bold text-loud'
                  : check.green === 'partly' || check.buds === 'moving'
                    ? 'font-bold'
                    : ''
              }
            >
              {GREEN_WORDS[check.green]}, {BUD_WORDS[check.buds]}
              {check.note && <span className="block text-sm font-normal text-muted">{check.note}</span>}
            </span>
          </li>
        ))}
      </ol>
      {mayChange && (
        <CheckForm submit={submit} problem={problem} errors={errors} register={register} today={today} busy={busy} />
      )}
    </div>
  );
}

interface CheckFormProps {
  submit: (event: React.FormEvent<HTMLFormElement>) => void;
  problem: string | undefined;
  errors: Record<string, string | undefined>;
  register: UseFormRegister<FieldValues>;
  today: string;
  busy: boolean;
}

/** The next look. */
function CheckForm({ submit, problem, errors, register, today, busy }: CheckFormProps) {
  return (
    <form onSubmit={submit} className="flex flex-col gap-2 border-t border-line pt-3" noValidate>
      <Problem>{problem}</Problem>
      <div className="grid grid-cols-[minmax(0,1fr)] gap-2 sm:grid-cols-3">
        <Field label="Looked at on" error={errors.lookedOn}>
          <input {...register('lookedOn')} type="date" defaultValue={today} />
        </Field>
        <Field label="Under the bark" error={errors.green}>
          <select {...register('green')} defaultValue="yes">
            {Object.entries(GREEN_WORDS).map(([id, words]) => (
              <option key={id} value={id}>
                {words}
              </option>
            ))}
          </select>
        </Field>
        <Field label="Buds" error={errors.buds}>
          <select {...register('buds')} defaultValue="shut">
            {Object.entries(BUD_WORDS).map(([id, words]) => (
              <option key={id} value={id}>
                {words}
              </option>
            ))}
          </select>
        </Field>
      </div>
      <Field label="Note" error={errors.note}>
        <input {...register('note')} maxLength={300} />
      </Field>
      <button type="submit" className="bench-button self-start" disabled={busy}>
        Enter the look
      </button>
    </form>
  );
}
