'use client';

import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import { formatDate } from '@/core/units/iso-date';
import { formatTemperature, type TemperatureUnit } from '@/core/units/temperature';
import { Field } from '../form/field';
import { Problem } from '../form/problem';
import { SheetDialog } from '../form/sheet-dialog';
import { useSend } from '../form/use-send';
import { RibbonStrip } from './ribbon';

/** Winter store of scion wood, degC: the trade handbook's figures. */
const STORE = { from: 0, to: 4 };

interface Wood { id: string; variety: string; species: string; source: string; cutOn: string | null }
interface Stock { id: string; stockType: string; species: string }

interface LotsBoardProps {
  workshopId: string;
  lots: { wood: (Wood & { ribbon: string })[]; stocks: Stock[]; otherWood: Wood[]; otherStocks: Stock[] };
  mayChange: boolean;
  temperatureUnit: TemperatureUnit;
}

/** Scion wood and stocks of the workshop. */
export function LotsBoard({ workshopId, lots, mayChange, temperatureUnit }: LotsBoardProps) {
  const { run, busy, problem } = useSend();
  const drop = (kind: 'wood' | 'stock', id: string): Promise<unknown> => run('DELETE', `/api/workshops/${workshopId}/${kind}-lots/${id}`);
  return (
    <section className="board" aria-labelledby="lots-title">
      <h2 id="lots-title" className="mb-2">Wood and stocks</h2>
      <Problem>{problem?.message}</Problem>
      <h3 className="mt-1 font-bold">Scion wood</h3>
      {lots.wood.length === 0 && <p className="text-muted">No lot chosen yet.</p>}
      <ul className="mb-2 divide-y divide-line">
        {lots.wood.map((lot) => (
          <li key={lot.id} className="flex items-start justify-between gap-2 py-2">
            <div>
              <span className="flex items-center gap-2 font-bold"><RibbonStrip id={lot.ribbon} />{lot.variety}</span>
              <span className="text-sm text-muted">{lot.species}, {lot.source}{lot.cutOn ? `, cut ${formatDate(lot.cutOn)}` : ''}</span>
            </div>
            {mayChange && <button type="button" className="bench-button" disabled={busy} onClick={() => void drop('wood', lot.id)}>Take off<span className="sr-only"> {lot.variety}</span></button>}
          </li>
        ))}
      </ul>
      <p className="mb-2 text-sm text-muted">
        Until the day: sealed bag, barely damp wrap, {formatTemperature(STORE.from, temperatureUnit)} to {formatTemperature(STORE.to, temperatureUnit)}, away from ripening fruit.
      </p>
      {mayChange && <AddLot workshopId={workshopId} kind="wood" others={lots.otherWood.map(({ id, variety, source }) => ({ id, name: `${variety}, ${source}` }))} />}
      <h3 className="mt-4 font-bold">Stocks</h3>
      {lots.stocks.length === 0 && <p className="text-muted">No lot chosen yet.</p>}
      <ul className="mb-2 divide-y divide-line">
        {lots.stocks.map((lot) => (
          <li key={lot.id} className="flex items-start justify-between gap-2 py-2">
            <div><span className="block font-bold">{lot.stockType}</span><span className="text-sm text-muted">{lot.species}</span></div>
            {mayChange && <button type="button" className="bench-button" disabled={busy} onClick={() => void drop('stock', lot.id)}>Take off<span className="sr-only"> {lot.stockType}</span></button>}
          </li>
        ))}
      </ul>
      {mayChange && <AddLot workshopId={workshopId} kind="stock" others={lots.otherStocks.map(({ id, stockType, species }) => ({ id, name: `${stockType}, ${species}` }))} />}
    </section>
  );
}

const FIELDS = {
  wood: [['variety', 'Variety', 'text'], ['species', 'Species', 'text'], ['source', 'Where it comes from', 'text'], ['cutOn', 'Date cut', 'date']],
  stock: [['stockType', 'Stock type', 'text'], ['species', 'Species', 'text']],
} as const;

function AddLot({ workshopId, kind, others }: { workshopId: string; kind: 'wood' | 'stock'; others: { id: string; name: string }[] }) {
  const { run, busy, problem } = useSend();
  const [open, setOpen] = useState(false);
  const [lotId, setLotId] = useState(() => uuid());
  const done = (sent: { ok: boolean } | null): void => {
    if (!sent?.ok) return;
    setOpen(false);
    setLotId(uuid());
  };
  const url = (id: string): string => `/api/workshops/${workshopId}/${kind}-lots/${id}`;
  const submit = async (event: React.FormEvent<HTMLFormElement>): Promise<void> => {
    event.preventDefault();
    done(await run('PUT', url(lotId), Object.fromEntries(new FormData(event.currentTarget))));
  };
  return (
    <SheetDialog
      title={kind === 'wood' ? 'Scion wood' : 'Stocks'} open={open} onOpenChange={setOpen}
      description={kind === 'wood' ? 'One lot is one variety from one source, cut on one day. It gets a ribbon for this workshop.' : 'One lot is stocks of one type.'}
      trigger={<button type="button" className="bench-button">{kind === 'wood' ? 'Add wood' : 'Add stocks'}</button>}
    >
      <Problem>{problem?.message}</Problem>
      {others.length > 0 && (
        <div>
          <h3 className="mb-1 font-bold">The club has already</h3>
          <ul className="divide-y divide-line border-y border-line">
            {others.map((lot) => (
              <li key={lot.id} className="flex items-center justify-between gap-3 py-1.5">
                {lot.name}
                <button type="button" className="bench-button" disabled={busy} onClick={() => void run('POST', url(lot.id)).then(done)}>Choose<span className="sr-only"> {lot.name}</span></button>
              </li>
            ))}
          </ul>
        </div>
      )}
      <form onSubmit={(event) => void submit(event)} className="flex flex-col gap-3" noValidate>
        <h3 className="font-bold">A new lot</h3>
        {FIELDS[kind].map(([name, label, type]) => (
          <Field key={name} label={label} error={problem?.fields[name]}><input name={name} type={type} /></Field>
        ))}
        <button type="submit" className="bench-button self-start" data-weight="main" disabled={busy}>Add it</button>
      </form>
    </SheetDialog>
  );
}
