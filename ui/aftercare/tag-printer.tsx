'use client';

import { useState } from 'react';
import { formatCode } from '@/core/codes/plant-code';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';

/** Opens the tags as PDF: all living keepers, or the one that is picked, again. */
export function TagPrinter({ workshopId, count, code }: { workshopId: string; count: number; code: string | null }) {
  const [problem, setProblem] = useState<{ message: string; fields: Record<string, string> } | null>(null);
  const [busy, setBusy] = useState(false);
  if (count === 0) return null;
  const print = async (event: React.FormEvent<HTMLFormElement>): Promise<void> => {
    event.preventDefault();
    const query = new URLSearchParams(
      [...new FormData(event.currentTarget)].map(([name, value]) => [name, String(value)] as [string, string]),
    );
    if (code) query.set('code', code);
    const url = `/api/workshops/${workshopId}/tags?${query}`;
    setBusy(true);
    setProblem(null);
    // Asked for first, so that a size that does not work is said here and not in an empty window.
    const response = await fetch(url).catch(() => null);
    setBusy(false);
    if (response?.ok) window.open(URL.createObjectURL(await response.blob()), '_blank', 'noopener');
    else
      setProblem(
        response
          ? ((await response.json()) as { message: string; fields: Record<string, string> })
          : { message: 'The server cannot be reached. Try again in a moment.', fields: {} },
      );
  };
  return (
    <section className="board" aria-labelledby="tags-title">
      <h2 id="tags-title" className="mb-2">
        Tags
      </h2>
      <form onSubmit={(event) => void print(event)} className="flex flex-col gap-3" noValidate>
        <Problem>{problem?.message}</Problem>
        <div className="grid grid-cols-3 gap-2">
          <Field label="Paper">
            <select name="paper">
              <option>A4</option>
              <option>Letter</option>
            </select>
          </Field>
          <Field label="Width, mm" error={problem?.fields.width}>
            <input name="width" inputMode="numeric" defaultValue={60} />
          </Field>
          <Field label="Height, mm" error={problem?.fields.height}>
            <input name="height" inputMode="numeric" defaultValue={25} />
          </Field>
        </div>
        <button type="submit" className="bench-button self-start" disabled={busy}>
          {code ? `Print ${formatCode(code)} again` : `Print ${count} tags`}
        </button>
        <p className="text-sm text-muted">
          Print at full size, with scaling off. The QR code leads to the plant and names no person.
        </p>
      </form>
    </section>
  );
}
