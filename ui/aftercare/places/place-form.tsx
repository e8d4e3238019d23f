'use client';

import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import {
  type OnLand,
  PLACE_KINDS,
  PLACE_WORDS,
  type PlaceKind,
  type Rows,
  USUAL_CAPACITY,
  USUAL_ROW,
} from '@/core/aftercare/places/place';
import type { PlaceView } from '@/core/aftercare/places/place-view';
import { fromMillimetres, type LengthUnit } from '@/core/units/length';
import { parseLength } from '@/core/units/parse-length';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { SheetDialog } from '@/ui/kit/form/sheet-dialog';
import { useSend } from '@/ui/kit/form/use-send';

interface PlaceFormProps {
  siteId: string;
  /** The place that is changed; null to set one up. */
  place: PlaceView | null;
  /** Programmes of trees that are changed over. */
  programmes: readonly { id: string; tree: string }[];
  unit: LengthUnit;
  /** Where on the land a new bed or tree is laid. */
  freeSpot: OnLand;
}

/** Sets a place up or changes it: its kind, what it holds, and of a bed its rows and how far apart they are. */
export function PlaceForm(props: PlaceFormProps) {
  const { place } = props;
  const [open, setOpen] = useState(false);
  return (
    <SheetDialog
      title={place ? `Change ${place.name}` : 'Set up a place'}
      description="Capacities are the place’s own; the first figures are usual ones."
      open={open}
      onOpenChange={setOpen}
      trigger={
        <button type="button" className="bench-button">
          {place ? 'Change' : 'Set up a place'}
        </button>
      }
    >
      <PlaceFields key={`${place?.version ?? 0} ${String(open)}`} {...props} onDone={() => setOpen(false)} />
    </SheetDialog>
  );
}

interface Entry {
  kind: PlaceKind;
  name: string;
  capacity: string;
  rows: { count: string; each: string; spacing: string; between: string };
  planId: string;
}

const shown = (mm: number | null, unit: LengthUnit): string =>
  mm === null ? '' : String(Math.round(fromMillimetres(mm, unit) * 100) / 100);

function entryOf(place: PlaceView | null, unit: LengthUnit): Entry {
  const rows = place?.rows ?? {
    count: 4,
    each: USUAL_ROW.each,
    spacing: USUAL_ROW.spacing,
    between: USUAL_ROW.between,
  };
  return {
    kind: place?.kind ?? 'bed',
    name: place?.name ?? '',
    capacity: String(place?.capacity ?? USUAL_CAPACITY.bed),
    rows: {
      count: String(rows.count),
      each: String(rows.each),
      spacing: shown(rows.spacing, unit),
      between: shown(rows.between, unit),
    },
    planId: place?.planId ?? '',
  };
}

function PlaceFields({ siteId, place, programmes, unit, freeSpot, onDone }: PlaceFormProps & { onDone: () => void }) {
  const { run, busy, problem } = useSend();
  const [id] = useState(() => place?.id ?? uuid());
  const [entry, setEntry] = useState(() => entryOf(place, unit));
  const { kind, name, capacity, rows, planId } = entry;
  const change = (changes: Partial<Entry>): void => setEntry({ ...entry, ...changes });
  const length = (typed: string): number | string => {
    const value = parseLength(typed, unit);
    return value === null ? typed : Math.round(value);
  };
  const onLand = kind === 'bed' || kind === 'tree' ? (place?.onLand ?? freeSpot) : null;
  const save = async (): Promise<void> => {
    const measured: Record<keyof Rows, number | string> = {
      count: rows.count,
      each: rows.each,
      spacing: length(rows.spacing),
      between: length(rows.between),
    };
    const body = {
      siteId,
      kind,
      name,
      capacity,
      rows: kind === 'bed' ? measured : null,
      onLand,
      planId,
      version: place?.version ?? 0,
    };
    const sent = await run('PUT', `/api/places/${id}`, body);
    if (sent?.ok) onDone();
  };
  return (
    <form
      noValidate
      className="flex flex-col gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
    >
      <Problem>{problem?.message}</Problem>
      <KindField kind={kind} error={problem?.fields.kind} onChange={change} />
      <Field label="Name" needed error={problem?.fields.name}>
        <input value={name} maxLength={60} onChange={(event) => change({ name: event.target.value })} />
      </Field>
      {kind === 'bed' && <RowFields entry={entry} unit={unit} fields={problem?.fields ?? {}} onChange={change} />}
      {kind === 'tree' && programmes.length > 0 && (
        <Field label="Programme by which it is changed over" error={problem?.fields.planId}>
          <select value={planId} onChange={(event) => change({ planId: event.target.value })}>
            <option value="">none</option>
            {programmes.map((plan) => (
              <option key={plan.id} value={plan.id}>
                {plan.tree}
              </option>
            ))}
          </select>
        </Field>
      )}
      <Field label="Plants it holds" needed error={problem?.fields.capacity}>
        <input inputMode="numeric" value={capacity} onChange={(event) => change({ capacity: event.target.value })} />
      </Field>
      <button type="submit" className="bench-button self-start" data-weight="main" disabled={busy}>
        {place ? 'Save' : 'Set it up'}
      </button>
    </form>
  );
}

function KindField({
  kind,
  error,
  onChange,
}: {
  kind: PlaceKind;
  error: string | undefined;
  onChange: (changes: Partial<Entry>) => void;
}) {
  return (
    <Field label="Kind" error={error}>
      <select
        value={kind}
        onChange={(event) => {
          const next = event.target.value as PlaceKind;
          onChange({ kind: next, capacity: String(USUAL_CAPACITY[next]) });
        }}
      >
        {PLACE_KINDS.map((each) => (
          <option key={each} value={each}>
            {PLACE_WORDS[each]}
          </option>
        ))}
      </select>
    </Field>
  );
}

interface RowFieldsProps {
  entry: Entry;
  unit: LengthUnit;
  fields: Record<string, string>;
  onChange: (changes: Partial<Entry>) => void;
}

/** Rows of a bed. What it holds follows them. */
function RowFields({ entry: { rows }, unit, fields, onChange }: RowFieldsProps) {
  const set = (changes: Partial<Entry['rows']>): void => {
    const next = { ...rows, ...changes };
    const spots = Number(next.count) * Number(next.each);
    onChange({ rows: next, ...(Number.isInteger(spots) && spots > 0 ? { capacity: String(spots) } : {}) });
  };
  const inputs: [keyof Rows, string][] = [
    ['count', 'Rows'],
    ['each', 'Plants in a row'],
    ['spacing', `Apart in the row, ${unit}`],
    ['between', `Rows apart, ${unit}`],
  ];
  return (
    <div className="grid grid-cols-2 gap-3">
      {inputs.map(([key, label]) => (
        <Field key={key} label={label} needed={key === 'count' || key === 'each'} error={fields[`rows.${key}`]}>
          <input inputMode="decimal" value={rows[key]} onChange={(event) => set({ [key]: event.target.value })} />
        </Field>
      ))}
      <p className="col-span-2 text-sm text-muted">
        Without the two distances the bed is listed and no map of it can be drawn.
      </p>
    </div>
  );
}
