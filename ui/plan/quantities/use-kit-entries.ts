'use client';

import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import type { BuyLine } from '@/core/plan/quantities/kit';
import type { KitLength } from '@/core/plan/quantities/kit-lengths';
import { decimalOrText } from '@/core/units/decimal';
import { useSend } from '@/ui/kit/form/use-send';

/** What was typed over a line of the kit list. */
export type KitEntry = Partial<{ total: string; inStore: string; price: string }>;
/** A line somebody added. */
export type OwnLine = { id: string; name: string; unit: string; total: string };

export const ADDED = 'added by hand';

/** A figure of the list as it is shown and typed. */
export function kitFigure(value: number): string {
  return String(Math.round(value * 100) / 100);
}

/** What is typed into a kit list until it is saved: the list itself first, then what is in store. */
export function useKitEntries(workshopId: string, version: number, lines: BuyLine[]) {
  const { run, busy, problem } = useSend();
  const [entries, setEntries] = useState<Record<string, KitEntry>>({});
  const [own, setOwn] = useState<OwnLine[]>(() =>
    lines
      .filter(({ note }) => note === ADDED)
      .map(({ id, name, unit, total }) => ({ id, name, unit, total: kitFigure(total) })),
  );
  const [ownTouched, setOwnTouched] = useState(false);
  const [changeId, setChangeId] = useState(() => uuid());
  const save = async (): Promise<void> => {
    const kit = await run('PUT', `/api/workshops/${workshopId}/plan/kit`, {
      changeId,
      version,
      edits: editsOf(lines, entries),
      extra: own.map((line) => ({ ...line, total: decimalOrText(line.total) })),
    });
    if (!kit?.ok) return kit?.status === 422 ? setChangeId(uuid()) : undefined;
    const items = storeItems(lines, entries);
    if (items.length > 0) {
      const store = await run('PUT', '/api/store', { items });
      // The list itself is saved; only what is in store has to be sent again.
      if (!store?.ok) return setChangeId(uuid());
    }
    setEntries({});
    setOwnTouched(false);
    setChangeId(uuid());
  };
  return {
    entries,
    set: (id: string, entry: KitEntry): void => setEntries({ ...entries, [id]: { ...entries[id], ...entry } }),
    own,
    setOwn: (next: OwnLine[]): void => {
      setOwnTouched(true);
      setOwn(next);
    },
    changed: ownTouched || Object.keys(entries).length > 0,
    save,
    busy,
    problem,
  };
}

/** Tape in feet says so, since it is kept in metres. */
const lengthOf = ({ unit, note }: BuyLine): { unit?: KitLength } => (unit === 'ft' && note !== ADDED ? { unit } : {});

/** Amounts that differ from what is reckoned: typed now, or kept from before. An emptied one is reckoned again. */
function editsOf(lines: BuyLine[], entries: Record<string, KitEntry>): object {
  return Object.fromEntries(
    lines
      .filter(({ note }) => note !== ADDED)
      .flatMap((line) => {
        const typed = entries[line.id]?.total;
        if (typed !== undefined)
          return typed.trim() === '' ? [] : [[line.id, { total: decimalOrText(typed), ...lengthOf(line) }]];
        return line.note.endsWith('changed by hand') ? [[line.id, { total: line.total, ...lengthOf(line) }]] : [];
      }),
  );
}

function storeItems(lines: BuyLine[], entries: Record<string, KitEntry>): object[] {
  return lines.flatMap((line) => {
    const { id, inStore, price } = line;
    const typed = entries[id];
    if (typed?.inStore === undefined && typed?.price === undefined) return [];
    return [
      {
        item: id,
        ...lengthOf(line),
        inStore: typed.inStore === undefined ? inStore : decimalOrText(typed.inStore || '0'),
        price: typed.price === undefined ? price : typed.price.trim() === '' ? null : decimalOrText(typed.price),
      },
    ];
  });
}
