'use client';

import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useEntry } from '@/ui/kit/form/use-entry';

/** Adds somebody who just came in: a name, and an address if they agree to be asked later. */
export function WalkIn({ workshopId }: { workshopId: string }) {
  const [personId, setPersonId] = useState(() => uuid());
  const { register, submit, errors, problem, busy } = useEntry(
    () => import('@/core/plan/roster/seat-input').then(({ walkIn }) => walkIn),
    async (values, { run, reset, setFocus }) => {
      const sent = await run('PUT', `/api/workshops/${workshopId}/walk-ins/${personId}`, values);
      if (!sent?.ok) return;
      reset();
      setPersonId(uuid());
      setFocus('name');
    },
  );
  return (
    <form onSubmit={submit} className="mb-3 border-y border-line py-3" noValidate>
      <Problem>{problem}</Problem>
      <div className="grid items-end gap-3 sm:grid-cols-[1fr_1.4fr_auto]">
        <Field needed label="Walk-in: name" error={errors.name}>
          <input {...register('name')} autoComplete="off" maxLength={120} />
        </Field>
        <Field label="E-mail, only if they may be asked later" error={errors.email}>
          <input {...register('email')} type="email" autoComplete="off" />
        </Field>
        <button type="submit" className="bench-button" disabled={busy}>
          Seat them
        </button>
      </div>
    </form>
  );
}
