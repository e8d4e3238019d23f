'use client';

import Link from 'next/link';
import { formatDate } from '@/core/units/iso-date';
import { formatTemperature, type TemperatureUnit } from '@/core/units/temperature';
import type { LotWarning } from '@/core/plan/wood/lot-warnings';
import { STORE } from '@/core/plan/wood/store';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useEntry } from '@/ui/kit/form/use-entry';
import { useSend } from '@/ui/kit/form/use-send';
import { LotBookings } from './lot-bookings';
import { WarningList } from './warning-list';
import { RibbonStrip } from './ribbon';
import { AddLot } from './add-lot';

interface WoodView {
  id: string;
  variety: string;
  species: string;
  source: string;
  cutOn: string | null;
  ribbon: string;
  sticks: number;
  booked: number;
  lastLook: string | null;
  /** How far it has come by post; null where it does not. */
  post: string | null;
  warnings: LotWarning[];
  bookings: { id: string; sticks: number; workshop: string; seat: string | null; own: boolean }[];
}
interface Stock {
  id: string;
  stockType: string;
  species: string;
  stocks: number;
}

interface LotsBoardProps {
  workshopId: string;
  title: string;
  wood: WoodView[];
  stocks: Stock[];
  otherWood: { id: string; variety: string; source: string }[];
  otherStocks: { id: string; stockType: string; species: string }[];
  seats: { id: string; name: string }[];
  sources: { id: string; name: string }[];
  mayChange: boolean;
  temperatureUnit: TemperatureUnit;
}

/** Scion wood and stocks of the workshop: what there is, what speaks against it, who gets how much. */
export function LotsBoard({
  workshopId,
  title,
  wood,
  stocks,
  otherWood,
  otherStocks,
  seats,
  sources,
  mayChange,
  temperatureUnit,
}: LotsBoardProps) {
  const { run, busy, problem } = useSend();
  const drop = (kind: 'wood' | 'stock', id: string): Promise<unknown> =>
    run('DELETE', `/api/workshops/${workshopId}/${kind}-lots/${id}`);
  return (
    <div className="flex flex-col gap-6">
      <Problem>{problem?.message}</Problem>
      <section aria-labelledby="scion-wood">
        <div className="mb-2 flex flex-wrap items-end justify-between gap-2">
          <h2 id="scion-wood">Scion wood</h2>
          {mayChange && (
            <AddLot
              workshopId={workshopId}
              kind="wood"
              sources={sources}
              others={otherWood.map(({ id, variety, source }) => ({ id, name: `${variety}, ${source}` }))}
            />
          )}
        </div>
        {wood.length === 0 && <p className="text-muted">No lot chosen yet.</p>}
        <ul className="grid grid-cols-[minmax(0,1fr)] gap-3 md:grid-cols-2">
          {wood.map((lot) => (
            <WoodLotRow
              key={lot.id}
              lot={lot}
              mayChange={mayChange}
              busy={busy}
              drop={drop}
              workshopId={workshopId}
              title={title}
              seats={seats}
            />
          ))}
        </ul>
        <p className="mt-2 text-sm text-muted">
          Until the day: sealed bag, barely damp wrap, {formatTemperature(STORE.from, temperatureUnit)} to{' '}
          {formatTemperature(STORE.to, temperatureUnit)}, away from ripening fruit.
        </p>
      </section>
      <section aria-labelledby="stocks">
        <div className="mb-2 flex flex-wrap items-end justify-between gap-2">
          <h2 id="stocks">Stocks</h2>
          {mayChange && (
            <AddLot
              workshopId={workshopId}
              kind="stock"
              sources={[]}
              others={otherStocks.map(({ id, stockType, species }) => ({ id, name: `${stockType}, ${species}` }))}
            />
          )}
        </div>
        {stocks.length === 0 && <p className="text-muted">No lot chosen yet.</p>}
        <ul className="grid grid-cols-[minmax(0,1fr)] gap-3 md:grid-cols-2">
          {stocks.map((lot) => (
            <StockLotRow key={lot.id} lot={lot} mayChange={mayChange} busy={busy} drop={drop} />
          ))}
        </ul>
      </section>
    </div>
  );
}

function StockCount(props: { lot: Stock }) {
  return <StockCountForm key={props.lot.stocks} {...props} />;
}

function StockCountForm({ lot }: { lot: Stock }) {
  const { register, submit, errors, busy } = useEntry(
    () => import('@/core/plan/wood/stock-input').then(({ stockInput }) => stockInput.pick(['stocks'])),
    async (values, { run }) => void (await run('PUT', `/api/stocks/${lot.id}`, values)),
  );
  return (
    <form onSubmit={submit} className="flex items-end gap-2" noValidate>
      <div className="w-24">
        <Field label="Pieces" error={errors.stocks}>
          <input
            {...register('stocks')}
            inputMode="numeric"
            defaultValue={lot.stocks}
            aria-label={`Pieces of ${lot.stockType}`}
          />
        </Field>
      </div>
      <button type="submit" className="bench-button" disabled={busy}>
        Set<span className="sr-only"> pieces of {lot.stockType}</span>
      </button>
    </form>
  );
}

interface StockLotRowProps {
  lot: Stock;
  mayChange: LotsBoardProps['mayChange'];
  busy: boolean;
  drop: (kind: 'wood' | 'stock', id: string) => Promise<unknown>;
}

/** A lot of stocks. */
function StockLotRow({ lot, mayChange, busy, drop }: StockLotRowProps) {
  return (
    <li className="board flex flex-wrap items-end justify-between gap-2">
      <div>
        <span className="block font-bold">{lot.stockType}</span>
        <span className="text-sm text-muted">{lot.species}</span>
      </div>
      {mayChange ? <StockCount lot={lot} /> : <span>{lot.stocks} pieces</span>}
      {mayChange && (
        <button type="button" className="bench-button" disabled={busy} onClick={() => void drop('stock', lot.id)}>
          Remove<span className="sr-only"> {lot.stockType}</span>
        </button>
      )}
    </li>
  );
}

interface WoodLotRowProps {
  lot: WoodView;
  mayChange: LotsBoardProps['mayChange'];
  busy: boolean;
  drop: (kind: 'wood' | 'stock', id: string) => Promise<unknown>;
  workshopId: LotsBoardProps['workshopId'];
  title: LotsBoardProps['title'];
  seats: LotsBoardProps['seats'];
}

/** A lot of wood, and who gets it. */
function WoodLotRow({ lot, mayChange, busy, drop, workshopId, title, seats }: WoodLotRowProps) {
  return (
    <li className="board flex flex-col gap-2">
      <div className="flex items-start justify-between gap-2">
        <div>
          <span className="flex flex-wrap items-center gap-2 font-bold">
            <RibbonStrip id={lot.ribbon} showName />
            <Link href={`/wood/${lot.id}`}>{lot.variety}</Link>
          </span>
          <span className="text-sm text-muted">
            {lot.species}, {lot.source}
            {lot.cutOn ? `, cut ${formatDate(lot.cutOn)}` : ', not cut yet'};{' '}
            {lot.lastLook ? `last looked at ${formatDate(lot.lastLook)}` : 'never looked at'}
            {lot.post && <span className="block">{lot.post}</span>}
          </span>
        </div>
        {mayChange && (
          <button type="button" className="bench-button" disabled={busy} onClick={() => void drop('wood', lot.id)}>
            Remove<span className="sr-only"> {lot.variety}</span>
          </button>
        )}
      </div>
      <WarningList warnings={lot.warnings} />
      <LotBookings
        lotId={lot.id}
        variety={lot.variety}
        sticks={lot.sticks}
        booked={lot.booked}
        bookings={lot.bookings}
        workshops={[{ id: workshopId, title, seats }]}
        mayChange={mayChange}
      />
    </li>
  );
}
