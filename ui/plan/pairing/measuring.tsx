'use client';

import { useRef, useState, type Dispatch, type RefObject, type SetStateAction } from 'react';
import { v7 as uuid } from 'uuid';
import { formatLengthNumber, type LengthUnit } from '@/core/units/length';
import { parseLength } from '@/core/units/parse-length';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useSend } from '@/ui/kit/form/use-send';
import type { Sent } from '@/ui/kit/form/send';

export interface Piece {
  id: string;
  kind: 'stick' | 'stock';
  lotId: string;
  number: number;
  caliper: number;
  usableBuds: number | null;
}

interface MeasuringProps {
  workshopId: string;
  kind: 'stick' | 'stock';
  lots: { id: string; name: string }[];
  pieces: Piece[];
  unit: LengthUnit;
  mayChange: boolean;
}

/** Sticks or stocks measured one after the other: typed, sent by a caliper that ends with Enter, or read from CSV. */
export function Measuring({ workshopId, kind, lots, pieces, unit, mayChange }: MeasuringProps) {
  const { run, busy, problem, setProblem } = useSend();
  const [lotId, setLotId] = useState(lots[0]?.id ?? '');
  const [typed, setTyped] = useState('');
  const [buds, setBuds] = useState('');
  const [notes, setNotes] = useState<string | null>(null);
  const pieceId = useRef(uuid());
  const field = useRef<HTMLInputElement>(null);
  const [single, many] = kind === 'stick' ? ['stick', 'sticks'] : ['stock', 'stocks'];
  const add = async (event: React.FormEvent): Promise<void> => {
    event.preventDefault();
    const caliper = parseLength(typed, unit);
    if (caliper === null) {
      setProblem({ message: `"${typed.slice(0, 20)}" is no caliper. Measure again.`, fields: {} });
      // What the caliper sends next takes its place.
      return field.current?.select();
    }
    const sent = await run('PUT', `/api/workshops/${workshopId}/pieces/${pieceId.current}`, {
      kind,
      lotId,
      caliper: Math.round(caliper * 100) / 100,
      usableBuds: buds,
    });
    if (!sent) return;
    if (sent.ok || sent.status === 422) pieceId.current = uuid();
    if (sent.ok) setTyped('');
    // Ready for the next one without a hand to the mouse.
    field.current?.focus();
    field.current?.select();
  };
  const read = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    setNotes(null);
    const form = new FormData();
    for (const [name, value] of Object.entries({ kind, lotId, importId: uuid() })) form.set(name, value);
    form.set('file', file);
    const sent = await run<{ added: number; notes: string[] }>('POST', `/api/workshops/${workshopId}/pieces`, form);
    if (sent?.ok) setNotes([`${sent.data.added} ${many} read.`, ...sent.data.notes].join(' '));
  };
  return (
    <section className="board flex flex-col gap-2" aria-labelledby={`measure-${kind}`}>
      <h2 id={`measure-${kind}`}>
        {kind === 'stick' ? 'Sticks' : 'Stocks'}{' '}
        <span className="text-base font-normal text-muted">{pieces.length} measured</span>
      </h2>
      <Problem>{problem?.message}</Problem>
      {lots.length === 0 ? (
        <p className="text-muted">No lot of {many} is chosen for the workshop yet: choose one on the wood page.</p>
      ) : (
        mayChange && (
          <PieceForm
            add={add}
            lotId={lotId}
            setLotId={setLotId}
            lots={lots}
            unit={unit}
            problem={problem}
            field={field}
            typed={typed}
            single={single}
            setTyped={setTyped}
            kind={kind}
            buds={buds}
            setBuds={setBuds}
            busy={busy}
            many={many}
            read={read}
          />
        )
      )}
      {notes && (
        <p role="status" className="font-bold">
          {notes}
        </p>
      )}
      <PieceList
        many={many}
        pieces={pieces}
        unit={unit}
        mayChange={mayChange}
        busy={busy}
        single={single}
        run={run}
        workshopId={workshopId}
      />
    </section>
  );
}

interface PieceListProps {
  many: string;
  pieces: MeasuringProps['pieces'];
  unit: MeasuringProps['unit'];
  mayChange: MeasuringProps['mayChange'];
  busy: boolean;
  single: string;
  run: <T>(
    method: 'POST' | 'PUT' | 'PATCH' | 'DELETE',
    url: string,
    body?: object | FormData | undefined,
    patience?: number | undefined,
  ) => Promise<Sent<T> | null>;
  workshopId: MeasuringProps['workshopId'];
}

/** What was measured. */
function PieceList({ many, pieces, unit, mayChange, busy, single, run, workshopId }: PieceListProps) {
  return (
    <ol
      className="flex max-h-44 flex-wrap gap-x-1 gap-y-1 overflow-y-auto"
      tabIndex={0}
      aria-label={`Measured ${many}`}
    >
      {pieces.map((piece) => (
        <li key={piece.id} className="inline-flex items-center border border-line bg-paper pl-2 text-sm tabular-nums">
          <span className="text-muted">{piece.number}</span>&nbsp;
          <strong>{formatLengthNumber(piece.caliper, unit)}</strong>
          {mayChange ? (
            <button
              type="button"
              className="ml-1 min-h-7 min-w-7 cursor-pointer text-muted"
              disabled={busy}
              aria-label={`Remove ${single} ${piece.number}`}
              onClick={() => void run('DELETE', `/api/workshops/${workshopId}/pieces/${piece.id}`)}
            >
              ×
            </button>
          ) : (
            <span className="w-2" />
          )}
        </li>
      ))}
    </ol>
  );
}

interface PieceFormProps {
  add: (event: React.FormEvent) => Promise<void>;
  lotId: string;
  setLotId: Dispatch<SetStateAction<string>>;
  lots: MeasuringProps['lots'];
  unit: MeasuringProps['unit'];
  problem: { message: string; fields: Record<string, string> } | null;
  field: RefObject<HTMLInputElement | null>;
  typed: string;
  single: string;
  setTyped: Dispatch<SetStateAction<string>>;
  kind: MeasuringProps['kind'];
  buds: string;
  setBuds: Dispatch<SetStateAction<string>>;
  busy: boolean;
  many: string;
  read: (file: File | undefined) => Promise<void>;
}

/** Enters one piece after the other. */
function PieceForm({
  add,
  lotId,
  setLotId,
  lots,
  unit,
  problem,
  field,
  typed,
  single,
  setTyped,
  kind,
  buds,
  setBuds,
  busy,
  many,
  read,
}: PieceFormProps) {
  return (
    <form onSubmit={(event) => void add(event)} className="flex flex-wrap items-end gap-2" noValidate>
      <div className="w-40">
        <Field label="Lot">
          <select value={lotId} onChange={(event) => setLotId(event.target.value)}>
            {lots.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </Field>
      </div>
      <div className="w-28">
        <Field label={`Caliper, ${unit}`} error={problem?.fields.caliper}>
          <input
            ref={field}
            inputMode="decimal"
            autoComplete="off"
            value={typed}
            aria-label={`Caliper of the next ${single}, ${unit}`}
            onChange={(event) => setTyped(event.target.value)}
          />
        </Field>
      </div>
      {kind === 'stick' && (
        <div className="w-24">
          <Field label="Buds">
            <input
              inputMode="numeric"
              value={buds}
              placeholder="as lot"
              aria-label="Usable buds of the next stick"
              onChange={(event) => setBuds(event.target.value)}
            />
          </Field>
        </div>
      )}
      <button type="submit" className="bench-button" disabled={busy || typed.trim() === ''}>
        Add<span className="sr-only"> {single}</span>
      </button>
      <label className="bench-button">
        From CSV
        <input
          type="file"
          accept=".csv,text/csv"
          className="sr-only"
          aria-label={`${many} from a CSV file`}
          onChange={(event) => {
            void read(event.target.files?.[0]);
            event.target.value = '';
          }}
        />
      </label>
    </form>
  );
}
