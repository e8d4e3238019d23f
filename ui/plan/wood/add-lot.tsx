'use client';

import type { useSend } from '@/ui/kit/form/use-send';
import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { SheetDialog } from '@/ui/kit/form/sheet-dialog';
import { useEntry } from '@/ui/kit/form/use-entry';
import { LotFields } from './lot-form';

export function AddLot({
  workshopId,
  kind,
  sources,
  others,
}: {
  workshopId: string;
  kind: 'wood' | 'stock';
  sources: { id: string; name: string }[];
  others: { id: string; name: string }[];
}) {
  const [open, setOpen] = useState(false);
  const [lotId, setLotId] = useState(() => uuid());
  const done = (sent: { ok: boolean } | null): void => {
    if (!sent?.ok) return;
    setOpen(false);
    setLotId(uuid());
  };
  const url = (id: string): string => `/api/workshops/${workshopId}/${kind}-lots/${id}`;
  const { register, submit, errors, problem, busy, run } = useEntry(
    () =>
      kind === 'wood'
        ? import('@/core/plan/wood/lot-input').then(({ lotInput }) => lotInput)
        : import('@/core/plan/wood/stock-input').then(({ stockInput }) => stockInput),
    async (values, entry) => done(await entry.run('PUT', url(lotId), values)),
  );
  return (
    <SheetDialog
      title={kind === 'wood' ? 'Scion wood' : 'Stocks'}
      open={open}
      onOpenChange={setOpen}
      description={
        kind === 'wood'
          ? 'One lot is one variety from one source, cut on one day. It gets a ribbon for this workshop.'
          : 'A lot is all stocks of one type.'
      }
      trigger={
        <button type="button" className="bench-button">
          {kind === 'wood' ? 'Add wood' : 'Add stocks'}
        </button>
      }
    >
      <Problem>{problem}</Problem>
      {others.length > 0 && <KnownLots others={others} busy={busy} run={run} url={url} done={done} />}
      <form onSubmit={submit} className="flex flex-col gap-3" noValidate>
        <h3 className="font-bold">A new lot</h3>
        {kind === 'wood' ? (
          <LotFields lot={{}} sources={sources} errors={errors} register={register} />
        ) : (
          <>
            <Field needed label="Stock type" error={errors.stockType}>
              <input {...register('stockType')} />
            </Field>
            <Field needed label="Species" error={errors.species}>
              <input {...register('species')} />
            </Field>
            <Field label="Pieces" error={errors.stocks}>
              <input {...register('stocks')} inputMode="numeric" defaultValue={0} />
            </Field>
          </>
        )}
        <button type="submit" className="bench-button self-start" data-weight="main" disabled={busy}>
          Add it
        </button>
      </form>
    </SheetDialog>
  );
}

interface KnownLotsProps {
  others: { id: string; name: string }[];
  busy: boolean;
  run: ReturnType<typeof useSend>['run'];
  url: (id: string) => string;
  done: (sent: { ok: boolean } | null) => void;
}

/** Lots the club has already. */
function KnownLots({ others, busy, run, url, done }: KnownLotsProps) {
  return (
    <div>
      <h3 className="mb-1 font-bold">The club has already</h3>
      <ul className="divide-y divide-line border-y border-line">
        {others.map((lot) => (
          <li key={lot.id} className="flex items-center justify-between gap-3 py-1.5">
            {lot.name}
            <button
              type="button"
              className="bench-button"
              disabled={busy}
              onClick={() => void run('POST', url(lot.id)).then(done)}
            >
              Choose<span className="sr-only"> {lot.name}</span>
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}
