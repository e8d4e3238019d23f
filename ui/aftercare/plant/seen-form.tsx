'use client';

import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import type { UnionLife } from '@/core/aftercare/life/plant-life';
import type { ObservationKind } from '@/core/aftercare/observation-input';
import { PLANT_EVENTS, type PlantEvent } from '@/core/methods/timetable/trigger';
import { parseLength } from '@/core/units/parse-length';
import { formatDate } from '@/core/units/iso-date';
import { formatLength, type LengthUnit } from '@/core/units/length';
import { Field } from '@/ui/kit/form/field';
import { deviceItem } from '../device-item';
import { deviceToday } from '@/ui/kit/device/device-clock';
import type { AtPlant } from './at-plant';

const KINDS: [ObservationKind, string][] = [
  ['height', 'Height of the new shoot'],
  ['shortened', 'Shortened on purpose'],
  ['event', 'Something that tasks wait for'],
  ['caliper', 'Caliper of the stock'],
  ['opened', 'Opened to look'],
];
const MEASURED: ObservationKind[] = ['height', 'shortened', 'caliper'];

interface Entry {
  kind: ObservationKind;
  event: PlantEvent;
  length: string;
  note: string;
  on: string;
}

/** Enters what was seen on a union: tasks that wait for it get their days. */
export function SeenForm({ life, at: { me, queue, unit, code } }: { life: UnionLife; at: AtPlant }) {
  const [entry, setEntry] = useState<Entry>(() => ({
    kind: 'height',
    event: 'growth-starts',
    length: '',
    note: '',
    on: deviceToday(),
  }));
  const [told, setTold] = useState<{ words: string; wrong: boolean }>({ words: '', wrong: false });
  const save = async (): Promise<void> => {
    const { kind, event, length, note, on } = entry;
    const mm = MEASURED.includes(kind) ? lengthOf(length, unit) : null;
    const wrong = problemOf({ kind, mm, on, note, madeOn: life.madeOn });
    if (wrong !== '') return setTold({ words: wrong, wrong: true });
    const shrunk = kind === 'height' && mm !== null ? shrunkSince(life.heights, mm, on) : null;
    const asking = shrunk && shrinkWords(shrunk, unit);
    // Asked once; whoever keeps it again means it.
    if (asking && told.words !== asking) return setTold({ words: asking, wrong: true });
    const called = `${KINDS.find(([known]) => known === kind)![1]}, ${code}`;
    const about = kind === 'event' ? event : '';
    try {
      await queue.keep({
        ...deviceItem(me, uuid(), called),
        kind: 'seen',
        body: { unionId: life.unionId, kind, about, lengthMm: mm, note: note.trim(), seenOn: on },
      });
      setEntry({ ...entry, length: '', note: '' });
      setTold({ words: 'Kept.', wrong: false });
    } catch {
      setTold({ words: 'This browser could not keep it: its storage is full or closed to this page.', wrong: true });
    }
  };
  return (
    <details className="mb-3">
      <summary className="min-h-11 cursor-pointer py-2 font-bold">Enter what was seen</summary>
      <div className="flex flex-wrap items-end gap-3 border-l-4 border-ink bg-mist p-3">
        <SeenFields entry={entry} unit={unit} onChange={(change) => setEntry({ ...entry, ...change })} />
        <button type="button" className="bench-button" data-weight="main" onClick={() => void save()}>
          Keep it
        </button>
        {entry.kind === 'opened' && (
          <p className="w-full text-sm">
            A union that was opened is outside of take from then on, and nothing more is asked of it.
          </p>
        )}
        <p
          role={told.wrong ? 'alert' : 'status'}
          className={`w-full font-bold empty:hidden ${told.wrong ? 'text-loud' : ''}`}
        >
          {told.words}
        </p>
      </div>
    </details>
  );
}

interface SeenFieldsProps {
  entry: Entry;
  unit: LengthUnit;
  onChange: (change: Partial<Entry>) => void;
}

function SeenFields({ entry: { kind, event, length, note, on }, unit, onChange }: SeenFieldsProps) {
  return (
    <>
      <Field label="What">
        <select value={kind} onChange={(change) => onChange({ kind: change.target.value as ObservationKind })}>
          {KINDS.map(([id, words]) => (
            <option key={id} value={id}>
              {words}
            </option>
          ))}
        </select>
      </Field>
      {kind === 'event' && (
        <Field label="Which">
          <select value={event} onChange={(change) => onChange({ event: change.target.value as PlantEvent })}>
            {Object.entries(PLANT_EVENTS).map(([id, words]) => (
              <option key={id} value={id}>
                {words}
              </option>
            ))}
          </select>
        </Field>
      )}
      {MEASURED.includes(kind) && (
        <Field label={`${kind === 'shortened' ? 'New height' : 'Length'}, ${unit}`} needed>
          <input inputMode="decimal" value={length} onChange={(change) => onChange({ length: change.target.value })} />
        </Field>
      )}
      <Field label="On">
        <input
          type="date"
          value={on}
          max={deviceToday()}
          onChange={(change) => onChange({ on: change.target.value })}
        />
      </Field>
      <Field label={kind === 'shortened' ? 'Why' : 'Note'} needed={kind === 'shortened'}>
        <input maxLength={300} value={note} onChange={(change) => onChange({ note: change.target.value })} />
      </Field>
    </>
  );
}

/** A height a shoot had before, where it is clearly lower now: shoots do not shrink by themselves. */
export function shrunkSince(
  heights: UnionLife['heights'],
  mm: number,
  on: string,
): UnionLife['heights'][number] | null {
  const before = heights.filter((height) => height.on <= on).at(-1);
  return before && mm < before.mm * MEASURED_ALIKE ? before : null;
}
/** Two people measure one shoot within a tenth: our guess. */
const MEASURED_ALIKE = 0.9;

function shrinkWords({ on, mm }: UnionLife['heights'][number], unit: LengthUnit): string {
  return `It was ${formatLength(mm, unit)} on ${formatDate(on)}. If it was shortened or broke, enter that instead; if it was measured wrongly, keep it once more.`;
}

function lengthOf(typed: string, unit: LengthUnit): number | null {
  return parseLength(typed, unit);
}

interface Entered {
  kind: ObservationKind;
  mm: number | null;
  on: string;
  note: string;
  madeOn: string;
}

function problemOf({ kind, mm, on, note, madeOn }: Entered): string {
  if (MEASURED.includes(kind) && (mm === null || mm < 0)) return 'Enter the length as a number.';
  if (mm !== null && mm > 6000) return 'More than 6 m in these years cannot be right. Check the unit.';
  if (kind === 'shortened' && note.trim() === '') return 'Say why: tipped, wood taken, blossom cut.';
  if (on === '' || on > deviceToday()) return 'Enter the day it was seen, up to today.';
  if (on < madeOn) return 'It was seen before it was made? Check the day.';
  return '';
}
