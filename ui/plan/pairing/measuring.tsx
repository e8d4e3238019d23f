'use client';
import { formatLengthNumber } from '@/core/units/length';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { usePieces, type PiecesMeasured, type MeasuringProps } from './use-pieces';

/** Sticks or stocks measured one after the other: typed, sent by a caliper that ends with Enter, or read from CSV. */
export function Measuring(props: MeasuringProps) {
  const measuring = usePieces(props);
  const { kind, lots, pieces, mayChange, problem, notes, many } = measuring;

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
        mayChange && <PieceForm measuring={measuring} />
      )}
      {notes && (
        <p role="status" className="font-bold">
          {notes}
        </p>
      )}
      <PieceList measuring={measuring} />
    </section>
  );
}

/** What was measured. */
function PieceList({ measuring }: { measuring: PiecesMeasured }) {
  const { many, pieces, unit, mayChange, busy, single, run, workshopId } = measuring;
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

/** Enters one piece after the other. */
function PieceForm({ measuring }: { measuring: PiecesMeasured }) {
  const {
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
  } = measuring;
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
