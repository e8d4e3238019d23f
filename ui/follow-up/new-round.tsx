'use client';

import { roundInput } from '@/core/follow-up/round-input';
import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import { MILESTONE_WORDS, type Milestone } from '@/core/methods/milestones';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useEntry } from '@/ui/kit/form/use-entry';

/** A new round: what it asks, and from when to when. */
export function NewRound({
  workshopId,
  milestones,
  opensOn,
  closesOn,
}: {
  workshopId: string;
  milestones: Milestone[];
  opensOn: string;
  closesOn: string;
}) {
  const [roundId, setRoundId] = useState(() => uuid());
  const { register, submit, errors, problem, busy } = useEntry(roundInput, async (values, { run }) => {
    const sent = await run('PUT', `/api/workshops/${workshopId}/rounds/${roundId}`, values);
    if (sent?.ok) setRoundId(uuid());
  });
  return (
    <section className="board" aria-labelledby="new-round-title">
      <h2 id="new-round-title" className="mb-2">
        Another round
      </h2>
      <form onSubmit={submit} className="flex flex-col gap-3" noValidate>
        <Problem>{problem}</Problem>
        <div className="grid items-end gap-3 sm:grid-cols-[1fr_11rem_11rem_auto]">
          <Field label="It asks" error={errors.milestone}>
            <select {...register('milestone')}>
              {milestones.map((milestone) => (
                <option key={milestone} value={milestone}>
                  {MILESTONE_WORDS[milestone].name}: {MILESTONE_WORDS[milestone].question} (
                  {MILESTONE_WORDS[milestone].usualDay})
                </option>
              ))}
            </select>
          </Field>
          <Field label="Opens" error={errors.opensOn}>
            <input {...register('opensOn')} type="date" defaultValue={opensOn} />
          </Field>
          <Field label="Closes" error={errors.closesOn}>
            <input {...register('closesOn')} type="date" defaultValue={closesOn} />
          </Field>
          <button type="submit" className="bench-button" disabled={busy}>
            Open the round
          </button>
        </div>
      </form>
    </section>
  );
}
