'use client';

import { useState } from 'react';
import { type Choices, chosen, type SchoolQuestion } from '@/core/methods/school';
import { Problem } from '@/ui/kit/form/problem';
import { useSend } from '@/ui/kit/form/use-send';

interface SchoolChoicesProps {
  workshopId: string;
  /** The method the questions are of. */
  method: string;
  questions: SchoolQuestion[];
  choices: Choices;
  mayChange: boolean;
}

/** Where practitioners differ: each question with its answers and why one would; chosen once and followed everywhere. */
export function SchoolChoices({ workshopId, method, questions, choices, mayChange }: SchoolChoicesProps) {
  const { run, busy, problem } = useSend();
  const [picked, setPicked] = useState(choices);
  const [saved, setSaved] = useState(false);
  const changed = questions.some((question) => chosen(picked, question) !== chosen(choices, question));
  const save = async (): Promise<void> => {
    const sent = await run('PUT', `/api/workshops/${workshopId}/schools`, {
      method,
      schools: Object.fromEntries(questions.map((question) => [question.id, chosen(picked, question)])),
    });
    setSaved(sent?.ok ?? false);
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
    >
      <Problem>{problem?.message}</Problem>
      <div className="grid grid-cols-[minmax(0,1fr)] gap-x-6 gap-y-3 md:grid-cols-2">
        {questions.map((question) => (
          <fieldset key={question.id} disabled={!mayChange || busy} className="border-t border-line pt-1">
            <legend className="pr-2 font-bold">{question.question}</legend>
            {question.options.map((option, i) => (
              <label key={option.id} className="flex min-h-9 cursor-pointer items-baseline gap-2">
                <input
                  type="radio"
                  name={question.id}
                  value={option.id}
                  checked={chosen(picked, question) === option.id}
                  onChange={() => {
                    setPicked({ ...picked, [question.id]: option.id });
                    setSaved(false);
                  }}
                />
                <span>
                  {option.words}
                  {i === 0 && <span className="text-muted"> (usual)</span>}{' '}
                  <span className="text-sm text-muted">{option.reason}</span>
                </span>
              </label>
            ))}
          </fieldset>
        ))}
      </div>
      {mayChange && (
        <p className="mt-3 flex items-center gap-3">
          <button type="submit" className="bench-button" data-weight="main" disabled={busy || !changed}>
            Follow these
          </button>
          <span role="status" className="text-sm">
            {changed
              ? 'Not saved yet: steps, drawings, points, materials and aftercare still follow the old ones.'
              : saved
                ? 'Saved. Steps, drawings, points, materials and aftercare follow them.'
                : ''}
          </span>
        </p>
      )}
    </form>
  );
}
