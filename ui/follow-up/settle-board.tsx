'use client';

import { useState } from 'react';
import { formatCode } from '@/core/codes/plant-code';
import { counted } from '@/core/units/counted';
import { formatDate } from '@/core/units/iso-date';
import type { Contradiction, Side } from '@/core/follow-up/contradiction';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useEntry } from '@/ui/kit/form/use-entry';

/** Grafts seen alive after they were seen dead, with both sides, for the instructor to settle. */
export function SettleBoard({ all, mayChange }: { all: readonly Contradiction[]; mayChange: boolean }) {
  if (all.length === 0) return null;
  return (
    <section className="board border-l-8! border-l-loud!" aria-labelledby="settle-title">
      <h2 id="settle-title">Alive after dead: {counted(all.length, 'graft')} to settle</h2>
      <p className="mb-2 text-muted">Until then each counts as not known. Nothing that was told is lost.</p>
      <ul className="flex flex-col gap-4">
        {all.map((contradiction) => (
          <li key={contradiction.unionId}>
            <Settle contradiction={contradiction} mayChange={mayChange} />
          </li>
        ))}
      </ul>
    </section>
  );
}

function Settle({ contradiction, mayChange }: { contradiction: Contradiction; mayChange: boolean }) {
  const { unionId, code, variety, grower, alive, dead } = contradiction;
  const [wrong, setWrong] = useState<'alive' | 'dead' | null>(null);
  const { register, submit, errors, problem, busy } = useEntry(
    () => import('@/core/follow-up/answer-input').then(({ settlementInput }) => settlementInput.pick(['why'])),
    async ({ why }, { run }) => {
      const setAside = (wrong === 'alive' ? alive : dead).map(({ reportId }) => reportId);
      await run('PUT', `/api/unions/${unionId}/settlement`, { setAside, why });
    },
  );
  return (
    <form onSubmit={submit} noValidate>
      <p>
        <strong>{formatCode(code)}</strong> {variety}, {grower}
      </p>
      <div className="my-1 grid gap-3 sm:grid-cols-2">
        <Sides title="Seen dead" sides={dead} />
        <Sides title="Seen alive" sides={alive} />
      </div>
      {mayChange && (
        <div className="flex flex-wrap items-end gap-3">
          <fieldset className="flex flex-wrap gap-3">
            <legend className="text-sm font-bold">Which was wrong?</legend>
            {(['dead', 'alive'] as const).map((side) => (
              <label key={side} className="flex min-h-11 items-center gap-2">
                <input
                  type="radio"
                  name={`wrong-${unionId}`}
                  className="size-5"
                  checked={wrong === side}
                  onChange={() => setWrong(side)}
                />
                {side === 'dead' ? '“Dead” was wrong' : '“Alive” was wrong'}
              </label>
            ))}
          </fieldset>
          <div className="w-72">
            <Field label="Why" error={errors.why} needed>
              <input {...register('why')} maxLength={300} autoComplete="off" />
            </Field>
          </div>
          <button type="submit" className="bench-button" disabled={busy || wrong === null}>
            Settle it
          </button>
          <Problem>{problem}</Problem>
        </div>
      )}
    </form>
  );
}

function Sides({ title, sides }: { title: string; sides: readonly Side[] }) {
  return (
    <div className="border-l-4 border-ink pl-3">
      <h3 className="text-sm font-bold">{title}</h3>
      <ul>
        {sides.map(({ reportId, seenOn, words, note }) => (
          <li key={reportId}>
            {formatDate(seenOn)}, {words} {note && <q>{note}</q>}
          </li>
        ))}
      </ul>
    </div>
  );
}
