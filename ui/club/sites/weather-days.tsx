'use client';

import { X } from 'lucide-react';
import { useState } from 'react';
import type { DayOfSite } from '@/core/plan/climate/day-weather';
import { formatDate } from '@/core/units/iso-date';
import { formatLength, type LengthUnit } from '@/core/units/length';
import { parseLength } from '@/core/units/parse-length';
import { formatTemperature, type TemperatureUnit } from '@/core/units/temperature';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useSend } from '@/ui/kit/form/use-send';

interface WeatherDaysProps {
  siteId: string;
  today: string;
  /** Days that somebody entered, latest first. */
  entered: readonly DayOfSite[];
  unit: TemperatureUnit;
  length: LengthUnit;
  mayChange: boolean;
}

const SOURCES = { typed: 'typed', file: 'from a file', ordered: 'simulated, ordered', simulated: 'simulated' } as const;

/** Weather that was measured at a site: typed by the day or read from a file. It goes before the simulated one. */
export function WeatherDays({ siteId, today, entered, unit, length, mayChange }: WeatherDaysProps) {
  const { run, busy, problem } = useSend();
  return (
    <>
      {mayChange && (
        <div className="mb-3 grid gap-6 md:grid-cols-2">
          <TypedDay siteId={siteId} today={today} unit={unit} length={length} />
          <WeatherFile siteId={siteId} />
        </div>
      )}
      <Problem>{problem?.message}</Problem>
      {entered.length > 0 && (
        <details>
          <summary className="min-h-11 cursor-pointer py-2 font-bold">
            Days that were entered ({entered.length})
          </summary>
          <ul
            className="max-h-72 divide-y divide-line overflow-y-auto border-y border-line"
            tabIndex={0}
            aria-label="Entered days"
          >
            {entered.map(({ date, low, high, rain, source }) => (
              <li key={date} className="flex flex-wrap items-center gap-x-4">
                <span className="w-28 tabular-nums">{formatDate(date)}</span>
                <span className="grow">
                  {formatTemperature(low, unit)} to {formatTemperature(high, unit)}
                  {rain === null ? '' : `, ${formatLength(rain, length)} of rain`}{' '}
                  <span className="text-muted">({SOURCES[source]})</span>
                </span>
                {mayChange && (
                  <button
                    type="button"
                    className="bench-button px-2.5"
                    disabled={busy}
                    aria-label={`Take ${formatDate(date)} away`}
                    onClick={() => void run('DELETE', `/api/sites/${siteId}/weather-days/${date}`)}
                  >
                    <X aria-hidden className="size-4" />
                  </button>
                )}
              </li>
            ))}
          </ul>
        </details>
      )}
    </>
  );
}

function TypedDay({ siteId, today, unit, length }: Pick<WeatherDaysProps, 'siteId' | 'today' | 'unit' | 'length'>) {
  const { run, busy, problem } = useSend();
  const [day, setDay] = useState({ date: today, low: '', high: '', rain: '' });
  const [told, setTold] = useState('');
  const field = (key: keyof typeof day) => ({
    value: day[key],
    onChange: (event: { target: { value: string } }) => setDay({ ...day, [key]: event.target.value }),
  });
  const save = async (): Promise<void> => {
    setTold('');
    const rain = parseLength(day.rain, length);
    const sent = await run('PUT', `/api/sites/${siteId}/weather-days`, {
      unit,
      days: [{ ...day, rain: rain ?? day.rain }],
    });
    if (!sent?.ok) return;
    setTold(`Kept for ${formatDate(day.date)}.`);
    setDay({ ...day, low: '', high: '', rain: '' });
  };
  const wrong = (key: string): string | undefined => problem?.fields[`days[0].${key}`];
  return (
    <form
      noValidate
      className="flex flex-col gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
    >
      <h3 className="font-bold">A day as it was measured</h3>
      <Problem>{problem?.message}</Problem>
      <div className="grid grid-cols-2 gap-2">
        <Field label="Day" error={wrong('date')}>
          <input type="date" max={today} {...field('date')} />
        </Field>
        <Field label={`Rain, ${length}`} error={wrong('rain')}>
          <input inputMode="decimal" {...field('rain')} />
        </Field>
        <Field label={`Lowest, °${unit}`} needed error={wrong('low')}>
          <input inputMode="decimal" {...field('low')} />
        </Field>
        <Field label={`Highest, °${unit}`} needed error={wrong('high')}>
          <input inputMode="decimal" {...field('high')} />
        </Field>
      </div>
      <p role="status" className="font-bold empty:hidden">
        {told}
      </p>
      <button type="submit" className="bench-button self-start" disabled={busy}>
        Keep the day
      </button>
    </form>
  );
}

function WeatherFile({ siteId }: { siteId: string }) {
  const { run, busy, problem } = useSend();
  const [told, setTold] = useState('');
  return (
    <form
      noValidate
      className="flex flex-col gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        const form = event.currentTarget;
        setTold('');
        void run<{ days: number; notes: string[] }>(
          'POST',
          `/api/sites/${siteId}/weather-days`,
          new FormData(form),
        ).then((sent) => {
          if (!sent?.ok) return;
          setTold([`Read: ${sent.data.days} days.`, ...sent.data.notes].join(' '));
          form.reset();
        });
      }}
    >
      <h3 className="font-bold">Days from a file</h3>
      <Problem>{problem?.message}</Problem>
      <Field
        label="CSV file of days"
        hint="Columns date, lowest_c, highest_c and, if there is one, rain_mm; or lowest_f, highest_f"
      >
        <input type="file" name="file" accept=".csv,text/csv,text/plain" />
      </Field>
      <p role="status" className="font-bold empty:hidden">
        {told}
      </p>
      <button type="submit" className="bench-button self-start" disabled={busy}>
        Read the days
      </button>
    </form>
  );
}
