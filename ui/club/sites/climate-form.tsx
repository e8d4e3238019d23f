'use client';

import { parseDecimal } from '@/core/units/decimal';
import { useState } from 'react';
import type { FieldValues } from 'react-hook-form';
import { type Climate, MONTH_NAMES } from '@/core/plan/climate/normals';
import { fromCelsius, type TemperatureUnit, toCelsius } from '@/core/units/temperature';
import { Field } from '@/ui/kit/form/field';
import { estimated, isBlank } from './estimated-year';
import { Problem } from '@/ui/kit/form/problem';
import { useEntry } from '@/ui/kit/form/use-entry';

interface ClimateFormProps {
  siteId: string;
  hemisphere: 'north' | 'south';
  version: number;
  climate: Climate | null;
  source: string;
  /** Climates of the simulated weather service. */
  offered: { id: string; name: string; climate: Climate }[];
  unit: TemperatureUnit;
  mayChange: boolean;
}

/** A year as it is typed, in the reader's degrees. */
const typedOf = (climate: Climate | null, source: string, unit: TemperatureUnit): FieldValues => ({
  normals: {
    low: MONTH_NAMES.map((_, i) => (climate ? String(fromCelsius(climate.normals.low[i]!, unit)) : '')),
    high: MONTH_NAMES.map((_, i) => (climate ? String(fromCelsius(climate.normals.high[i]!, unit)) : '')),
  },
  lastFrost: climate?.lastFrost ?? '',
  firstFrost: climate?.firstFrost ?? '',
  frostMargin: String(climate?.frostMargin ?? 12),
  appleBloom: '',
  source,
});

/** What is typed, as it is kept: degC, and nothing where it never freezes. */
function readYear(typed: FieldValues, unit: TemperatureUnit): FieldValues {
  const degrees = (text: string): number | string => {
    const value = parseDecimal(text);
    return value === null ? text : toCelsius(value, unit);
  };
  const { low, high } = typed.normals as Record<'low' | 'high', string[]>;
  return {
    ...typed,
    appleBloom: undefined,
    normals: { low: low.map(degrees), high: high.map(degrees) },
    lastFrost: String(typed.lastFrost).trim() || null,
    firstFrost: String(typed.firstFrost).trim() || null,
  };
}

/** A site's usual year: typed, from CSV, or taken of the simulated weather service. */
export function ClimateForm(props: ClimateFormProps) {
  // What was read of a file is still said when the year it gave has taken the place of the one before.
  const [notes, setNotes] = useState<string | null>(null);
  return <YearForm key={props.version} {...props} notes={notes} setNotes={setNotes} />;
}

interface Noted {
  notes: string | null;
  setNotes: (notes: string | null) => void;
}

function YearForm({
  siteId,
  hemisphere,
  version,
  climate,
  source,
  offered,
  unit,
  mayChange,
  notes,
  setNotes,
}: ClimateFormProps & Noted) {
  const { register, submit, errors, problem, busy, run, reset, getValues } = useEntry(
    () => import('@/core/plan/climate/climate-input').then(({ climateInput }) => climateInput),
    async (values, entry) => {
      setNotes(null);
      const sent = await entry.run('PUT', `/api/sites/${siteId}/climate`, values);
      if (sent?.ok) setNotes('Saved.');
    },
    {
      starts: typedOf(climate, source, unit),
      read: (typed) => ({
        version,
        // The dates are enough: nobody has to know twenty-four temperatures.
        ...readYear(isBlank(typed) ? estimated(typed, hemisphere, unit) : typed, unit),
      }),
    },
  );
  const read = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    setNotes(null);
    const form = new FormData();
    form.set('file', file);
    form.set('source', file.name);
    form.set('version', String(version));
    const sent = await run<{ notes: string[] }>('POST', `/api/sites/${siteId}/climate`, form);
    if (sent?.ok) setNotes(['Read and saved.', ...sent.data.notes].join(' '));
  };
  const take = (site: ClimateFormProps['offered'][number]): void =>
    reset(typedOf(site.climate, `simulated: ${site.name}`, unit));
  return (
    <form onSubmit={submit} className="flex flex-col gap-3" noValidate>
      <Problem>{problem}</Problem>
      {notes && (
        <p role="status" className="font-bold">
          {notes}
        </p>
      )}
      {mayChange && <ClimateSources offered={offered} take={take} read={read} />}
      <FrostFields mayChange={mayChange} register={register} errors={errors} />
      {mayChange && <EstimateButton estimate={() => reset(estimated(getValues(), hemisphere, unit))} />}
      <div
        className="relative overflow-x-auto"
        tabIndex={0}
        role="group"
        aria-label="Temperatures by month, scrolls sideways on narrow screens"
      >
        <MonthTable unit={unit} mayChange={mayChange} climate={climate} register={register} errors={errors} />
      </div>
      <div className="flex flex-wrap gap-3">
        {mayChange && (
          <button type="submit" className="bench-button" data-weight="main" disabled={busy}>
            Save the year
          </button>
        )}
        {climate && (
          <a href={`/api/sites/${siteId}/climate`} className="bench-button" download>
            CSV
          </a>
        )}
      </div>
    </form>
  );
}

interface EntryProps extends Pick<ReturnType<typeof useEntry>, 'register' | 'errors'> {
  mayChange: boolean;
}

/** Fills in the temperatures from the dates. */
function EstimateButton({ estimate }: { estimate: () => void }) {
  return (
    <div className="flex flex-wrap items-center gap-3">
      <button type="button" className="bench-button" onClick={estimate}>
        Estimate temperatures from these dates
      </button>
      <p className="max-w-prose text-sm text-muted">
        Two frost dates are enough; when apples bloom makes the estimate better. Temperatures you know can be entered
        below. Left empty, they are estimated when you save.
      </p>
    </div>
  );
}

/** The frosts, and where the figures are from. */
function FrostFields({ mayChange, register, errors }: EntryProps) {
  return (
    <div className="grid grid-cols-2 gap-2 sm:grid-cols-5">
      <Field label="Last frost" hint="month-day, empty: never freezes" error={errors.lastFrost}>
        <input {...register('lastFrost')} disabled={!mayChange} placeholder="04-24" />
      </Field>
      <Field label="First frost" hint="month-day" error={errors.firstFrost}>
        <input {...register('firstFrost')} disabled={!mayChange} placeholder="10-28" />
      </Field>
      {mayChange && (
        <Field label="Apples bloom" hint="month-day, if you know">
          <input {...register('appleBloom')} placeholder="04-30" />
        </Field>
      )}
      <Field label="Frosts move by, days" error={errors.frostMargin}>
        <input {...register('frostMargin')} inputMode="numeric" disabled={!mayChange} />
      </Field>
      <Field label="Source of the figures" error={errors.source}>
        <input {...register('source')} disabled={!mayChange} maxLength={200} />
      </Field>
    </div>
  );
}

interface MonthTableProps extends EntryProps {
  unit: TemperatureUnit;
  climate: Climate | null;
}

/** The lowest and highest of each month. */
function MonthTable({ unit, mayChange, climate, register, errors }: MonthTableProps) {
  return (
    <table className="bench-table min-w-[56rem]">
      <thead>
        <tr>
          <th scope="col">
            <span className="sr-only">Of the day</span>
          </th>
          {MONTH_NAMES.map((name) => (
            <th key={name} scope="col" className="text-center">
              {name.slice(0, 3)}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {(['low', 'high'] as const).map((list) => (
          <tr key={list}>
            <th scope="row">
              {list === 'low' ? 'Lowest' : 'Highest'}, °{unit}
            </th>
            {MONTH_NAMES.map((name, i) => (
              <td key={name} className="!px-0.5">
                {mayChange ? (
                  <input
                    {...register(`normals.${list}.${i}`)}
                    aria-label={`${name}, ${list === 'low' ? 'lowest' : 'highest'}`}
                    aria-invalid={errors[`normals.${list}[${i}]`] !== undefined}
                    inputMode="decimal"
                    className="bench-input !px-1 text-center"
                  />
                ) : (
                  <span className="block text-center tabular-nums">
                    {climate && fromCelsius(climate.normals[list][i]!, unit)}
                  </span>
                )}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

interface ClimateSourcesProps {
  offered: ClimateFormProps['offered'];
  take: (site: ClimateFormProps['offered'][number]) => void;
  read: (file: File | undefined) => Promise<void>;
}

/** Where figures are taken from. */
function ClimateSources({ offered, take, read }: ClimateSourcesProps) {
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-3 sm:grid-cols-2">
      <Field label="Take a simulated climate" hint="Made up, for trying things out; nothing is saved until you say so">
        <select
          value=""
          onChange={(event) => {
            const site = offered.find(({ id }) => id === event.target.value);
            if (site) take(site);
          }}
        >
          <option value="">Choose</option>
          {offered.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      </Field>
      <Field label="Read normals from CSV" hint="month, lowest_c, highest_c, and last_frost, first_frost as 04-24">
        <input
          type="file"
          accept=".csv,text/csv"
          onChange={(event) => {
            void read(event.target.files?.[0]);
            event.target.value = '';
          }}
        />
      </Field>
    </div>
  );
}
