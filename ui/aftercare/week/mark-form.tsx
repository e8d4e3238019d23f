'use client';

import { useState } from 'react';
import { OUTCOMES, type Outcome } from '@/core/aftercare/outcome';
import type { DuePlant } from '@/core/aftercare/week/due-groups';
import type { WeekGroup } from '@/core/aftercare/week/week-group';
import { counted } from '@/core/units/counted';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import type { Tapped } from '../use-marks';
import { deviceToday } from '@/ui/kit/device/device-clock';

const WORDS: Record<Outcome, string> = { done: 'Done', 'not-needed': 'Not needed', skipped: 'Left undone' };

/** Marks some plants of a group: all but those whose tags are taken out, on another day, or with another outcome. */
export function MarkForm({ group, onMark }: { group: WeekGroup; onMark: (tapped: Tapped) => Promise<void> }) {
  const { plants, task, name, variety } = group;
  const [out, setOut] = useState<ReadonlySet<string>>(new Set());
  const [on, setOn] = useState(deviceToday);
  const [outcome, setOutcome] = useState<Outcome>('done');
  const [reason, setReason] = useState('');
  const [problem, setProblem] = useState('');
  const chosen = plants.filter(({ unionId }) => !out.has(unionId));
  const save = async (): Promise<void> => {
    const wrong = problemOf({ chosen: chosen.length, on, outcome, reason });
    setProblem(wrong);
    if (wrong !== '') return;
    await onMark({
      marks: chosen.map(({ unionId, occurrence }) => ({ unionId, task, occurrence })),
      outcome,
      on,
      reason: reason.trim(),
      words: `${name}, ${counted(chosen.length, 'plant')} of ${variety}`,
    });
  };
  return (
    <div className="col-span-full border-l-4 border-ink bg-mist p-3">
      <TagChoice plants={plants} out={out} onOut={setOut} />
      <div className="my-3 flex flex-wrap items-end gap-3">
        <Field label="What became of it">
          <select value={outcome} onChange={(event) => setOutcome(event.target.value as Outcome)}>
            {OUTCOMES.map((id) => (
              <option key={id} value={id}>
                {WORDS[id]}
              </option>
            ))}
          </select>
        </Field>
        <Field label="On">
          <input type="date" value={on} max={deviceToday()} onChange={(event) => setOn(event.target.value)} />
        </Field>
        <Field label={outcome === 'skipped' ? 'Why' : 'Note'} needed={outcome === 'skipped'}>
          <input maxLength={300} value={reason} onChange={(event) => setReason(event.target.value)} />
        </Field>
        <button type="button" className="bench-button" data-weight="main" onClick={() => void save()}>
          Mark {counted(chosen.length, 'plant')}
        </button>
      </div>
      <Problem>{problem}</Problem>
    </div>
  );
}

interface TagChoiceProps {
  plants: readonly DuePlant[];
  out: ReadonlySet<string>;
  onOut: (out: ReadonlySet<string>) => void;
}

/** Tags of the plants; a tap takes one out. */
function TagChoice({ plants, out, onOut }: TagChoiceProps) {
  return (
    <fieldset>
      <legend className="font-bold">All but these (tap a tag to take it out)</legend>
      <div className="mt-2 flex flex-wrap gap-2">
        {plants.map(({ unionId, called, place }) => (
          <label
            key={unionId}
            className={`flex min-h-11 cursor-pointer items-center gap-2 border-2 px-2 tabular-nums ${out.has(unionId) ? 'border-line bg-paper text-muted line-through' : 'border-ink bg-sheet font-bold'}`}
          >
            <input
              type="checkbox"
              checked={!out.has(unionId)}
              onChange={(event) => {
                const next = new Set(out);
                if (event.target.checked) next.delete(unionId);
                else next.add(unionId);
                onOut(next);
              }}
            />
            {called}
            {place === '' ? '' : ` ${place}`}
          </label>
        ))}
      </div>
    </fieldset>
  );
}

interface Filled {
  chosen: number;
  on: string;
  outcome: Outcome;
  reason: string;
}

function problemOf({ chosen, on, outcome, reason }: Filled): string {
  if (chosen === 0) return 'Every tag is taken out. Leave at least one in.';
  if (on === '') return 'Enter the day it was done.';
  if (on > deviceToday()) return 'That day is still to come. Enter the day it was done.';
  if (outcome === 'skipped' && reason.trim() === '') return 'Say why it is left undone.';
  return '';
}
