'use client';

import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import { ANSWER_WORDS, ANSWERS, MILESTONE_WORDS, type Milestone } from '@/core/methods/milestones';
import { formatCode } from '@/core/codes/plant-code';
import type { RoundGrower } from './round-data';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { SheetDialog } from '@/ui/kit/form/sheet-dialog';
import { useSend } from '@/ui/kit/form/use-send';

interface EnterAnswerProps {
  roundId: string;
  milestone: Milestone;
  grower: RoundGrower;
}

/** Answers that came by phone or on a slip, one plant at a time. */
export function EnterAnswer({ roundId, milestone, grower }: EnterAnswerProps) {
  const { run, busy, problem, setProblem } = useSend();
  const [open, setOpen] = useState(false);
  const [source, setSource] = useState<'phone' | 'slip'>('phone');
  const [said, setSaid] = useState('');
  const save = async (unionId: string, code: string, event: React.FormEvent<HTMLFormElement>): Promise<void> => {
    event.preventDefault();
    const data = new FormData(event.currentTarget);
    setSaid('');
    if (!data.get('answer'))
      return setProblem({ message: `Choose what they said about ${formatCode(code)}; nothing was saved.`, fields: {} });
    const sent = await run('PUT', `/api/reports/${uuid()}`, {
      roundId,
      unionId,
      answer: data.get('answer'),
      note: data.get('note'),
      source,
    });
    if (sent?.ok) setSaid(`${formatCode(code)} saved.`);
  };
  return (
    <SheetDialog
      title={`Answers of ${grower.name}`}
      description={MILESTONE_WORDS[milestone].question}
      open={open}
      onOpenChange={setOpen}
      trigger={
        <button type="button" className="bench-button">
          Enter<span className="sr-only"> answers of {grower.name}</span>
        </button>
      }
    >
      <fieldset className="flex gap-4">
        <legend className="text-sm font-bold">It came</legend>
        {(['phone', 'slip'] as const).map((way) => (
          <label key={way} className="flex min-h-11 items-center gap-2">
            <input
              type="radio"
              name="source"
              className="size-5"
              checked={source === way}
              onChange={() => setSource(way)}
            />
            {way === 'phone' ? 'by phone' : 'on a slip'}
          </label>
        ))}
      </fieldset>
      <Problem>{problem?.message}</Problem>
      <p role="status" className="font-bold">
        {said}
      </p>
      {grower.plants.map((plant) => (
        <form
          key={plant.unionId}
          onSubmit={(event) => void save(plant.unionId, plant.code, event)}
          noValidate
          className="flex flex-col gap-2 border-t border-line pt-2"
        >
          <p className="font-bold">
            {formatCode(plant.code)}{' '}
            <span className="font-normal">
              {plant.variety}
              {plant.answer && `, so far: ${ANSWER_WORDS[plant.answer].toLowerCase()}`}
            </span>
          </p>
          <div className="grid grid-cols-2 gap-2">
            <Field label="Answer">
              <select name="answer" defaultValue="" required>
                <option value="" disabled>
                  Choose what they said
                </option>
                {ANSWERS.map((answer) => (
                  <option key={answer} value={answer}>
                    {ANSWER_WORDS[answer]}
                  </option>
                ))}
              </select>
            </Field>
            <Field label="Note">
              <input name="note" defaultValue={plant.note} maxLength={500} />
            </Field>
          </div>
          <button type="submit" className="bench-button self-start" disabled={busy}>
            Save {formatCode(plant.code)}
          </button>
        </form>
      ))}
    </SheetDialog>
  );
}
