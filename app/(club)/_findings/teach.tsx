import type { ModelBoard } from '@/core/findings/boards/model-views';
import { CostsPanel } from '@/ui/findings/models/costs-panel';
import { Shown } from './shown';

/** What faults cost, and what to teach next. */
export function TeachPage({ board: { scope, sentence }, problem }: { board: ModelBoard; problem: string | null }) {
  return (
    <Shown sentence={sentence} scope={scope} problem={problem}>
      <CostsPanel filter={scope.filter} told={sentence} />
    </Shown>
  );
}
