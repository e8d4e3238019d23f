import type { ModelBoard } from '@/core/findings/boards/model-views';
import { ComparePanel } from '@/ui/findings/models/compare-panel';
import { Shown } from './shown';

/** What differs with everything weighed at once, and what cannot be told apart. */
export function DiffersPage({ board: { scope, sentence }, problem }: { board: ModelBoard; problem: string | null }) {
  return (
    <Shown sentence={sentence} scope={scope} problem={problem}>
      <p className="-mt-3 max-w-prose text-muted">
        A bad lot on a good day and a good lot on a bad one look alike in plain counts. Here each is compared with all
        else held average, and what too few unions speak for is drawn towards the middle.
      </p>
      <ComparePanel filter={scope.filter} told={sentence} />
    </Shown>
  );
}
