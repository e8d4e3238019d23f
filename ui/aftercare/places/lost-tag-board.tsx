'use client';

import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import { formatCode } from '@/core/codes/plant-code';
import type { PlacedPlant, PlaceView } from '@/core/aftercare/places/place-view';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useSend } from '@/ui/kit/form/use-send';
import { RibbonStrip } from '@/ui/plan/wood/ribbon';
import { deviceToday } from '@/ui/kit/device/device-clock';
import { type Found, Kept, plantName, Verdict } from './lost-tag-verdict';

interface LostTagBoardProps {
  place: PlaceView;
  /** Plants on record here, in planting order. */
  plants: readonly PlacedPlant[];
}

interface Seen {
  after: string;
  before: string;
  lotId: string;
  untagged: string;
  foundOn: string;
  tagsSeen: ReadonlySet<string>;
}

/** Finds out which plant has lost its tag: from its neighbours, its flagging, and the tags that are still there. */
export function LostTagBoard({ place, plants }: LostTagBoardProps) {
  const { run, busy, problem } = useSend();
  const [findId, setFindId] = useState(() => uuid());
  const [seen, setSeen] = useState<Seen>(() => ({
    after: '',
    before: '',
    lotId: '',
    untagged: '1',
    foundOn: deviceToday(),
    tagsSeen: new Set(),
  }));
  const [found, setFound] = useState<Found | null>(null);
  const [kept, setKept] = useState<Found | null>(null);
  const body = (plantId: string | null): object => ({ ...seen, tagsSeen: [...seen.tagsSeen], plantId });
  const look = async (): Promise<void> => {
    setKept(null);
    const sent = await run<Found>('POST', `/api/places/${place.id}/tag-finds/${findId}`, body(null));
    setFound(sent?.ok ? sent.data : null);
  };
  const keep = async (plantId: string | null): Promise<void> => {
    const sent = await run<Found>('PUT', `/api/places/${place.id}/tag-finds/${findId}`, body(plantId));
    if (!sent?.ok) return;
    setKept(sent.data);
    setFound(null);
    setFindId(uuid());
  };
  const change = (changes: Partial<Seen>): void => {
    setSeen({ ...seen, ...changes });
    setFound(null);
  };
  return (
    <div className="grid gap-x-8 gap-y-6 lg:grid-cols-[1fr_1fr]">
      <form
        noValidate
        className="flex flex-col gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          void look();
        }}
      >
        <Problem>{problem?.message}</Problem>
        <SeenFields seen={seen} plants={plants} fields={problem?.fields ?? {}} onChange={change} />
        <TagsThere plants={plants} seen={seen} onChange={change} />
        <button type="submit" className="bench-button self-start" data-weight="main" disabled={busy}>
          Which plant is it?
        </button>
      </form>
      <div aria-live="polite">
        {found && <Verdict found={found} plants={plants} busy={busy} onKeep={keep} />}
        {kept && <Kept found={kept} plants={plants} />}
        {!found && !kept && (
          <p className="text-muted">
            Enter what can be seen; nothing is kept before you say so. In a bed the two neighbours are enough; in a pail
            the tags that are there leave over those that are not.
          </p>
        )}
      </div>
    </div>
  );
}

interface SeenFieldsProps {
  seen: Seen;
  plants: readonly PlacedPlant[];
  fields: Record<string, string>;
  onChange: (changes: Partial<Seen>) => void;
}

/** Neighbours, lot, how many are without a tag, and the day. */
function SeenFields({ seen, plants, fields, onChange }: SeenFieldsProps) {
  const lots = [...new Map(plants.map((plant) => [plant.lotId, plant])).values()];
  const inRows = plants.some(({ standing }) => standing !== null && standing.spot.row !== null);
  const neighbours: ['after' | 'before', string][] = inRows
    ? [
        ['after', 'The tagged plant before it'],
        ['before', 'The tagged plant after it'],
      ]
    : [];
  return (
    <>
      {neighbours.map(([key, label]) => (
        <Field key={key} label={label} error={fields[key]}>
          <select value={seen[key]} onChange={(event) => onChange({ [key]: event.target.value })}>
            <option value="">none, or not known</option>
            {plants.map((plant) => (
              <option key={plant.plantId} value={plant.plantId}>
                {plantName(plant)}
              </option>
            ))}
          </select>
        </Field>
      ))}
      <Field label="Its lot, by flagging or wood" error={fields.lotId}>
        <select value={seen.lotId} onChange={(event) => onChange({ lotId: event.target.value })}>
          <option value="">cannot be told</option>
          {lots.map(({ lotId, variety }) => (
            <option key={lotId} value={lotId}>
              {variety}
            </option>
          ))}
        </select>
      </Field>
      <div className="grid grid-cols-2 gap-3">
        <Field label="Plants here without a tag" needed error={fields.untagged}>
          <input
            inputMode="numeric"
            value={seen.untagged}
            onChange={(event) => onChange({ untagged: event.target.value })}
          />
        </Field>
        <Field label="Found on" error={fields.foundOn}>
          <input
            type="date"
            max={deviceToday()}
            value={seen.foundOn}
            onChange={(event) => onChange({ foundOn: event.target.value })}
          />
        </Field>
      </div>
    </>
  );
}

interface TagsThereProps {
  plants: readonly PlacedPlant[];
  seen: Seen;
  onChange: (changes: Partial<Seen>) => void;
}

/** Tags that can be read here: whoever has its tag is not the one. */
function TagsThere({ plants, seen: { tagsSeen }, onChange }: TagsThereProps) {
  const toggle = (plantId: string, is: boolean): void => {
    const next = new Set(tagsSeen);
    if (is) next.add(plantId);
    else next.delete(plantId);
    onChange({ tagsSeen: next });
  };
  return (
    <details open={plants.length <= 40}>
      <summary className="min-h-11 cursor-pointer py-2 font-bold">
        Tags that can be read here ({tagsSeen.size} of {plants.length})
      </summary>
      <p className="mb-2 flex gap-2">
        <button
          type="button"
          className="bench-button"
          onClick={() => onChange({ tagsSeen: new Set(plants.map(({ plantId }) => plantId)) })}
        >
          All
        </button>
        <button type="button" className="bench-button" onClick={() => onChange({ tagsSeen: new Set() })}>
          None
        </button>
      </p>
      <ul
        className="grid max-h-96 grid-cols-2 gap-x-4 overflow-y-auto sm:grid-cols-3"
        tabIndex={0}
        aria-label="Tags on record here"
      >
        {plants.map(({ plantId, code, ribbon }) => (
          <li key={plantId}>
            <label className="flex min-h-11 items-center gap-2">
              <input
                type="checkbox"
                className="size-5"
                checked={tagsSeen.has(plantId)}
                onChange={(event) => toggle(plantId, event.target.checked)}
              />
              <span className="font-bold">{formatCode(code)}</span>
              <RibbonStrip id={ribbon} />
            </label>
          </li>
        ))}
      </ul>
    </details>
  );
}
