import Link from 'next/link';
import { packRows } from '@/core/units/packed-rows';
import type { CauseBoard } from '@/server/findings/boards/cause-board';
import { FateBoard } from '@/ui/findings/causes/fate-board';
import { Shown } from './shown';

/** Why keepers died: what deaths share, drawn where it was, and each with its causes. */
export function CausesPage({ board, problem }: { board: CauseBoard; problem: string | null }) {
  const { scope, sentence, fates, may } = board;
  const inWorkshop = scope.filter.workshopId !== null;
  return (
    <Shown sentence={sentence} scope={scope} problem={problem}>
      <div>
        <p className="mb-4 max-w-prose text-muted">
          A cause is what a person settles, or what evidence makes likely; “not known” is an answer. Counts are of
          unions whose fate is known; each group is compared with the others of the same workshop{inWorkshop ? '' : 's'}
          .{' '}
          {inWorkshop && (
            <>
              <Link href="/findings/causes">Over the years</Link>.{' '}
            </>
          )}
          <Link href="/club/causes">How strongly evidence speaks</Link>.
        </p>
        <FateBoard board={{ ...fates, marks: packRows(fates.marks) }} maySettle={may.settle} mayStrike={may.strike} />
      </div>
    </Shown>
  );
}
