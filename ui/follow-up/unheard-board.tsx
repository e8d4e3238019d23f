'use client';

import Link from 'next/link';
import { formatCode } from '@/core/codes/plant-code';
import { counted } from '@/core/units/counted';
import { percent } from '@/core/units/percent';
import type { UnheardOf } from '@/core/follow-up/unheard/unheard-of';
import { type SheetColumn, SheetTable } from '@/ui/kit/table/sheet-table';

/** Of whom nothing was heard, between what the take can lie, and whom to phone first. */
export function UnheardBoard({ unheard, mayChange }: { unheard: UnheardOf; mayChange: boolean }) {
  const { asked, alive, dead, unknown, bounds, silent, calls, notToCall } = unheard;
  if (asked === 0 || !bounds) return null;
  const noNumber = calls.filter(({ hasPhone }) => !hasPhone).length;
  return (
    <section className="board min-w-0" aria-labelledby="unheard-title">
      <h2 id="unheard-title">Of whom nothing was heard</h2>
      <p>
        Of {counted(asked, 'graft')} asked of, {alive} live, {dead} died, and of {unknown} it is not known: nothing was
        heard of {silent}. The take lies between {percent(bounds.least)} and {percent(bounds.most)}, and nobody can say
        where. Those whose graft died answer less often, so the answers alone flatter.
      </p>
      <TakeBar {...{ alive, dead, unknown }} />
      <div className="my-3 grid gap-4 md:grid-cols-3">
        <Counts title="By what was asked" rows={unheard.byRound} />
        <Counts title="By how long they have been asked" rows={unheard.byWait} />
        <Counts title="By bench" rows={unheard.byBench} />
      </div>
      {notToCall + noNumber > 0 && (
        <p>
          {notToCall > 0 &&
            `${counted(notToCall, 'person', 'people')} gave no leave to be asked, or took it back, and ${notToCall === 1 ? 'is' : 'are'} not named. `}
          {noNumber > 0 && `Of ${counted(noNumber, 'person', 'people')} below no number is on record.`}
        </p>
      )}
      {calls.length > 0 && (
        <>
          <h3 className="font-bold">Whom to phone first</h3>
          <p className="mb-1 text-sm text-muted">
            In the order in which calls bring the two bounds nearest to each other, whatever is answered.
          </p>
          <SheetTable
            label="Whom to phone first"
            className="min-w-[48rem]"
            rows={calls}
            columns={callColumns(mayChange)}
            idOf={({ personId }) => personId}
          />
        </>
      )}
    </section>
  );
}

/** All that were asked of, as one bar: alive, not known, dead. */
function TakeBar({ alive, dead, unknown }: Pick<UnheardOf, 'alive' | 'dead' | 'unknown'>) {
  const parts = [
    { count: alive, words: 'live', className: 'bg-life text-white' },
    { count: unknown, words: 'not known', className: 'border-y-2 border-dashed border-ink bg-sheet' },
    { count: dead, words: 'died', className: 'bg-ink text-paper' },
  ].filter(({ count }) => count > 0);
  return (
    <div className="mt-2 flex h-8 border-2 border-ink text-sm font-bold" aria-hidden>
      {parts.map(({ count, words, className }) => (
        <span
          key={words}
          className={`grid place-content-center overflow-hidden whitespace-nowrap ${className}`}
          style={{ flexGrow: count, flexBasis: 0 }}
        >
          {count} {words}
        </span>
      ))}
    </div>
  );
}

function Counts({ title, rows }: { title: string; rows: UnheardOf['byRound'] }) {
  if (rows.length === 0) return null;
  return (
    <div>
      <h3 className="text-sm font-bold">{title}</h3>
      <ul>
        {rows.map(({ name, unheard, all }) => (
          <li key={name} className="flex justify-between gap-2 border-b border-line py-0.5">
            <span>{name}</span>
            <span className="whitespace-nowrap tabular-nums">
              {unheard} of {all} silent
            </span>
          </li>
        ))}
      </ul>
    </div>
  );
}

type Call = UnheardOf['calls'][number];

function callColumns(mayChange: boolean): SheetColumn<Call>[] {
  const columns: SheetColumn<Call>[] = [
    { id: 'name', head: 'Who', names: true, value: ({ name }) => name, cell: ({ name }) => name },
    {
      id: 'phone',
      head: 'Phone',
      value: ({ phone }) => phone,
      cell: ({ phone }) =>
        phone === '' ? <span className="text-muted">no number</span> : <a href={`tel:${phone}`}>{phone}</a>,
    },
    {
      id: 'grafts',
      head: 'Grafts',
      value: ({ grafts }) => grafts,
      cell: ({ codes }) => codes.map(formatCode).join(', '),
    },
    {
      id: 'rounds',
      head: 'Asked',
      value: ({ rounds }) => rounds,
      cell: ({ rounds, bench }) => `${rounds}${bench ? `; ${bench}` : ''}`,
    },
    {
      id: 'days',
      head: 'For',
      value: ({ days }) => days,
      cell: ({ days, letters }) => `${counted(days, 'day')}, ${counted(letters, 'letter')}`,
    },
    {
      id: 'narrows',
      head: 'Brings the bounds nearer by',
      value: ({ narrows }) => narrows,
      cell: ({ narrows, width }) => `${percent(narrows)}, to ${percent(width)} apart`,
    },
  ];
  if (!mayChange) return columns;
  return [
    ...columns,
    {
      id: 'do',
      head: <span className="sr-only">Do</span>,
      cell: ({ name }) => (
        <Link className="bench-button" href={`/answers?search=${encodeURIComponent(name)}`}>
          Enter<span className="sr-only"> what {name} says</span>
        </Link>
      ),
    },
  ];
}
