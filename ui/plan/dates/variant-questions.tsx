'use client';

import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import { formatDate } from '@/core/units/iso-date';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useSend } from '@/ui/kit/form/use-send';

interface Option {
  id: string;
  words: string;
  means: string;
  fits: boolean;
}

interface Choice {
  method: string;
  name: string;
  date: string;
  variant: string;
  chosen: boolean;
  reason: string;
  options: Option[];
  open: boolean;
}

interface VariantQuestionsProps {
  workshopId: string;
  version: number;
  choices: Choice[];
  mayChange: boolean;
}

/** How each method of the day lives on: a bud that sleeps or is forced, a patch of spring or of autumn. */
export function VariantQuestions({ workshopId, version, choices, mayChange }: VariantQuestionsProps) {
  return (
    <div className="flex flex-col gap-4">
      {choices.map((choice) => (
        <VariantQuestion
          key={`${choice.method} ${version}`}
          workshopId={workshopId}
          version={version}
          choice={choice}
          mayChange={mayChange}
        />
      ))}
    </div>
  );
}

interface VariantQuestionProps {
  workshopId: string;
  version: number;
  choice: Choice;
  mayChange: boolean;
}

function VariantQuestion({ workshopId, version, choice, mayChange }: VariantQuestionProps) {
  const { run, busy, problem } = useSend();
  const [changeId, setChangeId] = useState(() => uuid());
  const [variant, setVariant] = useState(choice.variant);
  const [reason, setReason] = useState(choice.reason);
  const option = choice.options.find(({ id }) => id === variant)!;
  const save = async (event: React.FormEvent): Promise<void> => {
    event.preventDefault();
    const body = { changeId, version, method: choice.method, variant, reason };
    const sent = await run('PUT', `/api/workshops/${workshopId}/plan/variant`, body);
    if (sent && !sent.ok && sent.status === 422) setChangeId(uuid());
  };
  const saved = choice.chosen && variant === choice.variant && reason === choice.reason;
  return (
    <form onSubmit={(event) => void save(event)} noValidate>
      <fieldset disabled={!mayChange}>
        <legend className="mb-1 font-bold">
          {choice.name}, {formatDate(choice.date)}
          {choice.open ? ': which is meant?' : ''}
        </legend>
        <Problem>{problem?.message}</Problem>
        {choice.options.map(({ id, words, means, fits }) => (
          <label key={id} className="flex min-h-11 cursor-pointer gap-2 border-t border-line py-1.5">
            <input
              type="radio"
              name={`variant-${choice.method}`}
              value={id}
              checked={variant === id}
              onChange={() => setVariant(id)}
              className="mt-1 size-5 shrink-0"
            />
            <span>
              <strong>{words}</strong>
              {!fits && <span className="ml-2 text-sm font-bold text-loud">not by the date</span>}
              {!choice.chosen && id === choice.variant && <span className="ml-2 text-sm">proposed by the date</span>}
              <span className="block text-sm text-muted">{means}</span>
            </span>
          </label>
        ))}
        {!option.fits && (
          <Field label="Why it is meant so" error={problem?.fields.reason}>
            <input value={reason} maxLength={200} onChange={(event) => setReason(event.target.value)} />
          </Field>
        )}
        {mayChange && (
          <button
            type="submit"
            className="bench-button mt-2"
            data-weight={choice.open ? 'main' : undefined}
            disabled={busy || saved}
          >
            {saved ? 'Saved' : 'Save how it lives on'}
          </button>
        )}
      </fieldset>
    </form>
  );
}
