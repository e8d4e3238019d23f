'use client';

import { useState } from 'react';
import {
  CAUSE_GROUP_WORDS,
  CAUSE_GROUPS,
  type CauseGroup,
  type CauseTables,
  type Strength,
  STRENGTHS,
} from '@/core/findings/causes/cause-tables';
import { parseDecimal } from '@/core/units/decimal';
import { Field } from '@/ui/kit/form/field';

const STRENGTH_WORDS: Record<Strength, string> = {
  '+++': 'speaks for it, nearly proof',
  '++': 'speaks clearly for it',
  '+': 'speaks for it',
  '-': 'speaks against it',
  '--': 'speaks clearly against it',
};

interface CauseRowsProps {
  tables: CauseTables;
  cause: string;
  mayChange: boolean;
  onChange: (tables: CauseTables) => void;
}

/** One cause: how likely it is beforehand by way of making, and what speaks how strongly for and against it. */
export function CauseRows({ tables, cause, mayChange, onChange }: CauseRowsProps) {
  const [all, setAll] = useState(false);
  const row = tables.causes.find((entry) => entry.cause === cause)!;
  const speaks = tables.evidence.filter(({ strengths }) => all || strengths[cause] !== undefined);
  const weigh = (group: CauseGroup, weight: number): void =>
    onChange({
      ...tables,
      causes: tables.causes.map((entry) =>
        entry.cause === cause ? { ...entry, weights: { ...entry.weights, [group]: weight } } : entry,
      ),
    });
  const speak = (code: string, strength: Strength | ''): void =>
    onChange({
      ...tables,
      evidence: tables.evidence.map((entry) => {
        if (entry.code !== code) return entry;
        const strengths = { ...entry.strengths };
        if (strength === '') delete strengths[cause];
        else strengths[cause] = strength;
        return { ...entry, strengths };
      }),
    });
  return (
    <section aria-labelledby="cause-title" className="min-w-0">
      <h2 id="cause-title">{row.words}</h2>
      <p className="text-sm text-muted">
        How likely beforehand, beside the other causes: weights of each way of making
      </p>
      <div className="my-2 grid grid-cols-3 gap-2 md:grid-cols-6">
        {CAUSE_GROUPS.map((group) => (
          <WeightField
            key={group}
            label={CAUSE_GROUP_WORDS[group]}
            value={row.weights[group]}
            mayChange={mayChange}
            onChange={(weight) => weigh(group, weight)}
          />
        ))}
      </div>
      <ul>
        {speaks.map(({ code, words, strengths }) => (
          <li key={code} className="flex flex-wrap items-center justify-between gap-2 border-b border-line py-1">
            <span className="min-w-0 grow basis-60">{words}</span>
            <select
              aria-label={`${words}: how strongly`}
              className="bench-input w-60!"
              disabled={!mayChange}
              value={strengths[cause] ?? ''}
              onChange={(event) => speak(code, event.target.value as Strength | '')}
            >
              <option value="">says nothing</option>
              {(Object.keys(STRENGTHS) as Strength[]).map((strength) => (
                <option key={strength} value={strength}>
                  {STRENGTH_WORDS[strength]}
                </option>
              ))}
            </select>
          </li>
        ))}
      </ul>
      <button type="button" className="bench-button mt-2" aria-pressed={all} onClick={() => setAll(!all)}>
        {all ? 'Only what speaks' : 'All evidence there is'}
      </button>
    </section>
  );
}

interface WeightFieldProps {
  label: string;
  value: number;
  mayChange: boolean;
  onChange: (value: number) => void;
}

/** A figure that is kept as typed until it is one. */
export function WeightField({ label, value, mayChange, onChange }: WeightFieldProps) {
  const [text, setText] = useState<string | null>(null);
  const wrong = text !== null && parseDecimal(text) === null;
  return (
    <Field label={label} error={wrong ? 'Enter a figure.' : undefined}>
      <input
        inputMode="decimal"
        disabled={!mayChange}
        value={text ?? String(value)}
        onChange={(event) => {
          setText(event.target.value);
          const figure = parseDecimal(event.target.value);
          if (figure !== null) onChange(figure);
        }}
        onBlur={() => wrong || setText(null)}
      />
    </Field>
  );
}
