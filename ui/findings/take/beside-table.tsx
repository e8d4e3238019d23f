import type { TakeRate } from '@/core/findings/take/take-rate';
import { range, shareWords } from './take-words';

interface TakeOfSome {
  name: string;
  take: TakeRate;
}

interface BesideTableProps {
  beside: { judged: TakeOfSome[]; foretold: TakeOfSome[]; methods: TakeOfSome[] };
  milestone: string;
}

/** What was seen of keepers on the day, beside what became of them; nothing where nothing was seen. */
export function BesideTable({ beside: { judged, foretold, methods }, milestone }: BesideTableProps) {
  const groups = [
    { id: 'methods', head: 'By method', rows: methods },
    { id: 'judged', head: 'By how they were judged', rows: judged.length > 1 ? judged : [] },
    { id: 'foretold', head: 'By what was foretold', rows: foretold },
  ].filter(({ rows }) => rows.length > 0);
  if (groups.length === 0) return null;
  return (
    <section aria-labelledby="beside-title">
      <h2 id="beside-title" className="mb-1">
        What was seen on the day, beside what became of it
      </h2>
      <div
        className="relative overflow-x-auto"
        tabIndex={0}
        role="group"
        aria-label="Keepers by what was seen of them, scrolls sideways on narrow screens"
      >
        <table className="bench-table">
          <thead>
            <tr>
              <th scope="col">Keepers</th>
              <th scope="col">How many</th>
              <th scope="col">{milestone}: alive, dead, unknown</th>
              <th scope="col">Take</th>
              <th scope="col">95 % interval</th>
            </tr>
          </thead>
          {groups.map(({ id, head, rows }) => (
            <tbody key={id}>
              <tr>
                <th scope="rowgroup" colSpan={5} className="text-left text-sm text-muted">
                  {head}
                </th>
              </tr>
              {rows.map(({ name, take }) => (
                <tr key={name}>
                  <th scope="row" className="border-b! border-line! font-bold">
                    {name}
                  </th>
                  <td>{take.handedOver}</td>
                  <td>
                    {take.alive}, {take.dead}, {take.unknown}
                  </td>
                  <td className="font-bold">{shareWords(take.rate)}</td>
                  <td>{range(take.interval)}</td>
                </tr>
              ))}
            </tbody>
          ))}
        </table>
      </div>
      <p className="mt-2 max-w-prose text-sm text-muted">
        Intervals that overlap do not tell two rows apart. A keeper that nobody judged is not taken for a good one.
      </p>
    </section>
  );
}
