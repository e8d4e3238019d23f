'use client';

import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import { ANSWER_WORDS, ANSWERS } from '@/core/methods/milestones';
import { formatCode } from '@/core/codes/plant-code';
import { formatDate } from '@/core/units/iso-date';
import type { RoundGrower } from './round-data';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { SheetDialog } from '@/ui/kit/form/sheet-dialog';
import { enteredInput } from '@/core/follow-up/answer-input';
import { useEntry } from '@/ui/kit/form/use-entry';

interface EnterAnswerProps {
  roundId: string;
  question: string;
  grower: RoundGrower;
}

/** Answers that came by phone or on a slip, one plant at a time. */
export function EnterAnswer({ roundId, question, grower }: EnterAnswerProps) {
  const [open, setOpen] = useState(false);
  const [source, setSource] = useState<'phone' | 'slip'>('phone');
  return (
    <SheetDialog
      title={`Answers of ${grower.name}`}
      description={question}
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
      {grower.plants.map((plant) => (
        <PlantAnswer key={plant.unionId} roundId={roundId} plant={plant} source={source} />
      ))}
    </SheetDialog>
  );
}

interface PlantAnswerProps {
  roundId: string;
  plant: RoundGrower['plants'][number];
  source: 'phone' | 'slip';
}

/** What was said about a plant. */
function PlantAnswer({ roundId, plant, source }: PlantAnswerProps) {
  const [said, setSaid] = useState('');
  const code = formatCode(plant.code);
  const { register, submit, errors, problem, busy } = useEntry(
    enteredInput.pick(['answer', 'note', 'seenOn']),
    async (values, { run }) => {
      setSaid('');
      const sent = await run('PUT', `/api/reports/${uuid()}`, { roundId, unionId: plant.unionId, ...values, source });
      if (sent?.ok) setSaid(`${code} saved.`);
    },
  );
  return (
    <form onSubmit={submit} noValidate className="flex flex-col gap-2 border-t border-line pt-2">
      {problem && (
        <Problem>{errors.answer ? `Choose what they said about ${code}; nothing was saved.` : problem}</Problem>
      )}
      {said && (
        <p role="status" className="font-bold">
          {said}
        </p>
      )}
      <p className="font-bold">
        {code}{' '}
        <span className="font-normal">
          {plant.variety}
          {plant.place && `, ${plant.place}`}
          {plant.answer &&
            `, so far: ${ANSWER_WORDS[plant.answer].toLowerCase()}${plant.seenOn ? `, seen ${formatDate(plant.seenOn)}` : ''}`}
        </span>
      </p>
      <div className="grid grid-cols-2 gap-2">
        <Field label="Answer">
          <select {...register('answer')} defaultValue="" required>
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
        <Field label="Seen on, if not today" error={errors.seenOn}>
          <input {...register('seenOn')} type="date" />
        </Field>
        <Field label="Note" error={errors.note}>
          <input {...register('note')} defaultValue={plant.note} maxLength={500} />
        </Field>
      </div>
      <button type="submit" className="bench-button self-start" disabled={busy}>
        Save {code}
      </button>
    </form>
  );
}
