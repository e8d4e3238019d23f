import type { ScopeView } from '@/core/findings/boards/board-views';
import { CostsPanel } from '@/ui/findings/models/costs-panel';
import { Shown } from './shown';

/** What faults cost, and what to teach next. */
export function TeachPage({ scope, problem }: { scope: ScopeView; problem: string | null }) {
  return (
    <Shown
      sentence={`What faults cost, and what to teach next: ${scope.keepers} keepers ${scope.whose}`}
      scope={scope}
      problem={problem}
    >
      <CostsPanel filter={scope.filter} />
    </Shown>
  );
}
