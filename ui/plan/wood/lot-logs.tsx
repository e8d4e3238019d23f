'use client';

import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import { formatDate } from '@/core/units/iso-date';
import { formatTemperature, type TemperatureUnit } from '@/core/units/temperature';
import type { LoggerSummary } from '@/core/plan/wood/logger-run';
import { DegreesField } from '@/ui/kit/form/degrees-field';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useSend } from '@/ui/kit/form/use-send';
import { StoreChart } from './store-chart';

interface LotLogsProps {
  lotId: string;
  runs: { id: string; fileName: string; summary: LoggerSummary; notes: string[] }[];
  readings: { at: string; value: number }[];
  range: { from: number; to: number };
  unit: TemperatureUnit;
  /** Where the logger may have lain; asked for where their clocks differ. */
  sites: { id: string; name: string }[];
  mayChange: boolean;
}

/** What the loggers wrote of the store: drawn, summed up, and a file to add. */
export function LotLogs({ lotId, runs, readings, range, unit, sites, mayChange }: LotLogsProps) {
  const { run, busy, problem } = useSend();
  const [runId, setRunId] = useState(() => uuid());
  const [notes, setNotes] = useState<string[] | null>(null);
  const degrees = (celsius: number): string => formatTemperature(celsius, unit);
  const submit = async (event: React.FormEvent<HTMLFormElement>): Promise<void> => {
    event.preventDefault();
    const form = event.currentTarget;
    const data = new FormData(form);
    data.set('runId', runId);
    setNotes(null);
    const sent = await run<{ notes: string[] }>('POST', `/api/wood/${lotId}/logs`, data);
    if (!sent?.ok) return;
    setNotes(sent.data.notes);
    setRunId(uuid());
    form.reset();
  };
  return (
    <div className="flex flex-col gap-3">
      {readings.length > 1 && <StoreChart readings={readings} range={range} unit={unit} />}
      {runs.length === 0 && <p className="text-muted">No log of the store yet.</p>}
      <ul className="divide-y divide-line">
        {runs.map(({ id, fileName, summary, notes: kept }) => (
          <li key={id} className="py-1.5">
            <span className="font-bold">{fileName}</span>: {formatDate(summary.from.slice(0, 10))} to{' '}
            {formatDate(summary.to.slice(0, 10))}, {degrees(summary.low)} to {degrees(summary.high)}, mean{' '}
            {degrees(summary.mean)};{' '}
            <span className={summary.hoursAbove >= 24 ? 'font-bold text-loud' : ''}>
              {Math.round(summary.hoursAbove)} hours above {degrees(range.to)}
            </span>
            , {Math.round(summary.hoursBelow)} below {degrees(range.from)}.
            {kept.map((note) => (
              <span key={note} className="block text-sm text-muted">
                {note}
              </span>
            ))}
          </li>
        ))}
      </ul>
      {mayChange && <LogForm submit={submit} problem={problem} notes={notes} sites={sites} busy={busy} />}
    </div>
  );
}

interface LogFormProps {
  submit: (event: React.FormEvent<HTMLFormElement>) => Promise<void>;
  problem: { message: string; fields: Record<string, string> } | null;
  notes: string[] | null;
  sites: LotLogsProps['sites'];
  busy: boolean;
}

/** A logger's file to read. */
function LogForm({ submit, problem, notes, sites, busy }: LogFormProps) {
  return (
    <form onSubmit={(event) => void submit(event)} className="flex flex-col gap-2 border-t border-line pt-3" noValidate>
      <Problem>{problem?.message}</Problem>
      {notes && (
        <p role="status" className="font-bold">
          Read. {notes.length === 0 ? 'Nothing had to be put right.' : notes.join(' ')}
        </p>
      )}
      <div className="grid grid-cols-[minmax(0,1fr)] gap-2 sm:grid-cols-[minmax(0,1fr)_12rem]">
        <Field label="CSV file of a logger" hint="Columns time and temperature_c or temperature_f">
          <input type="file" name="file" accept=".csv,text/csv,text/plain" />
        </Field>
        <DegreesField error={problem?.fields.unit} />
      </div>
      {sites.length > 1 && (
        <Field label="Where the logger lay" hint="For times that name no zone." error={problem?.fields.siteId}>
          <select name="siteId" defaultValue="">
            <option value="">where the wood is used</option>
            {sites.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </Field>
      )}
      <div className="flex flex-wrap items-center gap-3">
        <button type="submit" className="bench-button" disabled={busy}>
          Read the log
        </button>
        <a href="/stand-ins/logger">Simulated logger</a>
      </div>
    </form>
  );
}
