'use client';

import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useSend } from '@/ui/kit/form/use-send';

/** Adds somebody who just came in: a name, and an address if they agree to be asked later. */
export function WalkIn({ workshopId }: { workshopId: string }) {
  const { run, busy, problem } = useSend();
  const [personId, setPersonId] = useState(() => uuid());
  const submit = async (event: React.FormEvent<HTMLFormElement>): Promise<void> => {
    event.preventDefault();
    const form = event.currentTarget;
    const sent = await run(
      'PUT',
      `/api/workshops/${workshopId}/walk-ins/${personId}`,
      Object.fromEntries(new FormData(form)),
    );
    if (!sent?.ok) return;
    form.reset();
    setPersonId(uuid());
    form.querySelector('input')?.focus();
  };
  return (
    <form onSubmit={(event) => void submit(event)} className="mb-3 border-y border-line py-3" noValidate>
      <Problem>{problem?.message}</Problem>
      <div className="grid items-end gap-3 sm:grid-cols-[1fr_1.4fr_auto]">
        <Field label="Walk-in: name" error={problem?.fields.name}>
          <input name="name" autoComplete="off" maxLength={120} />
        </Field>
        <Field label="E-mail, only if they may be asked later" error={problem?.fields.email}>
          <input name="email" type="email" autoComplete="off" />
        </Field>
        <button type="submit" className="bench-button" disabled={busy}>
          Seat them
        </button>
      </div>
    </form>
  );
}
