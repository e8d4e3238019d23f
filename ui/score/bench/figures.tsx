'use client';

import { capital } from '@/core/units/capital';
import { useState } from 'react';
import { type Field, quickFigures, usualPick } from '@/core/methods/field';
import type { Measures } from '@/core/methods/measures';
import type { Method } from '@/core/methods/method';
import { formatLengthNumber, type LengthUnit } from '@/core/units/length';
import { written } from '@/core/units/prose';
import { BY_FIGURE, type Entry } from './entry';
import { Figure } from './figure';

interface FiguresProps {
  method: Method;
  entry: Entry;
  unit: LengthUnit;
  measures: Measures | null;
  errors: Partial<Record<string, string>>;
  onChange: (entry: Entry) => void;
}

/** The figures of a union: those that are typed, those that are picked in words, and what differs from the usual. */
export function Figures({ method, entry, unit, measures, errors, onChange }: FiguresProps) {
  const setText = (name: string, text: string): void =>
    onChange({
      ...entry,
      texts: { ...entry.texts, [name]: text },
      kept: without(entry.kept, name),
      quick: without(entry.quick, name),
    });
  const [asked, setAsked] = useState<string | null>(null);
  const fieldsAt = (place: Field['place']): Field[] => method.fields.filter((field) => field.place === place);
  const [first, further] = [fieldsAt('first'), fieldsAt('further')];
  const open = first.filter(({ id }) => !entry.texts[id]);
  // The figure in hand: the one in use while it is empty, else the first that is still to be entered.
  const active = open.find(({ id }) => id === asked) ?? open[0] ?? null;
  const pickQuick = (field: Field, mm: number): void =>
    onChange({
      ...entry,
      texts: { ...entry.texts, [field.id]: formatLengthNumber(mm, unit) },
      kept: without(entry.kept, field.id),
      quick: [...without(entry.quick, field.id), field.id],
    });
  const shown = (field: Field): string => takenFor(field, measures?.[field.id], unit);
  return (
    <div className="flex flex-col gap-2.5">
      <div className={`relative grid gap-2 ${first.length === 3 ? 'grid-cols-3' : 'grid-cols-4'}`}>
        {first.map((field) => (
          <Figure
            key={field.id}
            field={field}
            first
            entry={entry}
            error={errors[field.id]}
            onText={setText}
            onAsk={setAsked}
          />
        ))}
      </div>
      {active && <QuickPicks active={active} method={method} pickQuick={pickQuick} unit={unit} />}
      {fieldsAt('picked').map((field) => {
        const value = entry.picks[field.id] ?? usualPick(field).id;
        const choices: [string, string][] = [
          ...field.picks!.map(({ id, words }): [string, string] => [id, written(words, unit)]),
          ...(field.typed ? [[BY_FIGURE, 'By figure'] as [string, string]] : []),
        ];
        return (
          <div key={field.id} className="relative">
            <Choices
              legend={field.short}
              name={field.id}
              choices={choices}
              value={value}
              onPick={(pick) => onChange({ ...entry, picks: { ...entry.picks, [field.id]: pick } })}
            />
            {value === BY_FIGURE && (
              <Figure
                field={field}
                label={figureLabel(field)}
                entry={entry}
                error={errors[field.id]}
                onText={setText}
              />
            )}
            {value !== BY_FIGURE && errors[field.id] && (
              <p className="text-sm font-bold text-loud">{errors[field.id]}</p>
            )}
          </div>
        );
      })}
      <FurtherFigures
        further={further}
        errors={errors}
        measures={measures}
        shown={shown}
        entry={entry}
        setText={setText}
      />
    </div>
  );
}

function figureLabel(field: Field): string {
  if (field.lies === 'aside') return 'Offset to the right (left is negative)';
  return `${capital(field.name)}${field.unit === 'degrees' ? ', °' : ''}`;
}

function without(names: string[], name: string): string[] {
  return names.filter((kept) => kept !== name);
}

interface ChoicesProps {
  legend: string;
  name: string;
  choices: [string, string][];
  value: string;
  onPick: (value: string) => void;
}

/** Picks in words, each a target for a thumb; the number keys pick when the group has the focus. */
function Choices({ legend, name, choices, value, onPick }: ChoicesProps) {
  const columns =
    choices.length === 5 && choices.every(([, words]) => words.length < 11)
      ? 'grid-cols-5'
      : choices.length === 4 && choices.every(([, words]) => words.length < 13)
        ? 'grid-cols-4'
        : choices.length === 2
          ? 'grid-cols-2'
          : 'grid-cols-3';
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
            <input
              type="radio"
              name={`pick-${name}`}
              data-pick=""
              value={choice}
              checked={value === choice}
              onChange={() => onPick(choice)}
              className="sr-only"
            />
            <span aria-hidden className="text-[0.65rem]">
              {i + 1}
            </span>
            {label}
          </label>
        ))}
      </div>
    </fieldset>
  );
}

interface FurtherFiguresProps {
  further: Field[];
  errors: FiguresProps['errors'];
  measures: FiguresProps['measures'];
  shown: (field: Field) => string;
  entry: FiguresProps['entry'];
  setText: (name: string, text: string) => void;
}

/** Figures that are taken for granted until they are measured. */
function FurtherFigures({ further, errors, measures, shown, entry, setText }: FurtherFiguresProps) {
  return (
    <details className="border-t border-line pt-1" open={further.some((field) => errors[field.id])}>
      <summary className="min-h-9 cursor-pointer py-1 font-bold">
        More figures{' '}
        <span className="font-normal text-muted italic">
          {measures
            ? `${further
                .slice(0, 2)
                .map((field) => `${field.short.toLowerCase()} ${shown(field)}`)
                .join(', ')}, assumed`
            : `${further.length}, all assumed`}
        </span>
      </summary>
      <div className="relative grid grid-cols-4 gap-2">
        {further.map((field) => (
          <Figure
            key={field.id}
            field={field}
            placeholder={shown(field)}
            entry={entry}
            error={errors[field.id]}
            onText={setText}
          />
        ))}
      </div>
    </details>
  );
}

interface QuickPicksProps {
  active: Field;
  method: FiguresProps['method'];
  pickQuick: (field: Field, mm: number) => void;
  unit: FiguresProps['unit'];
}

/** Figures that are picked instead of measured. */
function QuickPicks({ active, method, pickQuick, unit }: QuickPicksProps) {
  return (
    <div
      role="group"
      aria-label={`${active.short}, picked instead of measured`}
      className="-mt-1 hidden grid-cols-6 gap-1 max-lg:grid pointer-coarse:grid"
    >
      {quickFigures(Number(method.example[active.id] ?? 10), active.kept ? 'caliper' : 'length').map((mm) => (
        <button
          key={mm}
          type="button"
          onPointerDown={(event) => event.preventDefault()}
          onClick={() => pickQuick(active, mm)}
          className="min-h-11 cursor-pointer border border-line bg-sheet tabular-nums"
          aria-label={`${active.short} about ${formatLengthNumber(mm, unit)}`}
        >
          {formatLengthNumber(mm, unit)}
        </button>
      ))}
    </div>
  );
}

/** A figure as it is taken for granted until it is measured. */
function takenFor(field: Field, measure: Measures[string] | undefined, unit: LengthUnit): string {
  if (measure && 'value' in measure)
    return field.unit === 'degrees' ? String(measure.value) : formatLengthNumber(measure.value, unit);
  return typeof field.assumed === 'number' ? String(field.assumed) : 'as usual';
}
