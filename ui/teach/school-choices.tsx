'use client';

import { useState } from 'react';
import { type Choices, chosen, type SchoolQuestion } from '@/core/methods/school';
import type { LengthUnit } from '@/core/units/length';
import { written } from '@/core/units/prose';
import { Problem } from '@/ui/kit/form/problem';
import { useSend } from '@/ui/kit/form/use-send';
import { SCHOOL_SUBJECTS } from './school-subjects';

interface SchoolChoicesProps {
  workshopId: string;
  /** The method the questions are of. */
  method: string;
  questions: readonly SchoolQuestion[];
  choices: Choices;
  mayChange: boolean;
  unit: LengthUnit;
}

/** Where practitioners differ: each question with its answers and why one would; chosen once and followed everywhere. */
export function SchoolChoices({ workshopId, method, questions, choices, mayChange, unit }: SchoolChoicesProps) {
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
      {SCHOOL_SUBJECTS.map(([about, title]) => {
        const own = questions.filter((question) => question.about === about);
        return own.length === 0 ? null : (
          <section key={about} aria-labelledby={`about-${about}`} className="mb-4">
            <h3 id={`about-${about}`} className="mb-1 text-lg font-bold">
              {title}
            </h3>
            <div className="grid grid-cols-[minmax(0,1fr)] gap-x-6 gap-y-3 md:grid-cols-2">
              {own.map((question) => (
                <Question
                  key={question.id}
                  question={question}
                  answer={chosen(picked, question)}
                  disabled={!mayChange || busy}
                  unit={unit}
                  onPick={(answer) => {
                    setPicked({ ...picked, [question.id]: answer });
                    setSaved(false);
                  }}
                />
              ))}
            </div>
          </section>
        );
      })}
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

interface QuestionProps {
  question: SchoolQuestion;
  answer: string;
  disabled: boolean;
  unit: LengthUnit;
  onPick: (answer: string) => void;
}

/** One question with its answers, the usual one first. */
function Question({ question, answer, disabled, unit, onPick }: QuestionProps) {
  return (
    <fieldset disabled={disabled} className="border-t border-line pt-1">
      <legend className="pr-2 font-bold">{question.question}</legend>
      {question.options.map((option, i) => (
        <label key={option.id} className="flex min-h-9 cursor-pointer items-baseline gap-2">
          <input
            type="radio"
            name={question.id}
            value={option.id}
            checked={answer === option.id}
            onChange={() => onPick(option.id)}
          />
          <span>
            {written(option.words, unit)}
            {i === 0 && <span className="text-muted"> (usual)</span>}{' '}
            <span className="text-sm text-muted">{written(option.reason, unit)}</span>
          </span>
        </label>
      ))}
    </fieldset>
  );
}
