import type { OutlookRow } from '@/core/findings/boards/board-views';
import { FiguresTable } from '../figures-table';
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
        <FiguresTable
          label="Forecasts beside fates"
          className="max-w-3xl"
          head={['Said', 'By', 'Keepers', 'Alive', 'Dead', 'Take', '95 % interval']}
          rows={outlooks.map(({ said, by, take }) => ({
            key: `${by} ${said}`,
            cells: [
              `“${said}”`,
              `the ${by}`,
              take.handedOver,
              take.alive,
              take.dead,
              <strong key="take">{shareWords(take.rate)}</strong>,
              range(take.interval),
            ],
          }))}
        />
      )}
    </section>
  );
}
