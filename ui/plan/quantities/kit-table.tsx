'use client';

import type { BuyLine } from '@/core/plan/quantities/kit';
import { Problem } from '@/ui/kit/form/problem';
import { type SheetColumn, SheetTable } from '@/ui/kit/table/sheet-table';
import { OwnLines } from './own-lines';
import { ADDED, type KitEntry, kitFigure, useKitEntries } from './use-kit-entries';

interface KitTableProps {
  workshopId: string;
  version: number;
  lines: BuyLine[];
  mayChange: boolean;
}

const PARTS: { id: BuyLine['per']; head: string }[] = [
  { id: 'seat', head: 'At each seat' },
  { id: 'bench', head: 'At each bench' },
  { id: 'workshop', head: 'For the workshop' },
];

/** Sticks and stocks are counted in the ledger, not in the store. */
function isCounted(id: string): boolean {
  return id.startsWith('sticks-') || id.startsWith('stocks-');
}

/** What lies where, what of it is in store, and what is to be bought. Amounts can be changed by hand, and lines added. */
export function KitTable({ workshopId, version, lines, mayChange }: KitTableProps) {
  const { entries, set, own, setOwn, changed, save, busy, problem } = useKitEntries(workshopId, version, lines);
  const cost = lines.reduce((sum, line) => sum + (line.cost ?? 0), 0);
  return (
    <div className="flex flex-col gap-3">
      <Problem>{problem?.message}</Problem>
      <SheetTable
        label="Kit list"
        className="min-w-[52rem]"
        rows={lines.filter(({ note }) => note !== ADDED)}
        columns={kitColumns(entries, mayChange, set)}
        idOf={({ id }) => id}
        parts={PARTS}
        partOf={({ per }) => per}
        search="Find a thing"
      />
      {(mayChange || own.length > 0) && <OwnLines own={own} mayChange={mayChange} onChange={setOwn} />}
      <div className="flex flex-wrap items-center gap-3">
        {mayChange && (
          <button
            type="button"
            className="bench-button"
            data-weight="main"
            disabled={busy || !changed}
            onClick={() => void save()}
          >
            Save the kit list
          </button>
        )}
        <a href={`/api/workshops/${workshopId}/plan/kit`} className="bench-button" target="_blank" rel="noreferrer">
          Print it
        </a>
        <a href={`/api/workshops/${workshopId}/plan/kit?format=csv`} className="bench-button" download>
          CSV
        </a>
        {cost > 0 && (
          <p>
            To buy: <strong className="tabular-nums">{cost.toFixed(2)}</strong>
            {lines.some(({ buy, price }) => buy > 0 && price === null) ? ', without what has no price' : ''}.
          </p>
        )}
      </div>
    </div>
  );
}

const RIGHT = { className: 'text-right tabular-nums', headClassName: 'text-right' };

function kitColumns(
  entries: Record<string, KitEntry>,
  mayChange: boolean,
  set: (id: string, entry: KitEntry) => void,
): SheetColumn<BuyLine>[] {
  const cell = (line: BuyLine, key: keyof KitEntry, words: string, value: string): React.ReactNode =>
    mayChange && (key === 'total' || !isCounted(line.id)) ? (
      <input
        aria-label={`${line.name}: ${words}`}
        inputMode="decimal"
        className="bench-figure"
        value={entries[line.id]?.[key] ?? value}
        onChange={(event) => set(line.id, { [key]: event.target.value })}
      />
    ) : (
      value
    );
  return [
    { id: 'thing', head: 'Thing', value: ({ name }) => name, cell: ({ name }) => name, names: true },
    {
      id: 'each',
      head: 'Each',
      value: ({ each }) => each ?? 0,
      cell: ({ each }) => (each === null ? '' : kitFigure(each)),
      ...RIGHT,
    },
    {
      id: 'total',
      head: 'In all',
      value: ({ total }) => total,
      cell: (line) => (
        <>
          {cell(line, 'total', 'in all', kitFigure(line.total))}{' '}
          <span className="inline-block w-12 text-left text-sm text-muted">{line.unit}</span>
        </>
      ),
      className: 'text-right whitespace-nowrap tabular-nums',
      headClassName: 'text-right',
    },
    {
      id: 'store',
      head: 'In store',
      value: ({ inStore }) => inStore,
      cell: (line) => cell(line, 'inStore', 'in store', kitFigure(line.inStore)),
      ...RIGHT,
    },
    {
      id: 'buy',
      head: 'To buy',
      value: ({ buy }) => buy,
      cell: ({ buy }) => kitFigure(buy),
      className: ({ buy }) => `text-right tabular-nums ${buy > 0 ? 'font-bold' : 'text-muted'}`,
      headClassName: 'text-right',
    },
    {
      id: 'price',
      head: 'Unit price',
      value: ({ price }) => price ?? 0,
      cell: (line) => cell(line, 'price', 'unit price', line.price === null ? '' : kitFigure(line.price)),
      ...RIGHT,
    },
    { id: 'note', head: 'How it came about', cell: ({ note }) => note, className: 'text-sm text-muted' },
  ];
}
