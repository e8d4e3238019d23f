'use client';

import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import { BUD_WORDS, GREEN_WORDS, type WoodCheck } from '@/core/plan/wood/lot-warnings';
import { formatDate } from '@/core/units/iso-date';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useSend } from '@/ui/kit/form/use-send';

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
  const { run, busy, problem } = useSend();
  const [checkId, setCheckId] = useState(() => uuid());
  const submit = async (event: React.FormEvent<HTMLFormElement>): Promise<void> => {
    event.preventDefault();
    const form = event.currentTarget;
    const sent = await run('PUT', `/api/wood/${lotId}/checks/${checkId}`, Object.fromEntries(new FormData(form)));
    if (!sent?.ok) return;
    form.reset();
    setCheckId(uuid());
  };
  const fields = problem?.fields ?? {};
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
        <form
          onSubmit={(event) => void submit(event)}
          className="flex flex-col gap-2 border-t border-line pt-3"
          noValidate
        >
          <Problem>{problem?.message}</Problem>
          <div className="grid grid-cols-[minmax(0,1fr)] gap-2 sm:grid-cols-3">
            <Field label="Looked at on" error={fields.lookedOn}>
              <input name="lookedOn" type="date" defaultValue={today} />
            </Field>
            <Field label="Under the bark" error={fields.green}>
              <select name="green" defaultValue="yes">
                {Object.entries(GREEN_WORDS).map(([id, words]) => (
                  <option key={id} value={id}>
                    {words}
                  </option>
                ))}
              </select>
            </Field>
            <Field label="Buds" error={fields.buds}>
              <select name="buds" defaultValue="shut">
                {Object.entries(BUD_WORDS).map(([id, words]) => (
                  <option key={id} value={id}>
                    {words}
                  </option>
                ))}
              </select>
            </Field>
          </div>
          <Field label="Note" error={fields.note}>
            <input name="note" maxLength={300} />
          </Field>
          <button type="submit" className="bench-button self-start" disabled={busy}>
            Enter the look
          </button>
        </form>
      )}
    </div>
  );
}
