'use client';

import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import { DegreesField } from '@/ui/kit/form/degrees-field';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useSend } from '@/ui/kit/form/use-send';

/** Reads the file of a logger; one of another logger or place is asked about first. */
export function PlaceLogForm({ placeId, zone }: { placeId: string; zone: string }) {
  const { run, busy, problem } = useSend();
  const [logId, setLogId] = useState(() => uuid());
  const [told, setTold] = useState('');
  const [anyway, setAnyway] = useState(false);
  const submit = async (event: React.FormEvent<HTMLFormElement>): Promise<void> => {
    event.preventDefault();
    const form = event.currentTarget;
    const data = new FormData(form);
    data.set('logId', logId);
    setTold('');
    const sent = await run<{ added: number; readings: number; notes: string[] }>(
      'POST',
      `/api/places/${placeId}/logs`,
      data,
    );
    if (!sent?.ok) return;
    const { added, readings, notes } = sent.data;
    setTold([`Read: ${added} of ${readings} readings were new.`, ...notes].join(' '));
    setLogId(uuid());
    setAnyway(false);
    form.reset();
  };
  return (
    <form onSubmit={(event) => void submit(event)} className="flex flex-col gap-2" noValidate>
      <h3 className="font-bold">Read a logger’s file</h3>
      <Problem>{problem?.message}</Problem>
      <p role="status" className="font-bold empty:hidden">
        {told}
      </p>
      <Field
        label="CSV file of the logger"
        hint="Columns time and temperature_c or temperature_f; a column logger names it"
      >
        <input type="file" name="file" accept=".csv,text/csv,text/plain" />
      </Field>
      <div className="grid grid-cols-2 gap-2">
        <DegreesField error={problem?.fields.unit} />
        <Field label="Its clock" hint={`Empty: ${zone}`} error={problem?.fields.zone}>
          <input name="zone" autoComplete="off" placeholder={zone} />
        </Field>
      </div>
      {(problem?.fields.anyway !== undefined || anyway) && (
        <label className="flex min-h-11 items-center gap-2 font-bold">
          <input
            type="checkbox"
            className="size-5"
            name="anyway"
            value="yes"
            checked={anyway}
            onChange={(event) => setAnyway(event.target.checked)}
          />
          It is of this place all the same
        </label>
      )}
      <button type="submit" className="bench-button self-start" disabled={busy}>
        Read it
      </button>
    </form>
  );
}
