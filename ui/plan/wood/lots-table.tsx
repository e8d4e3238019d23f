'use client';

import Link from 'next/link';
import type { LotWarning } from '@/core/plan/wood/lot-warnings';
import { formatDate } from '@/core/units/iso-date';
import { type SheetColumn, SheetTable } from '@/ui/kit/table/sheet-table';

interface LotLine {
  id: string;
  variety: string;
  species: string;
  cutOn: string | null;
  from: string;
  place: string;
  lookedOn: string | null;
  sticks: number;
  booked: number;
  warnings: LotWarning[];
}

const COLUMNS: SheetColumn<LotLine>[] = [
  {
    id: 'lot',
    head: 'Lot',
    value: ({ variety, species }) => `${variety} ${species}`,
    cell: ({ id, variety, species }) => (
      <>
        <Link href={`/wood/${id}`} className="font-bold">
          {variety}
        </Link>
        <span className="block text-sm text-muted">{species}</span>
      </>
    ),
  },
  {
    id: 'cut',
    head: 'Cut',
    value: ({ cutOn }) => cutOn ?? '',
    cell: ({ cutOn }) => (cutOn ? formatDate(cutOn) : 'not yet'),
    className: 'whitespace-nowrap tabular-nums',
  },
  { id: 'from', head: 'From', value: ({ from }) => from, cell: ({ from }) => from },
  { id: 'store', head: 'Store', value: ({ place }) => place, cell: ({ place }) => place || 'not entered' },
  {
    id: 'looked',
    head: 'Last look',
    value: ({ lookedOn }) => lookedOn ?? '',
    cell: ({ lookedOn }) => (lookedOn ? formatDate(lookedOn) : 'never'),
    className: 'tabular-nums',
  },
  {
    id: 'sticks',
    head: 'Sticks',
    value: ({ sticks }) => sticks,
    cell: ({ sticks }) => sticks,
    className: 'text-right tabular-nums',
    headClassName: 'text-right',
  },
  {
    id: 'booked',
    head: 'Booked',
    value: ({ booked }) => booked,
    cell: ({ booked }) => booked,
    className: 'text-right tabular-nums',
    headClassName: 'text-right',
  },
  {
    id: 'mind',
    head: 'Mind',
    cell: ({ warnings }) =>
      warnings.map(({ id, says, level }) => (
        <span key={id} className={`block text-sm ${level === 'stop' ? 'font-bold text-loud' : ''}`}>
          {says}
        </span>
      )),
  },
];

/** Every lot of the club, sorted and searched. */
export function LotsTable({ lots }: { lots: LotLine[] }) {
  return (
    <SheetTable
      label="Lots"
      className="min-w-[52rem]"
      rows={lots}
      columns={COLUMNS}
      idOf={({ id }) => id}
      search={lots.length > 5 ? 'Find a lot' : undefined}
    />
  );
}
