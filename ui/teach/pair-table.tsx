'use client';

import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import { type Pairing, type Verdict, VERDICT_WORDS } from '@/core/methods/compatibility/compatibility';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { SheetDialog } from '@/ui/kit/form/sheet-dialog';
import { useSend } from '@/ui/kit/form/use-send';

interface PairTableProps {
  own: (Pairing & { id: string })[];
  usual: Pairing[];
  mayChange: boolean;
}

/** The table of stock and scion: the club's own rows first, each with its source. */
export function PairTable({ own, usual, mayChange }: PairTableProps) {
  const [open, setOpen] = useState<(Pairing & { id: string }) | null>(null);
  const { run, busy, problem, setProblem } = useSend();
  const edit = (pair: Pairing & { id: string }): void => {
    setProblem(null);
    setOpen(pair);
  };
  const save = async (event: React.FormEvent<HTMLFormElement>): Promise<void> => {
    event.preventDefault();
    const sent = await run(
      'PUT',
      `/api/compatibility/${open!.id}`,
      Object.fromEntries(new FormData(event.currentTarget)),
    );
    if (sent?.ok) setOpen(null);
  };
  const row = (pair: Pairing, key: string, actions: React.ReactNode) => (
    <tr key={key}>
      <td className="font-bold">{pair.scion}</td>
      <td>{pair.stock}</td>
      <td>{VERDICT_WORDS[pair.verdict]}</td>
      <td>{pair.note}</td>
      <td className="text-sm text-muted">{pair.source}</td>
      {mayChange && <td className="whitespace-nowrap">{actions}</td>}
    </tr>
  );
  const action = 'min-h-11 cursor-pointer px-1 underline';
  return (
    <>
      {mayChange && (
        <p className="mb-3">
          <button
            type="button"
            className="bench-button"
            data-weight="main"
            onClick={() => edit({ id: uuid(), stock: '', scion: '', verdict: 'mind', note: '', source: '' })}
          >
            Add a pair
          </button>
        </p>
      )}
      {!open && <Problem>{problem?.message}</Problem>}
      <div className="relative overflow-x-auto">
        <table className="bench-table min-w-[46rem]">
          <thead>
            <tr>
              <th scope="col">Scion</th>
              <th scope="col">on stock</th>
              <th scope="col">How they fare</th>
              <th scope="col">What to know</th>
              <th scope="col">Source</th>
              {mayChange && (
                <th scope="col">
                  <span className="sr-only">Change</span>
                </th>
              )}
            </tr>
          </thead>
          <tbody>
            {own.map((pair) =>
              row(
                pair,
                pair.id,
                <>
                  <button type="button" className={action} onClick={() => edit(pair)}>
                    Change
                  </button>{' '}
                  <button
                    type="button"
                    className={action}
                    disabled={busy}
                    onClick={() => void run('DELETE', `/api/compatibility/${pair.id}`)}
                  >
                    Take back
                  </button>
                </>,
              ),
            )}
            {usual.map((pair) =>
              row(
                pair,
                `${pair.stock} ${pair.scion}`,
                <button type="button" className={action} onClick={() => edit({ ...pair, id: uuid() })}>
                  Say otherwise
                </button>,
              ),
            )}
          </tbody>
        </table>
      </div>
      <SheetDialog
        title={open?.stock ? `${open.scion} on ${open.stock}` : 'A pair of kinds'}
        description="Say how they fare, and where you have it from."
        open={open !== null}
        onOpenChange={(next) => {
          if (!next) setOpen(null);
        }}
      >
        {open && (
          <form onSubmit={(event) => void save(event)} className="flex flex-col gap-3" noValidate>
            <Problem>{problem?.message}</Problem>
            <Field label="Scion" error={problem?.fields.scion}>
              <input name="scion" defaultValue={open.scion} maxLength={60} />
            </Field>
            <Field label="Stock" error={problem?.fields.stock}>
              <input name="stock" defaultValue={open.stock} maxLength={60} />
            </Field>
            <Field label="How they fare" error={problem?.fields.verdict}>
              <select name="verdict" defaultValue={open.verdict}>
                {(Object.keys(VERDICT_WORDS) as Verdict[]).map((verdict) => (
                  <option key={verdict} value={verdict}>
                    {VERDICT_WORDS[verdict]}
                  </option>
                ))}
              </select>
            </Field>
            <Field label="What to know" error={problem?.fields.note}>
              <textarea name="note" rows={3} defaultValue={open.note} maxLength={300} />
            </Field>
            <Field
              label="Source"
              error={problem?.fields.source}
              hint="A book and page, a row in your orchard and its year, or “our assumption”"
            >
              <input name="source" defaultValue={open.source.startsWith('trade') ? '' : open.source} maxLength={200} />
            </Field>
            <button type="submit" className="bench-button self-start" data-weight="main" disabled={busy}>
              Save
            </button>
          </form>
        )}
      </SheetDialog>
    </>
  );
}
