'use client';

import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import { formatCode } from '@/core/codes/plant-code';
import { KNITTING_KINS, type KnittingKin } from '@/core/plan/phenology/assumptions';
import type { CallusView } from '@/core/aftercare/warmth/callus-view';
import type { PlaceView } from '@/core/aftercare/places/place-view';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useSend } from '@/ui/kit/form/use-send';
import { deviceToday } from '@/ui/kit/device/device-clock';

interface Entry {
  kin: KnittingKin;
  plantId: string;
  on: string;
  callused: '' | 'yes' | 'no';
  note: string;
}

/** Enters what was seen on one that was opened: a keeper, which is none after that, or a practice union. */
export function OpenedForm({ place, view }: { place: PlaceView; view: CallusView }) {
  const { run, busy, problem } = useSend();
  const [id, setId] = useState(() => uuid());
  const [entry, setEntry] = useState<Entry>({
    kin: view.kin ?? 'pome',
    plantId: '',
    on: deviceToday(),
    callused: '',
    note: '',
  });
  const change = (changes: Partial<Entry>): void => setEntry({ ...entry, ...changes });
  const plants = view.batches
    .filter(({ leftOn }) => leftOn === null)
    .flatMap(({ kin, plants: own }) => own.map((plant) => ({ ...plant, kin })));
  const save = async (): Promise<void> => {
    const sent = await run('PUT', `/api/places/${place.id}/opened/${id}`, {
      ...entry,
      callused: entry.callused === '' ? null : entry.callused === 'yes',
    });
    if (!sent?.ok) return;
    setId(uuid());
    change({ plantId: '', callused: '', note: '' });
  };
  return (
    <details>
      <summary className="min-h-11 cursor-pointer py-2 font-bold">One of the batch was opened</summary>
      <form
        noValidate
        className="flex flex-wrap items-end gap-3 border-l-4 border-ink bg-mist p-3"
        onSubmit={(event) => {
          event.preventDefault();
          void save();
        }}
      >
        <Problem>{problem?.message}</Problem>
        <WhichGraft entry={entry} plants={plants} error={problem?.fields.kin} onChange={change} />
        <Field label="Callus" needed error={problem?.fields.callused}>
          <select
            value={entry.callused}
            onChange={(event) => change({ callused: event.target.value as Entry['callused'] })}
          >
            <option value="">choose</option>
            <option value="yes">all round</option>
            <option value="no">not all round</option>
          </select>
        </Field>
        <Field label="On" error={problem?.fields.on}>
          <input
            type="date"
            value={entry.on}
            max={deviceToday()}
            onChange={(event) => change({ on: event.target.value })}
          />
        </Field>
        <Field label="Note">
          <input maxLength={300} value={entry.note} onChange={(event) => change({ note: event.target.value })} />
        </Field>
        <button type="submit" className="bench-button" data-weight="main" disabled={busy}>
          Keep it
        </button>
      </form>
    </details>
  );
}

interface WhichGraftProps {
  entry: Entry;
  plants: readonly { plantId: string; code: string; kin: KnittingKin }[];
  error: string | undefined;
  onChange: (changes: Partial<Entry>) => void;
}

function WhichGraft({ entry, plants, error, onChange }: WhichGraftProps) {
  return (
    <>
      <Field label="Which" hint="A keeper that was opened is none any more">
        <select
          value={entry.plantId}
          onChange={(event) =>
            onChange({
              plantId: event.target.value,
              kin: plants.find(({ plantId }) => plantId === event.target.value)?.kin ?? entry.kin,
            })
          }
        >
          <option value="">a practice union</option>
          {plants.map(({ plantId, code }) => (
            <option key={plantId} value={plantId}>
              {formatCode(code)}
            </option>
          ))}
        </select>
      </Field>
      {entry.plantId === '' && (
        <Field label="Kind" error={error}>
          <select value={entry.kin} onChange={(event) => onChange({ kin: event.target.value as KnittingKin })}>
            {KNITTING_KINS.map((kin) => (
              <option key={kin} value={kin}>
                {kin} kin
              </option>
            ))}
          </select>
        </Field>
      )}
    </>
  );
}
