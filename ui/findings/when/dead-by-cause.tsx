import { type DeadByCause, WATCHED_FROM } from '@/core/findings/survival/dead-by-cause';
import { capital } from '@/core/units/capital';
import { percent } from '@/core/units/percent';
import { FiguresTable } from '../figures-table';

/** Fills of causes, told apart by their shade as well as by their order. */
const FILLS = ['bg-ink', 'bg-bark', 'bg-loud', 'bg-steel', 'bg-board', 'bg-mist'];

/** How many of a hundred plants are dead of each cause by some days; the rest still live. */
export function DeadByCauseTable({ view: { causes, rows } }: { view: DeadByCause }) {
  if (rows.length === 0)
    return (
      <p className="max-w-prose">
        Fewer than {WATCHED_FROM} plants were watched for any time, so nothing is said by cause yet.
      </p>
    );
  return (
    <section aria-labelledby="by-cause-title">
      <h2 id="by-cause-title">Dead of each cause, of 100 plants</h2>
      <ul className="mt-2 flex flex-wrap gap-x-4 gap-y-1 text-sm">
        {causes.map((cause, nth) => (
          <li key={cause} className="flex items-center gap-2">
            <span aria-hidden className={`inline-block size-4 border border-ink ${FILLS[nth % FILLS.length]!}`} />
            {capital(cause)}
          </li>
        ))}
      </ul>
      <div className="mt-3 grid gap-2">
        {rows.map(({ day, watched, dead }) => (
          <div
            key={day}
            className="grid grid-cols-[4.5rem_minmax(0,1fr)] items-center gap-x-3 text-sm sm:grid-cols-[6rem_minmax(0,1fr)_8rem]"
          >
            <span className="font-bold">day {day}</span>
            <span aria-hidden className="flex h-6 border border-ink bg-sheet">
              {dead.map((share, nth) =>
                share ? (
                  <span
                    key={causes[nth]}
                    className={`border-r border-ink ${FILLS[nth % FILLS.length]!}`}
                    style={{ width: `${100 * share}%` }}
                  />
                ) : null,
              )}
            </span>
            <span className="col-start-2 text-muted sm:col-start-3">{watched} still watched</span>
          </div>
        ))}
      </div>
      <details className="mt-2">
        <summary className="flex min-h-11 cursor-pointer items-center font-bold">The same in figures</summary>
        <FiguresTable
          label="Share of all plants dead of each cause by day"
          head={['By day', ...causes.map(capital), 'Still watched']}
          rows={rows.map(({ day, watched, dead }) => ({
            key: String(day),
            cells: [day, ...dead.map((share) => (share === null ? 'nobody looked then' : percent(share))), watched],
          }))}
        />
      </details>
      <p className="mt-1 max-w-prose text-sm text-muted">
        Of all plants, those dead of a cause by that day; a death of another cause ends the watch, so causes and living
        add up to all. A death whose cause nobody settled counts for each likely cause by its share. Nonparametric
        maximum likelihood over days and causes, since plants are seen at visits only; nothing is said beyond where{' '}
        {WATCHED_FROM} are watched.
      </p>
    </section>
  );
}
