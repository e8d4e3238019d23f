import type { ScoreBoard } from '@/core/findings/boards/board-views';
import { ForetoldSection } from '@/ui/findings/score/foretold-section';
import { OutlookTable } from '@/ui/findings/score/outlook-table';
import { Shown } from './shown';

/** What score, contact and forecasts foretold. */
export function ScorePage({
  board: { scope, measures, outlooks },
  problem,
}: {
  board: ScoreBoard;
  problem: string | null;
}) {
  return (
    <Shown sentence={measures[0]!.sentence} scope={scope} problem={problem}>
      {measures.map((view) => (
        <ForetoldSection key={view.what} view={view} filter={scope.filter} told={measures[0]!.sentence} />
      ))}
      <OutlookTable outlooks={outlooks} />
    </Shown>
  );
}
