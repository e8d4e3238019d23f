'use client';

import { useState } from 'react';
import { formatCode } from '@/core/codes/plant-code';
import { useEntry } from '@/ui/kit/form/use-entry';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';

/** Opens the tags as PDF: all living keepers, or the one that is picked, again. */
export function TagPrinter({ workshopId, count, code }: { workshopId: string; count: number; code: string | null }) {
  const [printing, setPrinting] = useState(false);
  const { register, submit, errors, problem } = useEntry(
    () => import('@/core/aftercare/tags-input').then(({ tagsInput }) => tagsInput),
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
          <Field label="Width, mm" error={errors.width}>
            <input {...register('width')} inputMode="numeric" defaultValue={60} />
          </Field>
          <Field label="Height, mm" error={errors.height}>
            <input {...register('height')} inputMode="numeric" defaultValue={25} />
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
