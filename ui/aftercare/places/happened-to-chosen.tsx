'use client';

import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import { DEADLY, type Happening } from '@/core/aftercare/happening';
import { counted } from '@/core/units/counted';
import { deviceToday } from '@/ui/kit/device/device-clock';
import { Field } from '@/ui/kit/form/field';
import { HappeningSelect } from '../happening-select';
import { Problem } from '@/ui/kit/form/problem';
import { useSend } from '@/ui/kit/form/use-send';

/** Says what happened to the plants that are chosen: a row mown, a bed under water, on any day. */
export function HappenedToChosen({ plantIds }: { plantIds: readonly string[] }) {
  const { run, busy, problem, setProblem } = useSend();
  const [what, setWhat] = useState<Happening>('mown');
  const [dead, setDead] = useState(false);
  const [on, setOn] = useState(deviceToday);
  const [note, setNote] = useState('');
  const [told, setTold] = useState('');
  /** The same request keeps its id until it was answered. */
  const [pending, setPending] = useState({ body: '', id: '' });
  const deadly = DEADLY.includes(what);
  const save = async (): Promise<void> => {
    if (plantIds.length === 0)
      return setProblem({ message: 'Choose at least one plant: by its tag, on the map or in the list.', fields: {} });
    const body = { plantIds, what, dead: what === 'died' || (deadly && dead), on, note: note.trim() };
    const spelled = JSON.stringify(body);
    const id = pending.body === spelled ? pending.id : uuid();
    setPending({ body: spelled, id });
    const sent = await run<{ told: number }>('PUT', `/api/plant-happenings/${id}`, body);
    if (sent?.ok) setTold(`Kept of ${counted(sent.data.told, 'union')}. Each can be taken back on its plant’s page.`);
  };
  return (
    <details className="mt-3 border-t border-line pt-2">
      <summary className="min-h-11 cursor-pointer py-2 font-bold">What happened to them</summary>
      <div className="flex flex-col gap-2">
        <HappeningSelect what={what} onWhat={setWhat} />
        {deadly && what !== 'died' && (
          <label className="flex min-h-11 items-center gap-2">
            <input
              type="checkbox"
              className="size-5"
              checked={dead}
              onChange={(event) => setDead(event.target.checked)}
            />
            All of them are dead of it
          </label>
        )}
        <Field label="Happened on" error={problem?.fields.on}>
          <input type="date" value={on} max={deviceToday()} onChange={(event) => setOn(event.target.value)} />
        </Field>
        <Field label="What is known of it">
          <input maxLength={300} value={note} onChange={(event) => setNote(event.target.value)} />
        </Field>
        <button type="button" className="bench-button self-start" disabled={busy} onClick={() => void save()}>
          Keep it of {counted(plantIds.length, 'plant')}
        </button>
        <Problem>{problem?.message}</Problem>
        <p role="status" className="font-bold empty:hidden">
          {told}
        </p>
      </div>
    </details>
  );
}
