'use client';

import type { LengthUnit } from '@/core/units/length';
import { useState } from 'react';
import { formatCode } from '@/core/codes/plant-code';
import { RibbonStrip } from '@/ui/plan/wood/ribbon';
import { TagPrinter } from './tag-printer';
import { AddUnion } from './add-union';
import { ChangeKeepers } from './change-keepers';
import type { KeeperLine, KeeperMethod, SeatChoice, Stock, Wood } from './keeper-line';
import { MakeKeepers } from './make-keepers';

interface KeeperBenchProps {
  workshopId: string;
  present: number;
  mayChange: boolean;
  wood: Wood[];
  stocks: Stock[];
  seats: SeatChoice[];
  methods: KeeperMethod[];
  /** Who may have helped, besides those at the benches. */
  members: { id: string; name: string }[];
  keepers: KeeperLine[];
  unit: LengthUnit;
}

/** Keepers of a workshop: made in one step, changed singly or many at once, printed as tags. */
export function KeeperBench({
  workshopId,
  present,
  mayChange,
  wood,
  stocks,
  seats,
  methods,
  members,
  keepers,
  unit,
}: KeeperBenchProps) {
  const [picked, setPicked] = useState<string[]>([]);
  const living = keepers.filter(({ voided }) => !voided);
  const chosen = keepers.filter(({ id }) => picked.includes(id));
  const ids = chosen.map(({ id }) => id);
  const toggle = (id: string): void =>
    setPicked(ids.includes(id) ? ids.filter((keeper) => keeper !== id) : [...ids, id]);
  const single = chosen.length === 1 ? chosen[0]! : null;
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] items-start gap-6 lg:grid-cols-[minmax(0,1fr)_22rem]">
      <KeeperTags
        keepers={keepers}
        seats={seats}
        wood={wood}
        stocks={stocks}
        chosen={ids}
        mayChange={mayChange}
        toggle={toggle}
      />
      <div className="flex flex-col gap-4 lg:sticky lg:top-4">
        {mayChange && chosen.length === 0 && (
          <MakeKeepers
            workshopId={workshopId}
            present={present}
            living={living}
            methods={methods}
            wood={wood}
            stocks={stocks}
          />
        )}
        {mayChange && chosen.length > 0 && (
          <ChangeKeepers
            workshopId={workshopId}
            keepers={chosen}
            wood={wood}
            stocks={stocks}
            seats={seats}
            methods={methods}
            members={members}
            onDone={() => setPicked([])}
          />
        )}
        {mayChange && single && <AddUnion key={single.id} workshopId={workshopId} keeper={single} methods={methods} />}
        <TagPrinter
          workshopId={workshopId}
          unit={unit}
          count={living.length}
          code={single && !single.voided ? single.code : null}
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
      {!keeper.voided &&
        keeper.unions.map(({ unionId, made, place, judged, helped }) => (
          <span key={unionId} className="block text-xs text-muted">
            {[made, place, judged || 'not judged', helped ? 'with help' : ''].filter(Boolean).join(', ')}
          </span>
        ))}
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
