'use client';

import { parseDecimal } from '@/core/units/decimal';
import { useState, type Dispatch, type SetStateAction } from 'react';
import { type Climate, MONTH_NAMES } from '@/core/plan/climate/normals';
import { fromCelsius, type TemperatureUnit, toCelsius } from '@/core/units/temperature';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useSend } from '@/ui/kit/form/use-send';

interface ClimateFormProps {
  siteId: string;
  version: number;
  climate: Climate | null;
  source: string;
  /** Climates of the simulated weather service. */
  offered: { id: string; name: string; climate: Climate }[];
  unit: TemperatureUnit;
  mayChange: boolean;
}

type Typed = {
  low: string[];
  high: string[];
  lastFrost: string;
  firstFrost: string;
  frostMargin: string;
  source: string;
};

const typedOf = (climate: Climate | null, source: string, unit: TemperatureUnit): Typed => ({
  low: MONTH_NAMES.map((_, i) => (climate ? String(fromCelsius(climate.normals.low[i]!, unit)) : '')),
  high: MONTH_NAMES.map((_, i) => (climate ? String(fromCelsius(climate.normals.high[i]!, unit)) : '')),
  lastFrost: climate?.lastFrost ?? '',
  firstFrost: climate?.firstFrost ?? '',
  frostMargin: String(climate?.frostMargin ?? 12),
  source,
});

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
  version,
  climate,
  source,
  offered,
  unit,
  mayChange,
  notes,
  setNotes,
}: ClimateFormProps & Noted) {
  const { run, busy, problem } = useSend();
  const [typed, setTyped] = useState(() => typedOf(climate, source, unit));
  const month = (list: 'low' | 'high', i: number, value: string): void =>
    setTyped({ ...typed, [list]: typed[list].map((text, at) => (at === i ? value : text)) });
  const degrees = (text: string): number | string => {
    const value = parseDecimal(text);
    return value === null ? text : toCelsius(value, unit);
  };
  const save = async (event: React.FormEvent): Promise<void> => {
    event.preventDefault();
    setNotes(null);
    const sent = await run('PUT', `/api/sites/${siteId}/climate`, {
      version,
      source: typed.source,
      normals: { low: typed.low.map(degrees), high: typed.high.map(degrees) },
      lastFrost: typed.lastFrost.trim() || null,
      firstFrost: typed.firstFrost.trim() || null,
      frostMargin: typed.frostMargin,
    });
    if (sent?.ok) setNotes('Saved.');
  };
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
  const fields = problem?.fields ?? {};
  return (
    <form onSubmit={(event) => void save(event)} className="flex flex-col gap-3" noValidate>
      <Problem>{problem?.message}</Problem>
      {notes && (
        <p role="status" className="font-bold">
          {notes}
        </p>
      )}
      {mayChange && <ClimateSources offered={offered} setTyped={setTyped} unit={unit} read={read} />}
      <div
        className="relative overflow-x-auto"
        tabIndex={0}
        role="group"
        aria-label="Temperatures by month, scrolls sideways on narrow screens"
      >
        <MonthTable unit={unit} mayChange={mayChange} typed={typed} month={month} />
      </div>
      <FrostFields fields={fields} typed={typed} mayChange={mayChange} setTyped={setTyped} />
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

interface FrostFieldsProps {
  fields: Record<string, string>;
  typed: Typed;
  mayChange: ClimateFormProps['mayChange'];
  setTyped: Dispatch<SetStateAction<Typed>>;
}

/** The frosts, and where the figures are from. */
function FrostFields({ fields, typed, mayChange, setTyped }: FrostFieldsProps) {
  return (
    <div className="grid grid-cols-2 gap-2 sm:grid-cols-4">
      <Field label="Last frost" hint="month-day, empty: never freezes" error={fields.lastFrost}>
        <input
          value={typed.lastFrost}
          disabled={!mayChange}
          placeholder="04-24"
          onChange={(event) => setTyped({ ...typed, lastFrost: event.target.value })}
        />
      </Field>
      <Field label="First frost" hint="month-day" error={fields.firstFrost}>
        <input
          value={typed.firstFrost}
          disabled={!mayChange}
          placeholder="10-28"
          onChange={(event) => setTyped({ ...typed, firstFrost: event.target.value })}
        />
      </Field>
      <Field label="Frosts move by, days" error={fields.frostMargin}>
        <input
          inputMode="numeric"
          value={typed.frostMargin}
          disabled={!mayChange}
          onChange={(event) => setTyped({ ...typed, frostMargin: event.target.value })}
        />
      </Field>
      <Field label="Source of the figures" error={fields.source}>
        <input
          value={typed.source}
          disabled={!mayChange}
          maxLength={200}
          onChange={(event) => setTyped({ ...typed, source: event.target.value })}
        />
      </Field>
    </div>
  );
}

interface MonthTableProps {
  unit: ClimateFormProps['unit'];
  mayChange: ClimateFormProps['mayChange'];
  typed: Typed;
  month: (list: 'low' | 'high', i: number, value: string) => void;
}

/** The lowest and highest of each month. */
function MonthTable({ unit, mayChange, typed, month }: MonthTableProps) {
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
                    aria-label={`${name}, ${list === 'low' ? 'lowest' : 'highest'}`}
                    inputMode="decimal"
                    className="bench-input !px-1 text-center"
                    value={typed[list][i]}
                    onChange={(event) => month(list, i, event.target.value)}
                  />
                ) : (
                  <span className="block text-center tabular-nums">{typed[list][i]}</span>
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
  setTyped: Dispatch<SetStateAction<Typed>>;
  unit: ClimateFormProps['unit'];
  read: (file: File | undefined) => Promise<void>;
}

/** Where figures are taken from. */
function ClimateSources({ offered, setTyped, unit, read }: ClimateSourcesProps) {
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-3 sm:grid-cols-2">
      <Field label="Take a simulated climate" hint="Made up, for trying things out; nothing is saved until you say so">
        <select
          value=""
          onChange={(event) => {
            const site = offered.find(({ id }) => id === event.target.value);
            if (site) setTyped(typedOf(site.climate, `simulated: ${site.name}`, unit));
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
