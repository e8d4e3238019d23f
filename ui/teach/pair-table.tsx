'use client';

import { OUR_GUESS, USUAL_PRACTICE } from '@/core/units/figure-source';
import type { useSend } from '@/ui/kit/form/use-send';
import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import { type Pairing, type Verdict, VERDICT_WORDS } from '@/core/methods/compatibility/compatibility';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { SheetDialog } from '@/ui/kit/form/sheet-dialog';
import { type SheetColumn, SheetTable } from '@/ui/kit/table/sheet-table';
import { useEntry } from '@/ui/kit/form/use-entry';
import type { FieldValues, UseFormRegister } from 'react-hook-form';

interface PairTableProps {
  own: (Pairing & { id: string })[];
  usual: Pairing[];
  mayChange: boolean;
}

/** A pair in the table: the club's own has an id. */
type Known = Pairing & { id: string | null };

const FACTS: SheetColumn<Known>[] = [
  { id: 'scion', head: 'Scion', value: ({ scion }) => scion, cell: ({ scion }) => scion, className: 'font-bold' },
  { id: 'stock', head: 'on stock', value: ({ stock }) => stock, cell: ({ stock }) => stock },
  {
    id: 'verdict',
    head: 'How they fare',
    value: ({ verdict }) => VERDICT_WORDS[verdict],
    cell: ({ verdict }) => VERDICT_WORDS[verdict],
  },
  { id: 'note', head: 'What to know', cell: ({ note }) => note },
  {
    id: 'source',
    head: 'Source',
    value: ({ source }) => source,
    cell: ({ source }) => source,
    className: 'text-sm text-muted',
  },
];

/** The table of stock and scion: the club's own rows first, each with its source. */
export function PairTable({ own, usual, mayChange }: PairTableProps) {
  const [open, setOpen] = useState<(Pairing & { id: string }) | null>(null);
  const { register, submit, errors, problem, busy, run, setProblem } = useEntry(
    () => import('@/core/teach/pair-input').then(({ pairInput }) => pairInput),
    async (values, entry) => {
      const sent = await entry.run('PUT', `/api/compatibility/${open!.id}`, values);
      if (sent?.ok) setOpen(null);
    },
  );
  const edit = (pair: Pairing & { id: string }): void => {
    setProblem(null);
    setOpen(pair);
  };
  const action = 'min-h-11 cursor-pointer px-1 underline';
  const actions = ({ id, ...pair }: Known): React.ReactNode =>
    id === null ? (
      <button type="button" className={action} onClick={() => edit({ ...pair, id: uuid() })}>
        Change it for the club
      </button>
    ) : (
      <OwnActions action={action} edit={edit} pair={pair} id={id} busy={busy} run={run} />
    );
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
      {!open && <Problem>{problem}</Problem>}
      <SheetTable
        label="Pairs of kinds"
        className="min-w-[46rem]"
        rows={[...own, ...usual.map((pair) => ({ ...pair, id: null }))]}
        columns={
          mayChange
            ? [
                ...FACTS,
                {
                  id: 'change',
                  head: <span className="sr-only">Change</span>,
                  cell: actions,
                  className: 'whitespace-nowrap',
                },
              ]
            : FACTS
        }
        idOf={({ id, stock, scion }) => id ?? `${stock} ${scion}`}
        search="Find a kind"
      />
      <SheetDialog
        title={open?.stock ? `${open.scion} on ${open.stock}` : 'A pair of kinds'}
        description="Say how they fare, and where you have it from."
        open={open !== null}
        onOpenChange={(next) => {
          if (!next) setOpen(null);
        }}
      >
        {open && (
          <PairForm submit={submit} problem={problem} errors={errors} register={register} open={open} busy={busy} />
        )}
      </SheetDialog>
    </>
  );
}

interface PairFormProps {
  submit: (event: React.FormEvent<HTMLFormElement>) => void;
  problem: string | undefined;
  errors: Record<string, string | undefined>;
  register: UseFormRegister<FieldValues>;
  open: Pairing & { id: string };
  busy: boolean;
}

/** A pair of kinds, and where it is from. */
function PairForm({ submit, problem, errors, register, open, busy }: PairFormProps) {
  return (
    <form onSubmit={submit} className="flex flex-col gap-3" noValidate>
      <Problem>{problem}</Problem>
      <Field label="Scion" error={errors.scion}>
        <input {...register('scion')} defaultValue={open.scion} maxLength={60} />
      </Field>
      <Field label="Stock" error={errors.stock}>
        <input {...register('stock')} defaultValue={open.stock} maxLength={60} />
      </Field>
      <Field label="How they fare" error={errors.verdict}>
        <select {...register('verdict')} defaultValue={open.verdict}>
          {(Object.keys(VERDICT_WORDS) as Verdict[]).map((verdict) => (
            <option key={verdict} value={verdict}>
              {VERDICT_WORDS[verdict]}
            </option>
          ))}
        </select>
      </Field>
      <Field label="What to know" error={errors.note}>
        <textarea {...register('note')} rows={3} defaultValue={open.note} maxLength={300} />
      </Field>
      <Field
        label="Source"
        error={errors.source}
        hint="A book and page, a row in your orchard and its year, or “our assumption”"
      >
        <input
          {...register('source')}
          defaultValue={[USUAL_PRACTICE, OUR_GUESS].includes(open.source) ? '' : open.source}
          maxLength={200}
        />
      </Field>
      <button type="submit" className="bench-button self-start" data-weight="main" disabled={busy}>
        Save
      </button>
    </form>
  );
}

interface OwnActionsProps {
  action: 'min-h-11 cursor-pointer px-1 underline';
  edit: (pair: Pairing & { id: string }) => void;
  pair: { stock: string; scion: string; verdict: Verdict; note: string; source: string };
  id: string;
  busy: boolean;
  run: ReturnType<typeof useSend>['run'];
}

/** What can be done with a pair of the club's own. */
function OwnActions({ action, edit, pair, id, busy, run }: OwnActionsProps) {
  return (
    <>
      <button type="button" className={action} onClick={() => edit({ ...pair, id })}>
        Change
      </button>{' '}
      <button
        type="button"
        className={action}
        disabled={busy}
        onClick={() => void run('DELETE', `/api/compatibility/${id}`)}
      >
        Take back
      </button>
    </>
  );
}
