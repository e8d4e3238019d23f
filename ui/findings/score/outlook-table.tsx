import type { OutlookRow } from '@/core/findings/boards/board-views';
import { range, shareWords } from '../take/take-words';

/** "Will it live?", as said on the day, beside what came. */
export function OutlookTable({ outlooks }: { outlooks: readonly OutlookRow[] }) {
  return (
    <section aria-labelledby="outlook-title">
      <h2 id="outlook-title">“Will it live?”, said on the day</h2>
      {outlooks.length === 0 ? (
        <p className="max-w-prose">
          Nobody was asked yet. On the bench the question stands under each union: a word a union is enough to see next
          year whose eye foretells.
        </p>
      ) : (
        <div className="relative overflow-x-auto" tabIndex={0} role="group" aria-label="Forecasts, scrolls sideways">
          <table className="bench-table max-w-3xl">
            <thead>
              <tr>
                {['Said', 'By', 'Keepers', 'Alive', 'Dead', 'Take', '95 % interval'].map((name) => (
                  <th key={name} scope="col">
                    {name}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {outlooks.map(({ said, by, take }) => (
                <tr key={`${by} ${said}`}>
                  <th scope="row" className="border-b! border-line! font-bold">
                    “{said}”
                  </th>
                  <td>the {by}</td>
                  <td>{take.handedOver}</td>
                  <td>{take.alive}</td>
                  <td>{take.dead}</td>
                  <td className="font-bold">{shareWords(take.rate)}</td>
                  <td>{range(take.interval)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </section>
  );
}
