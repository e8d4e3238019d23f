'use client';

import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import type { BuyLine } from '@/core/plan/quantities/kit';
import { Problem } from '@/ui/kit/form/problem';
import { useSend } from '@/ui/kit/form/use-send';

interface KitTableProps {
  workshopId: string;
  version: number;
  lines: BuyLine[];
  mayChange: boolean;
}

type Entry = { total: string; inStore: string; price: string };
type Own = { id: string; name: string; unit: string; total: string };

const HEADS: Record<BuyLine['per'], string> = {
  seat: 'At each seat',
  bench: 'At each bench',
  workshop: 'For the workshop',
};
const figure = (value: number): string => String(Math.round(value * 100) / 100);

/** What lies where, what of it is in store, and what is to be bought. Amounts can be changed by hand, and lines added. */
export function KitTable({ workshopId, version, lines, mayChange }: KitTableProps) {
  const { run, busy, problem } = useSend();
  const [entries, setEntries] = useState<Record<string, Partial<Entry>>>({});
  const [own, setOwn] = useState<Own[]>(() =>
    lines
      .filter(({ note }) => note === 'added by hand')
      .map(({ id, name, unit, total }) => ({ id, name, unit, total: figure(total) })),
  );
  const [ownTouched, setOwnTouched] = useState(false);
  const [changeId, setChangeId] = useState(() => uuid());
  const set = (id: string, changes: Partial<Entry>): void =>
    setEntries({ ...entries, [id]: { ...entries[id], ...changes } });
  const changed = ownTouched || Object.keys(entries).length > 0;
  const counted = (id: string): boolean => id.startsWith('sticks-') || id.startsWith('stocks-');
  const save = async (): Promise<void> => {
    const edits = Object.fromEntries(
      lines
        .filter(({ note }) => note !== 'added by hand')
        .flatMap((line) => {
          const typed = entries[line.id]?.total;
          if (typed !== undefined) return typed.trim() === '' ? [] : [[line.id, { total: number(typed) }]];
          return line.note.endsWith('changed by hand') ? [[line.id, { total: line.total }]] : [];
        }),
    );
    const items = Object.entries(entries)
      .filter(([, entry]) => entry.inStore !== undefined || entry.price !== undefined)
      .map(([id, entry]) => {
        const line = lines.find((line) => line.id === id)!;
        return {
          item: id,
          inStore: entry.inStore === undefined ? line.inStore : number(entry.inStore || '0'),
          price: entry.price === undefined ? line.price : entry.price.trim() === '' ? null : number(entry.price),
        };
      });
    const kit = await run('PUT', `/api/workshops/${workshopId}/plan/kit`, {
      changeId,
      version,
      edits,
      extra: own.map((line) => ({ ...line, total: number(line.total) })),
    });
    if (!kit?.ok) return kit?.status === 422 ? setChangeId(uuid()) : undefined;
    if (items.length > 0) {
      const store = await run('PUT', '/api/store', { items });
      // The list itself is saved; only what is in store has to be sent again.
      if (!store?.ok) return setChangeId(uuid());
    }
    setEntries({});
    setOwnTouched(false);
    setChangeId(uuid());
  };
  const cost = lines.reduce((sum, line) => sum + (line.cost ?? 0), 0);
  return (
    <div className="flex flex-col gap-3">
      <Problem>{problem?.message}</Problem>
      <div
        className="relative overflow-x-auto"
        tabIndex={0}
        role="group"
        aria-label="Kit list, scrolls sideways on narrow screens"
      >
        <table className="bench-table min-w-[52rem]">
          <thead>
            <tr>
              <th scope="col">Thing</th>
              <th scope="col" className="text-right">
                Each
              </th>
              <th scope="col" className="text-right">
                In all
              </th>
              <th scope="col" className="text-right">
                In store
              </th>
              <th scope="col" className="text-right">
                To buy
              </th>
              <th scope="col" className="text-right">
                Unit price
              </th>
              <th scope="col">How it came about</th>
            </tr>
          </thead>
          {(['seat', 'bench', 'workshop'] as const).map((per) => (
            <tbody key={per}>
              <tr>
                <th scope="colgroup" colSpan={7} className="border-b-0 pt-3">
                  {HEADS[per]}
                </th>
              </tr>
              {lines
                .filter((line) => line.per === per && line.note !== 'added by hand')
                .map((line) => (
                  <tr key={line.id}>
                    <th scope="row" className="!border-b !border-line !align-middle !font-normal !text-base">
                      {line.name}
                    </th>
                    <td className="text-right tabular-nums">{line.each === null ? '' : figure(line.each)}</td>
                    <td className="text-right whitespace-nowrap tabular-nums">
                      {mayChange ? (
                        <Cell
                          label={`${line.name}: in all`}
                          value={entries[line.id]?.total ?? figure(line.total)}
                          onChange={(total) => set(line.id, { total })}
                        />
                      ) : (
                        figure(line.total)
                      )}{' '}
                      <span className="inline-block w-12 text-left text-sm text-muted">{line.unit}</span>
                    </td>
                    <td className="text-right tabular-nums">
                      {mayChange && !counted(line.id) ? (
                        <Cell
                          label={`${line.name}: in store`}
                          value={entries[line.id]?.inStore ?? figure(line.inStore)}
                          onChange={(inStore) => set(line.id, { inStore })}
                        />
                      ) : (
                        figure(line.inStore)
                      )}
                    </td>
                    <td className={`text-right tabular-nums ${line.buy > 0 ? 'font-bold' : 'text-muted'}`}>
                      {figure(line.buy)}
                    </td>
                    <td className="text-right tabular-nums">
                      {mayChange && !counted(line.id) ? (
                        <Cell
                          label={`${line.name}: unit price`}
                          value={entries[line.id]?.price ?? (line.price === null ? '' : figure(line.price))}
                          onChange={(price) => set(line.id, { price })}
                        />
                      ) : line.price === null ? (
                        ''
                      ) : (
                        figure(line.price)
                      )}
                    </td>
                    <td className="text-sm text-muted">{line.note}</td>
                  </tr>
                ))}
            </tbody>
          ))}
        </table>
      </div>
      {(mayChange || own.length > 0) && (
        <div>
          <h3 className="font-bold">Lines of your own</h3>
          <ul className="flex flex-col gap-2">
            {own.map((line) => (
              <li key={line.id} className="flex flex-wrap items-center gap-2">
                <input
                  aria-label="Name of the line"
                  className="bench-input !w-56"
                  value={line.name}
                  disabled={!mayChange}
                  onChange={(event) => {
                    setOwnTouched(true);
                    setOwn(own.map((item) => (item.id === line.id ? { ...item, name: event.target.value } : item)));
                  }}
                />
                <input
                  aria-label={`${line.name || 'line'}: amount`}
                  inputMode="decimal"
                  className="bench-input !w-20 text-right"
                  value={line.total}
                  disabled={!mayChange}
                  onChange={(event) => {
                    setOwnTouched(true);
                    setOwn(own.map((item) => (item.id === line.id ? { ...item, total: event.target.value } : item)));
                  }}
                />
                <input
                  aria-label={`${line.name || 'line'}: unit`}
                  className="bench-input !w-28"
                  value={line.unit}
                  disabled={!mayChange}
                  onChange={(event) => {
                    setOwnTouched(true);
                    setOwn(own.map((item) => (item.id === line.id ? { ...item, unit: event.target.value } : item)));
                  }}
                />
                {mayChange && (
                  <button
                    type="button"
                    className="bench-button"
                    onClick={() => {
                      setOwnTouched(true);
                      setOwn(own.filter((item) => item.id !== line.id));
                    }}
                  >
                    Take away<span className="sr-only"> {line.name}</span>
                  </button>
                )}
              </li>
            ))}
          </ul>
          {mayChange && (
            <button
              type="button"
              className="bench-button mt-2"
              onClick={() => {
                setOwnTouched(true);
                setOwn([...own, { id: `own-${uuid()}`, name: '', unit: 'pieces', total: '1' }]);
              }}
            >
              Add a line
            </button>
          )}
        </div>
      )}
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

/** A number as typed; what is none goes to the server as it is, which says what is wrong. */
function number(typed: string): number | string {
  const value = Number(typed.trim().replace(',', '.'));
  return typed.trim() === '' || Number.isNaN(value) ? typed : value;
}

function Cell({ label, value, onChange }: { label: string; value: string; onChange: (value: string) => void }) {
  return (
    <input
      aria-label={label}
      inputMode="decimal"
      className="bench-figure"
      value={value}
      onChange={(event) => onChange(event.target.value)}
    />
  );
}
