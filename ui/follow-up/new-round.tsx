'use client';

import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import { MILESTONE_WORDS, type RoundKind } from '@/core/methods/milestones';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useEntry } from '@/ui/kit/form/use-entry';

interface NewRoundProps {
  /** No round was made yet. */
  isFirst: boolean;
  workshopId: string;
  /** What can be asked next, each with its question and the days it is best asked on. */
  choices: {
    milestone: RoundKind;
    /** Which unions it asks of, and whose that is in words; empty for all of the day. */
    asks: string;
    whose: string;
    question: string;
    opensOn: string;
    closesOn: string;
  }[];
  today: string;
}

/** A choice by what it asks and of whom: "growing", or "healed chip/spring". */
function keyOf({ milestone, asks }: Pick<NewRoundProps['choices'][number], 'milestone' | 'asks'>): string {
  return `${milestone} ${asks}`.trim();
}

/** What the form starts from when a round is chosen. */
function startsOf({ milestone, asks, opensOn, closesOn }: NewRoundProps['choices'][number]) {
  return { milestone, asks, opensOn, closesOn };
}

/** A new round: what it asks, and from when to when; each milestone has days of its own. */
export function NewRound({ workshopId, choices, today, isFirst }: NewRoundProps) {
  const [roundId, setRoundId] = useState(() => uuid());
  // What is over is seldom asked after all: the first that is still to come stands first.
  const first = choices.find(({ closesOn }) => closesOn >= today) ?? choices.at(-1);
  const { register, submit, errors, problem, busy, reset } = useEntry(
    () => import('@/core/follow-up/round-input').then(({ roundInput }) => roundInput),
    async (values, { run }) => {
      const sent = await run('PUT', `/api/workshops/${workshopId}/rounds/${roundId}`, values);
      if (sent?.ok) setRoundId(uuid());
    },
    { starts: startsOf(first!) },
  );
  const [asked, setAsked] = useState(() => keyOf(first!));
  const ask = (key: string): void => {
    setAsked(key);
    reset(startsOf(choices.find((choice) => keyOf(choice) === key)!));
  };
  return (
    <section className="board" aria-labelledby="new-round-title">
      <h2 id="new-round-title" className="mb-2">
        {isFirst ? 'The first round' : 'Another round'}
      </h2>
      <form onSubmit={submit} className="flex flex-col gap-3" noValidate>
        <Problem>{problem}</Problem>
        <div className="grid items-end gap-3 sm:grid-cols-[1fr_11rem_11rem_auto]">
          <Field label="It asks" error={errors.milestone}>
            <select name="milestone" value={asked} onChange={(event) => ask(event.target.value)}>
              {choices.map((choice) => (
                <option key={keyOf(choice)} value={keyOf(choice)}>
                  {MILESTONE_WORDS[choice.milestone].name}
                  {choice.whose && ` of ${choice.whose}`}: {choice.question}
                </option>
              ))}
            </select>
          </Field>
          <Field label="Opens" error={errors.opensOn}>
            <input {...register('opensOn')} type="date" />
          </Field>
          <Field label="Closes" error={errors.closesOn}>
            <input {...register('closesOn')} type="date" />
          </Field>
          <button type="submit" className="bench-button" disabled={busy}>
            Make the round
          </button>
        </div>
        <p className="text-sm text-muted">
          The days are those on which this is best asked of what was made that day, at this site. Nobody is written to
          before you write.
        </p>
      </form>
    </section>
  );
}
