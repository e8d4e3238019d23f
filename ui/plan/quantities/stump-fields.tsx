'use client';

import type { FieldValues, UseFormRegister } from 'react-hook-form';
import type { StumpRow } from '@/core/methods/stump-scions';
import type { PlannedMethod } from '@/core/plan/dates/planned-method';
import { parseDecimal } from '@/core/units/decimal';
import { formatLengthNumber, type LengthUnit } from '@/core/units/length';
import { parseLength } from '@/core/units/parse-length';
import { Field } from '@/ui/kit/form/field';

/** Rows of a table of stumps as they are typed, by method. */
export type TypedStumps = Record<string, { upTo: string; set: string; keep: string }[]>;

/** What the fields of stumps start with: the plan's own rows, or each method's. */
export function typedStumps(
  known: readonly { id: string; stumps: StumpRow[] | null }[],
  own: Readonly<Record<string, StumpRow[]>>,
  unit: LengthUnit,
): TypedStumps {
  return Object.fromEntries(
    known.flatMap(({ id, stumps }) =>
      stumps === null
        ? []
        : [
            [
              id,
              (own[id] ?? stumps).map(({ upTo, set, keep }) => ({
                upTo: upTo === null ? '' : formatLengthNumber(upTo, unit),
                set: String(set),
                keep: String(keep),
              })),
            ],
          ],
    ),
  );
}

/**
 * Typed rows as the plan keeps them, mm; what was left as the method has it is not kept, so that it goes on following
 * the method. A figure that cannot be read is none, for the schema to refuse.
 */
export function readStumps(
  typed: TypedStumps,
  known: readonly { id: string; stumps: StumpRow[] | null }[],
  unit: LengthUnit,
): Record<string, StumpRow[]> {
  const usual = typedStumps(known, {}, unit);
  const figure = (text: string): number => parseDecimal(text) ?? Number.NaN;
  return Object.fromEntries(
    Object.entries(typed).flatMap(([id, rows]) =>
      JSON.stringify(rows) === JSON.stringify(usual[id])
        ? []
        : [
            [
              id,
              rows.map(({ upTo, set, keep }) => ({
                upTo: upTo.trim() === '' ? null : (parseLength(upTo, unit) ?? Number.NaN),
                set: figure(set),
                keep: figure(keep),
              })),
            ],
          ],
    ),
  );
}

/** The size of the stumps as the plan keeps it, mm; as it was typed where it is no figure. */
export function readStump({ stump }: { stump?: unknown }, unit: LengthUnit): unknown {
  if (stump === undefined || stump === null || stump === '') return null;
  return parseLength(String(stump), unit) ?? stump;
}

interface StumpFieldsProps {
  at: number;
  method: { id: string; stumps: StumpRow[] | null };
  unit: LengthUnit;
  register: UseFormRegister<FieldValues>;
  errors: Record<string, string | undefined>;
}

/** How thick the stumps are, and how many scions each size is given. */
export function StumpFields({ at, method, unit, register, errors }: StumpFieldsProps) {
  const name = (field: keyof PlannedMethod): string => `methods.${at}.${field}`;
  return (
    <div className="flex flex-col gap-2">
      <Field label={`Stumps, Ø (${unit})`} hint="Empty: the usual size" error={errors[`methods[${at}].stump`]}>
        <input {...register(name('stump'))} inputMode="decimal" />
      </Field>
      <table className="bench-table">
        <caption className="text-left text-sm">Scions to a stump: how many are set, and kept when they live</caption>
        <thead>
          <tr>
            <th scope="col">Up to, {unit}</th>
            <th scope="col">Set</th>
            <th scope="col">Keep</th>
          </tr>
        </thead>
        <tbody>
          {method.stumps!.map((_, row) => (
            <tr key={row}>
              <td>
                <input
                  {...register(`settings.stumps.${method.id}.${row}.upTo`)}
                  className="bench-figure"
                  inputMode="decimal"
                  readOnly={row === method.stumps!.length - 1}
                  placeholder={row === method.stumps!.length - 1 ? 'all above' : ''}
                  aria-label={`Row ${row + 1}, up to`}
                />
              </td>
              {(['set', 'keep'] as const).map((field) => (
                <td key={field}>
                  <input
                    {...register(`settings.stumps.${method.id}.${row}.${field}`)}
                    className="bench-figure"
                    inputMode="numeric"
                    aria-label={`Row ${row + 1}, ${field}`}
                  />
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      {errors['settings.stumps'] && <p className="text-sm font-bold text-loud">{errors['settings.stumps']}</p>}
    </div>
  );
}
