'use client';

import { useState } from 'react';
import { formatCode } from '@/core/codes/plant-code';
import { USUAL_TAG } from '@/core/aftercare/tag-size';
import { formatLengthNumber, type LengthUnit } from '@/core/units/length';
import { parseLength } from '@/core/units/parse-length';
import { useEntry } from '@/ui/kit/form/use-entry';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';

interface TagPrinterProps {
  workshopId: string;
  count: number;
  /** One plant's, or null for all. */
  code: string | null;
  unit: LengthUnit;
}

/** Opens the tags as PDF: all living keepers, or the one that is picked, again. */
export function TagPrinter({ workshopId, count, code, unit }: TagPrinterProps) {
  const [printing, setPrinting] = useState(false);
  const { register, submit, errors, problem } = useEntry(
    () => import('@/core/aftercare/tags-input').then(({ tagsInput }) => tagsInput(unit)),
    async (values, { setProblem }) => {
      const query = new URLSearchParams(values as Record<string, string>);
      if (code) query.set('code', code);
      setPrinting(true);
      setProblem(null);
      // Asked for first, so that a size that does not work is said here and not in an empty window.
      const response = await fetch(`/api/workshops/${workshopId}/tags?${query}`).catch(() => null);
      setPrinting(false);
      if (response?.ok) window.open(URL.createObjectURL(await response.blob()), '_blank', 'noopener');
      else
        setProblem(
          response
            ? ((await response.json()) as { message: string; fields: Record<string, string> })
            : { message: 'The server cannot be reached. Try again in a moment.', fields: {} },
        );
    },
    {
      starts: {
        width: formatLengthNumber(USUAL_TAG.width, unit),
        height: formatLengthNumber(USUAL_TAG.height, unit),
      },
      read: ({ width, height, ...rest }) => ({ ...rest, width: side(width, unit), height: side(height, unit) }),
    },
  );
  if (count === 0) return null;
  return (
    <section className="board" aria-labelledby="tags-title">
      <h2 id="tags-title" className="mb-2">
        Tags
      </h2>
      <form onSubmit={submit} className="flex flex-col gap-3" noValidate>
        <Problem>{problem}</Problem>
        <div className="grid grid-cols-3 gap-2">
          <Field label="Paper">
            <select {...register('paper')}>
              <option>A4</option>
              <option>Letter</option>
            </select>
          </Field>
          <Field label={`Width, ${unit}`} error={errors.width}>
            <input {...register('width')} inputMode="decimal" />
          </Field>
          <Field label={`Height, ${unit}`} error={errors.height}>
            <input {...register('height')} inputMode="decimal" />
          </Field>
        </div>
        <button type="submit" className="bench-button self-start" disabled={printing}>
          {code ? `Print ${formatCode(code)} again` : `Print ${count} tags`}
        </button>
        <p className="text-sm text-muted">
          Print at full size, with scaling off. The QR code leads to the plant and names no person.
        </p>
      </form>
    </section>
  );
}

/** A side as it was typed, in mm; what is no length stays as it is, for the schema to refuse. */
function side(typed: unknown, unit: LengthUnit): unknown {
  const text = String(typed);
  const mm = parseLength(text, unit);
  if (mm === null) return text;
  // The usual size in inches stands for itself and not for its two decimals.
  const usual = Object.values(USUAL_TAG).find((each) => formatLengthNumber(each, unit) === text.trim());
  return usual ?? Math.round(mm * 10) / 10;
}
