'use client';

import { parseDecimal } from '@/core/units/decimal';
import { useState } from 'react';
import { useFieldArray, type UseFormRegister, type FieldValues, type Control } from 'react-hook-form';
import { v7 as uuid } from 'uuid';
import { type Place, PLACE_WORDS } from '@/core/methods/use';
import type { PlannedMethod } from '@/core/plan/dates/planned-method';
import { MOST_METHODS } from '@/core/plan/dates/planned-method';
import type { QuantitySettings } from '@/core/plan/quantities/needs';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useEntry } from '@/ui/kit/form/use-entry';
import { SettingsFields } from './settings-fields';
import { readStump, readStumps, StumpFields, type TypedStumps, typedStumps } from './stump-fields';
import type { StumpRow } from '@/core/methods/stump-scions';
import { formatLengthNumber, type LengthUnit } from '@/core/units/length';

export interface TeachableMethod {
  id: string;
  name: string;
  places: Place[];
  /** Scions by the size of the stump, where it is done on stumps. */
  stumps: StumpRow[] | null;
}

export interface MethodsFormProps {
  workshopId: string;
  version: number;
  methods: PlannedMethod[];
  expected: number | null;
  settings: QuantitySettings;
  /** The one the workshop is scored by: it stays. */
  main: string;
  /** All that can be taught. */
  known: TeachableMethod[];
  unit: LengthUnit;
}

export function MadeForm({
  workshopId,
  version,
  methods,
  expected,
  settings,
  main,
  known,
  unit,
  onDone,
}: MethodsFormProps & { onDone: () => void }) {
  const [changeId, setChangeId] = useState(() => uuid());
  const { register, control, submit, errors, problem, busy } = useEntry(
    () =>
      import('@/core/plan/quantities/methods-input').then(({ methodsInput }) =>
        methodsInput(known.map(({ id }) => id)),
      ),
    async (values, { run }) => {
      const sent = await run('PUT', `/api/workshops/${workshopId}/plan/methods`, { changeId, version, ...values });
      if (sent?.ok) onDone();
      else if (sent?.status === 422) setChangeId(uuid());
    },
    {
      starts: {
        methods: methods.map((row) => ({ ...row, stump: row.stump ? formatLengthNumber(row.stump, unit) : '' })),
        expected: expected ?? '',
        settings: { ...inPercent(settings), stumps: typedStumps(known, settings.stumps, unit) },
      },
      read: ({ settings: typed, methods: rows, ...values }) => ({
        ...values,
        methods: (rows as FieldValues[]).map((row) => ({ ...row, stump: readStump(row, unit) })),
        settings: {
          ...asShares(typed as FieldValues),
          stumps: readStumps((typed as { stumps?: TypedStumps }).stumps ?? {}, known, unit),
        },
      }),
    },
  );
  return (
    <form onSubmit={submit} className="flex flex-col gap-4" noValidate>
      <Problem>{problem}</Problem>
      <MethodRows register={register} control={control} errors={errors} known={known} main={main} unit={unit} />
      <SettingsFields register={register} errors={errors} />
      <button type="submit" className="bench-button self-start" data-weight="main" disabled={busy}>
        Save
      </button>
    </form>
  );
}

/** Shares as they are shown and typed. */
function inPercent({ confidence, waste, ...settings }: QuantitySettings): object {
  return { ...settings, confidence: Math.round(confidence * 100), waste: Math.round(waste * 100) };
}

function asShares({ confidence, waste, ...settings }: FieldValues): object {
  const share = (percent: unknown): unknown => {
    const value = parseDecimal(String(percent));
    return value === null ? percent : value / 100;
  };
  return { ...settings, confidence: share(confidence), waste: share(waste) };
}

interface MethodRowsProps {
  register: UseFormRegister<FieldValues>;
  control: Control<FieldValues>;
  errors: Record<string, string | undefined>;
  known: TeachableMethod[];
  main: string;
  unit: LengthUnit;
}

/** A row for each method that is taught, and a choice of others. */
function MethodRows({ register, control, errors, known, main, unit }: MethodRowsProps) {
  const { fields, append, remove } = useFieldArray({ control, name: 'methods' });
  const rows = fields as unknown as (PlannedMethod & { id: string })[];
  const free = known.filter(({ id }) => !rows.some(({ method }) => method === id));
  return (
    <>
      {rows.map((row, i) => {
        const method = known.find(({ id }) => id === row.method);
        return (
          <fieldset key={row.id} className="flex flex-col gap-2 border-l-4 border-bark pl-3">
            <legend className="font-bold">
              {method?.name}
              {row.method === main ? ', scored on the day' : ''}
            </legend>
            <input type="hidden" {...register(`methods.${i}.method`)} />
            <MethodFields at={i} places={method?.places ?? []} register={register} errors={errors} />
            {method?.stumps && <StumpFields at={i} method={method} unit={unit} register={register} errors={errors} />}
            {row.method !== main && (
              <button type="button" className="bench-button self-start" onClick={() => remove(i)}>
                Leave {method?.name} out
              </button>
            )}
          </fieldset>
        );
      })}
      {free.length > 0 && rows.length < MOST_METHODS && (
        <Field label="Teach another method">
          <select
            value=""
            onChange={(event) =>
              append({
                ...rows[0],
                method: event.target.value,
                place: known.find(({ id }) => id === event.target.value)?.places[0],
                keepersEach: 0,
                stump: '',
                variant: null,
                variantReason: '',
              })
            }
          >
            <option value="">Choose</option>
            {free.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </Field>
      )}
    </>
  );
}

/** Where, on what and how many, for one method. */
function MethodFields({
  at,
  places,
  register,
  errors,
}: { at: number; places: Place[] } & Pick<MethodRowsProps, 'register' | 'errors'>) {
  const field = (name: keyof PlannedMethod) => register(`methods.${at}.${name}`);
  const error = (name: keyof PlannedMethod) => errors[`methods[${at}].${name}`];
  return (
    <div className="grid grid-cols-2 gap-2">
      <Field label="Where" error={error('place')}>
        <select {...field('place')}>
          {places.map((place) => (
            <option key={place} value={place}>
              {PLACE_WORDS[place]}
            </option>
          ))}
        </select>
      </Field>
      <Field label="Practice on">
        <select {...field('practiceOn')}>
          <option value="prunings">prunings</option>
          <option value="good">good wood and stocks</option>
        </select>
      </Field>
      <Field label="Scion species" error={error('scionSpecies')}>
        <input {...field('scionSpecies')} maxLength={60} />
      </Field>
      <Field label="Stock species" error={error('stockSpecies')}>
        <input {...field('stockSpecies')} maxLength={60} />
      </Field>
      <Field label="Practice unions each" error={error('practiceEach')}>
        <input {...field('practiceEach')} inputMode="numeric" />
      </Field>
      <Field label="Keepers each" error={error('keepersEach')}>
        <input {...field('keepersEach')} inputMode="numeric" />
      </Field>
    </div>
  );
}
