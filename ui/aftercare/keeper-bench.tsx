'use client';

import Link from 'next/link';
import { useState } from 'react';
import { formatCode } from '@/core/codes/plant-code';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { makeInput } from '@/core/aftercare/keeper-input';
import { useEntry } from '@/ui/kit/form/use-entry';
import { RibbonStrip } from '@/ui/plan/wood/ribbon';
import { TagPrinter } from './tag-printer';
import { type Wood, type Stock, type SeatChoice, type KeeperLine, ChangeKeepers, options } from './change-keepers';

interface KeeperBenchProps {
  workshopId: string;
  promised: number;
  present: number;
  /** Numbers of the seats that may not make keepers yet. */
  shut: number[];
  mayChange: boolean;
  wood: Wood[];
  stocks: Stock[];
  seats: SeatChoice[];
  keepers: KeeperLine[];
}

/** Keepers of a workshop: made in one step, changed singly or many at once, printed as tags. */
export function KeeperBench({
  workshopId,
  promised,
  present,
  shut,
  mayChange,
  wood,
  stocks,
  seats,
  keepers,
}: KeeperBenchProps) {
  const [picked, setPicked] = useState<string[]>([]);
  const living = keepers.filter(({ voided }) => !voided);
  const chosen = picked.filter((id) => keepers.some((keeper) => keeper.id === id));
  const toggle = (id: string): void =>
    setPicked(chosen.includes(id) ? chosen.filter((keeper) => keeper !== id) : [...chosen, id]);
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] items-start gap-6 lg:grid-cols-[minmax(0,1fr)_22rem]">
      <KeeperTags
        keepers={keepers}
        seats={seats}
        wood={wood}
        stocks={stocks}
        chosen={chosen}
        mayChange={mayChange}
        toggle={toggle}
      />
      <div className="flex flex-col gap-4 lg:sticky lg:top-4">
        {mayChange && chosen.length === 0 && (
          <MakeKeepers
            workshopId={workshopId}
            promised={promised}
            present={present}
            shut={shut}
            living={living.length}
            wood={wood}
            stocks={stocks}
          />
        )}
        {mayChange && chosen.length > 0 && (
          <ChangeKeepers
            workshopId={workshopId}
            keepers={keepers.filter(({ id }) => chosen.includes(id))}
            wood={wood}
            stocks={stocks}
            seats={seats}
            onDone={() => setPicked([])}
          />
        )}
        <TagPrinter
          workshopId={workshopId}
          count={living.length}
          code={chosen.length === 1 ? (living.find(({ id }) => id === chosen[0])?.code ?? null) : null}
        />
      </div>
    </div>
  );
}

/** A keeper as its tag. Voided ones are struck through and say so. */
function Tag({
  keeper,
  wood,
  stocks,
  picked,
  onPick,
}: {
  keeper: KeeperLine;
  wood: Wood[];
  stocks: Stock[];
  picked: boolean;
  onPick: (() => void) | null;
}) {
  const lot = wood.find(({ id }) => id === keeper.woodLotId);
  const inside = (
    <>
      <span className={`block font-bold ${keeper.voided ? 'line-through' : ''}`}>{formatCode(keeper.code)}</span>
      <span className="flex items-center gap-1.5 text-sm">
        {lot && <RibbonStrip id={lot.ribbon} />}
        {lot?.variety}
      </span>
      <span className="block text-sm">
        {keeper.voided ? 'voided' : stocks.find(({ id }) => id === keeper.stockLotId)?.stockType}
      </span>
    </>
  );
  const box = `block w-[9.4rem] border-2 px-2.5 py-1.5 text-left ${picked ? 'border-ink bg-mist' : 'border-line bg-sheet'} ${keeper.voided ? 'text-muted' : ''}`;
  const shape = { borderRadius: '14px 2px 2px 2px' };
  if (!onPick)
    return (
      <div className={box} style={shape}>
        {inside}
      </div>
    );
  return (
    <button type="button" aria-pressed={picked} onClick={onPick} className={`${box} cursor-pointer`} style={shape}>
      {inside}
    </button>
  );
}

function MakeKeepers({
  workshopId,
  promised,
  present,
  shut,
  living,
  wood,
  stocks,
}: {
  workshopId: string;
  promised: number;
  present: number;
  shut: number[];
  living: number;
  wood: Wood[];
  stocks: Stock[];
}) {
  const [said, setSaid] = useState('');
  const { register, submit, problem, busy } = useEntry(makeInput, async (values, { run }) => {
    const sent = await run<{ made: number; notYet: number[] }>('POST', `/api/workshops/${workshopId}/keepers`, values);
    if (!sent?.ok) return;
    const { made, notYet } = sent.data;
    setSaid(
      `${made === 0 ? (notYet.length === 0 ? 'Everybody has theirs already.' : 'None made.') : `${made} made, each with its code.`}${notYet.length > 0 ? ` Not yet ready: ${notYet.join(', ')}.` : ''}`,
    );
  });
  return (
    <section className="board" aria-labelledby="make-title">
      <h2 id="make-title" className="mb-1">
        Make keepers
      </h2>
      <p className="mb-2 text-sm text-muted">
        {promised} promised to each of {present} present; {living} are made. Seats that have theirs are left alone. Pick
        tags to change them.
      </p>
      {shut.length > 0 && (
        <p className="mb-2 border-l-4 border-ink pl-2 text-sm">
          <strong>
            Not ready for living wood:{' '}
            {shut.length === present ? 'nobody is yet' : `seat${shut.length === 1 ? '' : 's'} ${shut.join(', ')}`}.
          </strong>{' '}
          Keepers are made for the others;{' '}
          <Link href={`/workshops/${workshopId}/score/readiness`}>let them through on the readiness page</Link> if you
          know better.
        </p>
      )}
      <form onSubmit={submit} className="flex flex-col gap-3">
        <Problem>{problem}</Problem>
        <Field label="Of wood lot">
          <select {...register('woodLotId')}>{options(wood, (lot) => lot.variety)}</select>
        </Field>
        <Field label="On stock lot">
          <select {...register('stockLotId')}>{options(stocks, (lot) => lot.stockType)}</select>
        </Field>
        <button type="submit" className="bench-button self-start" data-weight="main" disabled={busy}>
          Make what is missing
        </button>
        <p role="status">{said}</p>
      </form>
    </section>
  );
}

interface KeeperTagsProps {
  keepers: KeeperBenchProps['keepers'];
  seats: KeeperBenchProps['seats'];
  wood: KeeperBenchProps['wood'];
  stocks: KeeperBenchProps['stocks'];
  chosen: string[];
  mayChange: KeeperBenchProps['mayChange'];
  toggle: (id: string) => void;
}

/** The tags, by seat. */
function KeeperTags({ keepers, seats, wood, stocks, chosen, mayChange, toggle }: KeeperTagsProps) {
  return (
    <section aria-label="Keepers">
      {keepers.length === 0 && (
        <p className="board">No keepers yet. Make them in one step beside this, when the roster says who is here.</p>
      )}
      <ul className="flex flex-col divide-y divide-line border-y border-line">
        {seats
          .filter((seat) => keepers.some(({ seatId }) => seatId === seat.id))
          .map((seat) => (
            <li key={seat.id} className="grid gap-x-3 gap-y-1 py-2 sm:grid-cols-[10.5rem_1fr]">
              <p>
                <span className="mr-2 text-xl font-bold">{seat.number}</span>
                {seat.name}
              </p>
              <ul className="flex flex-wrap gap-2">
                {keepers
                  .filter(({ seatId }) => seatId === seat.id)
                  .map((keeper) => (
                    <li key={keeper.id}>
                      <Tag
                        keeper={keeper}
                        wood={wood}
                        stocks={stocks}
                        picked={chosen.includes(keeper.id)}
                        onPick={mayChange ? () => toggle(keeper.id) : null}
                      />
                    </li>
                  ))}
              </ul>
            </li>
          ))}
      </ul>
    </section>
  );
}
