import type { PlannedDate } from '@/core/plan/dates/planned-date';
import { formatDate } from '@/core/units/iso-date';

const KINDS: Record<PlannedDate['kind'], string> = {
  wood: 'wood',
  stocks: 'stocks',
  day: 'the day',
  callus: 'callus',
  planting: 'planting',
  round: 'follow-up',
};

/** The dates of a workshop in their order, each with how and whose figure it is. Dates that differ from those of the plan as it stands are marked. */
export function DateList({
  dates,
  today,
  before = null,
  brief = false,
}: {
  dates: PlannedDate[];
  today: string;
  before?: PlannedDate[] | null;
  brief?: boolean;
}) {
  return (
    <ol className="divide-y divide-line border-y border-line">
      {dates.map((date) => {
        const was = before?.find(({ id }) => id === date.id);
        const moved = before !== null && (!was || was.from !== date.from || was.to !== date.to);
        return (
          <li
            key={date.id}
            className={`grid gap-x-4 py-2 sm:grid-cols-[13rem_minmax(0,1fr)] ${date.kind === 'day' ? 'bg-ink px-2 text-paper' : date.to < today ? 'text-muted' : ''}`}
          >
            <span className="tabular-nums">
              {formatDate(date.from)}
              {date.to !== date.from && (
                <>
                  {' '}
                  to
                  <br className="max-sm:hidden" /> {formatDate(date.to)}
                </>
              )}
            </span>
            <span className="min-w-0">
              <span className="font-bold">{date.name}</span>
              {!brief && (
                <span className={`ml-2 text-sm ${date.kind === 'day' ? '' : 'text-muted'}`}>
                  {KINDS[date.kind]}
                  {date.to < today && date.kind !== 'day' ? ', past' : ''}
                </span>
              )}
              {moved && <span className="ml-2 text-sm font-bold">moved</span>}
              {!brief && date.kind !== 'day' && (
                <span className="block text-sm">
                  {date.how}{' '}
                  <span className="text-muted">
                    {date.source
                      ? `Source: ${date.source}.`
                      : date.kind === 'round'
                        ? ''
                        : 'No source: our guess, change it at the site.'}
                  </span>
                </span>
              )}
            </span>
          </li>
        );
      })}
    </ol>
  );
}
