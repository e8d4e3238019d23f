'use client';

import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import { MILESTONE_WORDS, type Milestone } from '@/core/methods/milestones';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useSend } from '@/ui/kit/form/use-send';

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
  const { run, busy, problem } = useSend();
  const [roundId, setRoundId] = useState(() => uuid());
  const submit = async (event: React.FormEvent<HTMLFormElement>): Promise<void> => {
    event.preventDefault();
    const sent = await run(
      'PUT',
      `/api/workshops/${workshopId}/rounds/${roundId}`,
      Object.fromEntries(new FormData(event.currentTarget)),
    );
    if (sent?.ok) setRoundId(uuid());
  };
  return (
    <section className="board" aria-labelledby="new-round-title">
      <h2 id="new-round-title" className="mb-2">
        Another round
      </h2>
      <form onSubmit={(event) => void submit(event)} className="flex flex-col gap-3" noValidate>
        <Problem>{problem?.message}</Problem>
        <div className="grid items-end gap-3 sm:grid-cols-[1fr_11rem_11rem_auto]">
          <Field label="It asks" error={problem?.fields.milestone}>
            <select name="milestone">
              {milestones.map((milestone) => (
                <option key={milestone} value={milestone}>
                  {MILESTONE_WORDS[milestone].name}: {MILESTONE_WORDS[milestone].question} (
                  {MILESTONE_WORDS[milestone].usualDay})
                </option>
              ))}
            </select>
          </Field>
          <Field label="Opens" error={problem?.fields.opensOn}>
            <input name="opensOn" type="date" defaultValue={opensOn} />
          </Field>
          <Field label="Closes" error={problem?.fields.closesOn}>
            <input name="closesOn" type="date" defaultValue={closesOn} />
          </Field>
          <button type="submit" className="bench-button" disabled={busy}>
            Open the round
          </button>
        </div>
      </form>
    </section>
  );
}
