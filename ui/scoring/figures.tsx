'use client';

import { useId, type KeyboardEvent } from 'react';
import type { HollowPick } from '@/core/contact/hollow';
import { formatLengthNumber, type LengthUnit } from '@/core/units/length';
import type { Measures } from '@/core/methods/measures';
import type { Entry, Typed } from './entry';

interface FiguresProps {
  entry: Entry;
  unit: LengthUnit;
  measures: Measures | null;
  errors: Partial<Record<string, string>>;
  onChange: (entry: Entry) => void;
}

const MAIN: [Typed, string][] = [['stockDiameter', 'Stock Ø'], ['scionDiameter', 'Scion Ø'], ['stockLength', 'Stock cut'], ['scionLength', 'Scion cut']];

const PLACEMENTS: [Entry['placement'], string][] = [
  ['left-lines', 'Left, lines met'], ['middle', 'Middle'], ['right-lines', 'Right, lines met'],
  ['left-flush', 'Left, outsides flush'], ['mm', 'By figure'], ['right-flush', 'Right, outsides flush'],
];

const HOLLOWS: [HollowPick | 'mm', string][] = [['none', 'None'], ['hairline', 'Hairline'], ['hollow', 'Hollow'], ['deep', 'Deep'], ['mm', 'Figure']];

/** The figures of a union: four that are typed, how the scion is set, and what differs from the usual. */
export function Figures({ entry, unit, measures, errors, onChange }: FiguresProps) {
  const setText = (name: Typed, text: string): void =>
    onChange({ ...entry, texts: { ...entry.texts, [name]: text }, kept: entry.kept.filter((kept) => kept !== name) });
  const shown = (name: 'stockBark' | 'scionBark'): string => (measures ? formatLengthNumber(measures[name].value, unit) : 'a tenth of Ø');
  return (
    <div className="flex flex-col gap-2.5">
      <div className="grid grid-cols-4 gap-2">
        {MAIN.map(([name, label]) => (
          <Figure key={name} name={name} label={label} entry={entry} error={errors[name]} onText={setText} />
        ))}
      </div>
      <Choices
        legend="How the scion is set" name="placement" columns="grid-cols-3" choices={PLACEMENTS} value={entry.placement}
        onPick={(placement) => onChange({ ...entry, placement })}
      />
      {entry.placement === 'mm' && <Figure name="offset" label="Offset to the right (left is negative)" entry={entry} error={errors.offset} onText={setText} />}
      <div className="grid gap-2">
        {(['stock', 'scion'] as const).map((piece) => (
          <div key={piece}>
            <Choices
              legend={`Hollow of the ${piece}`} name={`hollow-${piece}`} columns="grid-cols-5" choices={HOLLOWS} value={entry.hollow[piece]}
              onPick={(pick) => onChange({ ...entry, hollow: { ...entry.hollow, [piece]: pick } })}
            />
            {entry.hollow[piece] === 'mm' && (
              <Figure name={`${piece}Hollow`} label="Depth in the middle" entry={entry} error={errors[`${piece}Hollow`]} onText={setText} />
            )}
          </div>
        ))}
      </div>
      <details className="border-t border-line pt-1" open={['stockBark', 'scionBark', 'lift', 'turn'].some((name) => errors[name])}>
        <summary className="min-h-9 cursor-pointer py-1 font-bold">
          Bark and lie <span className="font-normal text-muted italic">bark assumed {shown('stockBark')} and {shown('scionBark')}{measures ? ` ${unit}` : ''}</span>
        </summary>
        <div className="grid grid-cols-4 gap-2">
          <Figure name="stockBark" label="Stock bark" placeholder={shown('stockBark')} entry={entry} error={errors.stockBark} onText={setText} />
          <Figure name="scionBark" label="Scion bark" placeholder={shown('scionBark')} entry={entry} error={errors.scionBark} onText={setText} />
          <Figure name="lift" label="Lift, up" placeholder="0" entry={entry} error={errors.lift} onText={setText} />
          <Figure name="turn" label="Turn, °" placeholder="0" entry={entry} error={errors.turn} onText={setText} />
        </div>
      </details>
    </div>
  );
}

interface FigureProps {
  name: Typed;
  label: string;
  placeholder?: string;
  entry: Entry;
  error: string | undefined;
  onText: (name: Typed, text: string) => void;
}

function Figure({ name, label, placeholder, entry, error, onText }: FigureProps) {
  const id = useId();
  const kept = entry.kept.includes(name);
  return (
    <div className="min-w-0">
      <label htmlFor={id} className="block truncate text-sm font-bold">{label}</label>
      <input
        id={id} name={name} value={entry.texts[name]} placeholder={placeholder} inputMode="decimal" autoComplete="off" enterKeyHint="next"
        aria-invalid={error !== undefined} aria-describedby={error || kept ? `${id}-about` : undefined}
        onChange={(event) => onText(name, event.target.value)} onFocus={(event) => event.target.select()} onKeyDown={nextOnEnter}
        className={`bench-input text-lg font-bold placeholder:font-normal placeholder:text-muted placeholder:italic ${kept ? 'border-dashed italic' : ''}`}
      />
      {error ? (
        <p id={`${id}-about`} className="text-sm font-bold text-loud">{error}</p>
      ) : (
        kept && <p id={`${id}-about`} className="truncate text-xs text-muted">kept from last</p>
      )}
    </div>
  );
}

/** Enter commits a figure and goes on to the next field, as a caliper's Enter does. */
function nextOnEnter(event: KeyboardEvent<HTMLInputElement>): void {
  if (event.key !== 'Enter' || event.ctrlKey || event.metaKey || event.shiftKey) return;
  event.preventDefault();
  const all = [...event.currentTarget.form!.querySelectorAll<HTMLElement>('[name="stockDiameter"],[name="scionDiameter"],[name="stockLength"],[name="scionLength"],[name="placement"]:checked,[data-save]')];
  const at = all.indexOf(event.currentTarget);
  (at < 0 ? all.find((element) => element.hasAttribute('data-save')) : all[at + 1])?.focus();
}

interface ChoicesProps<T extends string> {
  legend: string;
  name: string;
  columns: string;
  choices: [T, string][];
  value: T;
  onPick: (value: T) => void;
}

/** Picks in words, each a target for a thumb; the number keys pick when the group has the focus. */
function Choices<T extends string>({ legend, name, columns, choices, value, onPick }: ChoicesProps<T>) {
  return (
    <fieldset
      onKeyDown={(event) => {
        const pick = choices[Number(event.key) - 1];
        if (!pick || event.key === ' ' || event.ctrlKey) return;
        event.preventDefault();
        onPick(pick[0]);
        const group = event.currentTarget;
        requestAnimationFrame(() => {
          group.querySelector<HTMLElement>('input:checked')?.focus();
        });
      }}
    >
      <legend className="text-sm font-bold">{legend}</legend>
      <div className={`grid gap-1 ${columns}`}>
        {choices.map(([choice, label], i) => (
          <label
            key={choice}
            className="flex min-h-11 cursor-pointer items-center gap-1 border-2 border-line bg-sheet px-1 text-[0.82rem] leading-tight has-checked:border-ink has-checked:bg-ink has-checked:text-paper has-focus-visible:outline-3 has-focus-visible:outline-offset-2 has-focus-visible:outline-ink"
          >
            <input type="radio" name={name} value={choice} checked={value === choice} onChange={() => onPick(choice)} className="sr-only" />
            <span aria-hidden className="text-[0.65rem]">{i + 1}</span>{label}
          </label>
        ))}
      </div>
    </fieldset>
  );
}
