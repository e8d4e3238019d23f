import type { ScoreBoard } from '@/core/findings/boards/board-views';
import { ForetoldSection } from '@/ui/findings/score/foretold-section';
import { ScoreMeaning } from '@/ui/findings/score/score-meaning';
import { OutlookTable } from '@/ui/findings/score/outlook-table';
import { Shown } from './shown';

/** What score, contact and forecasts foretold. */
export function ScorePage({
  board: { scope, sentence, measures, outlooks },
  problem,
}: {
  board: ScoreBoard;
  problem: string | null;
}) {
  return (
    <Shown sentence={sentence} scope={scope} problem={problem}>
      <ScoreMeaning filter={scope.filter} told={sentence} />
      <details>
        <summary className="flex min-h-11 cursor-pointer items-center font-bold">
          As plainly counted, whatever else differed
        </summary>
        {measures.map((view) => (
          <ForetoldSection key={view.what} view={view} filter={scope.filter} told={sentence} />
        ))}
      </details>
      <OutlookTable outlooks={outlooks} />
    </Shown>
  );
}
