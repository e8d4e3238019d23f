import type { ScopeView } from '@/core/findings/boards/board-views';
import { FilterBar } from '@/ui/findings/filter-bar';

interface ShownProps {
  /** The finding in one sentence. */
  sentence: string;
  scope: ScopeView;
  problem: string | null;
  /** More to choose. */
  choices?: React.ReactNode;
  children: React.ReactNode;
}

/** A page of findings: one sentence, what it is about, then what it rests on. */
export function Shown({ sentence, scope, problem, choices, children }: ShownProps) {
  return (
    <>
      <h1 className="mb-3 max-w-4xl">{sentence}</h1>
      {problem && (
        <p role="alert" className="mb-3 border-l-4 border-loud pl-3 font-bold">
          {problem}
        </p>
      )}
      {scope.onlyNewest && (
        <p className="mb-3 max-w-prose">
          There are more: this page reads the newest {scope.keepers.toLocaleString('en')} of them. Choose a method, year
          or site for the others.
        </p>
      )}
      <FilterBar scope={scope} inWorkshop={scope.filter.workshopId !== null}>
        {choices}
      </FilterBar>
      <div className="grid grid-cols-[minmax(0,1fr)] gap-6">{children}</div>
    </>
  );
}
