'use client';

import { percent } from '@/core/units/percent';
import { useState, type Dispatch, type SetStateAction } from 'react';
import { v7 as uuid } from 'uuid';
import { formatDate } from '@/core/units/iso-date';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useEntry } from '@/ui/kit/form/use-entry';
import type { FieldValues, UseFormRegister } from 'react-hook-form';

interface Look {
  id: string;
  callus: 'ring' | 'parts' | 'none';
  contactSeen: number | null;
  lookedOn: string;
  note: string;
  by: string;
}

const CALLUS = { ring: 'a callus line all along', parts: 'callus in parts', none: 'no callus' } as const;

/** What was seen when the union was cut open later, beside what was computed of it. */
export function CutLooks({
  unionId,
  mayChange,
  computed,
  looks,
}: {
  unionId: string;
  mayChange: boolean;
  computed: number;
  looks: Look[];
}) {
  const [adding, setAdding] = useState(false);
  const [lookId, setLookId] = useState(() => uuid());
  const { register, submit, errors, problem, busy } = useEntry(
    () => import('@/core/score/photos/cut-look-input').then(({ lookInput }) => lookInput),
    async (values, { run }) => {
      const sent = await run('PUT', `/api/unions/${unionId}/cut-looks/${lookId}`, values);
      if (!sent?.ok) return;
      setLookId(uuid());
      setAdding(false);
    },
  );
  const told = looks.filter(({ contactSeen }) => contactSeen !== null);
  return (
    <section className="board" aria-labelledby="cut-title">
      <h2 id="cut-title">Cut open</h2>
      <p className="text-sm">
        Computed contact <strong>{percent(computed)}</strong>
        {told[0] && (
          <>
            ; seen <strong>{percent(told[0].contactSeen!)}</strong>,{' '}
            {Math.abs(Math.round((told[0].contactSeen! - computed) * 100))} points{' '}
            {told[0].contactSeen! >= computed ? 'more' : 'less'} than computed
          </>
        )}
        .
      </p>
      {looks.length === 0 && (
        <p className="text-sm text-muted">
          Nobody cut it open yet. After two or three weeks of callusing, split it along the join and look where callus
          bridges the line.
        </p>
      )}
      <ul className="text-sm">
        {looks.map((look) => (
          <li key={look.id} className="mt-1 border-l-4 border-ink pl-2">
            <strong>{formatDate(look.lookedOn)}:</strong> {CALLUS[look.callus]}
            {look.contactSeen !== null && `, ${percent(look.contactSeen)} of the line joined`}. {look.by}.
            {look.note && ` ${look.note}`}
          </li>
        ))}
      </ul>
      {mayChange && !adding && (
        <button type="button" className="bench-button mt-2" onClick={() => setAdding(true)}>
          Enter a second look
        </button>
      )}
      {adding && (
        <CutLookForm
          submit={submit}
          problem={problem}
          errors={errors}
          register={register}
          busy={busy}
          setAdding={setAdding}
        />
      )}
    </section>
  );
}

interface CutLookFormProps {
  submit: (event: React.FormEvent<HTMLFormElement>) => void;
  problem: string | undefined;
  errors: Record<string, string | undefined>;
  register: UseFormRegister<FieldValues>;
  busy: boolean;
  setAdding: Dispatch<SetStateAction<boolean>>;
}

/** What was seen when it was cut open. */
function CutLookForm({ submit, problem, errors, register, busy, setAdding }: CutLookFormProps) {
  return (
    <form onSubmit={submit} className="mt-2 flex flex-col gap-2" noValidate>
      <Problem>{problem}</Problem>
      <Field label="Callus line" error={errors.callus}>
        <select {...register('callus')} defaultValue="ring">
          {Object.entries(CALLUS).map(([value, words]) => (
            <option key={value} value={value}>
              {words}
            </option>
          ))}
        </select>
      </Field>
      <div className="grid grid-cols-2 gap-2">
        <Field label="Joined, % of the line" error={errors.contactSeen}>
          <input {...register('contactSeen')} inputMode="decimal" placeholder="not told" autoComplete="off" />
        </Field>
        <Field label="Cut open on" error={errors.lookedOn}>
          <input {...register('lookedOn')} type="date" />
        </Field>
      </div>
      <Field label="Note">
        <input {...register('note')} maxLength={500} autoComplete="off" />
      </Field>
      <div className="flex gap-2">
        <button type="submit" className="bench-button" data-weight="main" disabled={busy}>
          Keep
        </button>
        <button type="button" className="bench-button" onClick={() => setAdding(false)}>
          Leave
        </button>
      </div>
    </form>
  );
}
