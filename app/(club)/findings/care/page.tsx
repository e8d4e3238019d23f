import type { Metadata } from 'next';
import { careBoard } from '@/server/findings/boards/care-board';
import { TiesTable, ToldWords } from '@/ui/findings/care/care-tables';
import { FiguresTable } from '@/ui/findings/figures-table';
import { shareWords } from '@/ui/findings/take/take-words';
import { pageContext } from '../../../_http/session';

export const metadata: Metadata = { title: 'How they were cared for' };

/** Ties off in time, tasks missed, and how often growers were wrong: what take can be read beside. */
export default async function Care() {
  const context = await pageContext();
  const { ties, tasks, drawn, all } = await careBoard(context, null);
  const growers = ties.filter(({ withUs }) => !withUs);
  const [inTime, late] = [sum(growers.map((row) => row.inTime)), sum(growers.map((row) => row.late))];
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-6">
      <section aria-labelledby="ties-title">
        <h1 id="ties-title" className="mb-3 max-w-4xl">
          {inTime + late === 0
            ? 'No tie has come to its last day yet.'
            : `Of the plants that growers have, ${inTime} of ${inTime + late} ties were off by their last day.`}
        </h1>
        {ties.length > 0 && <TiesTable ties={ties} />}
        <p className="mt-2 max-w-prose text-sm text-muted">
          The tie of the union, off by the last day its plan gives it. One whose union died first, and one that rots by
          itself, is not counted; one that is on past its day is late. Years differ in weather and in what was taught,
          so a better year is no proof that reminding helps.
        </p>
      </section>
      {tasks.length > 0 && (
        <section aria-labelledby="tasks-title">
          <h2 id="tasks-title">Tasks, by the year their plants were made</h2>
          <FiguresTable
            label="Tasks by year"
            head={['Made in', 'Missed or left', 'Done', 'Not needed', 'Left undone', 'Missed']}
            rows={tasks.map(({ year, missedShare, done, notNeeded, leftUndone, missed }) => ({
              key: String(year),
              cells: [year, shareWords(missedShare), done, notNeeded, leftUndone, missed],
            }))}
          />
          <p className="mt-2 max-w-prose text-sm text-muted">
            Missed is what nobody marked and whose time is over. It may have been done and never told.
          </p>
        </section>
      )}
      <section aria-labelledby="told-title">
        <h2 id="told-title">What growers tell</h2>
        <ToldWords drawn={drawn} all={all} />
      </section>
    </div>
  );
}

const sum = (numbers: readonly number[]): number => numbers.reduce((total, each) => total + each, 0);
