import type { PlaceMove } from '@/core/aftercare/places/place-view';
import { counted } from '@/core/units/counted';
import { formatDate } from '@/core/units/iso-date';

/** What came and went, latest first; nothing of it is ever lost. */
export function MoveHistory({ moves }: { moves: readonly PlaceMove[] }) {
  if (moves.length === 0) return <p className="text-muted">Nothing was moved yet.</p>;
  return (
    <ol className="divide-y divide-line border-y border-line">
      {moves.map(({ actionId, on, by, note, codes, from, to, undone }) => (
        <li key={actionId} className="flex flex-wrap gap-x-4 py-1.5">
          <span className="w-28 shrink-0 text-muted tabular-nums">{formatDate(on)}</span>
          <span className={`grow basis-60 ${undone ? 'line-through' : ''}`}>
            {codes.length === 1 ? codes[0] : counted(codes.length, 'plant')} {from === '' ? '' : `from ${from} `}
            {to === '' ? 'taken out of all places' : `to ${to}`}
            {note === '' ? '' : `: ${note}`}
            {codes.length > 1 && <span className="block text-sm text-muted">{codes.join(', ')}</span>}
          </span>
          <span className="text-sm text-muted">{undone ? 'taken back' : by}</span>
        </li>
      ))}
    </ol>
  );
}
