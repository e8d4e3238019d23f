import type { ModelView } from '@/core/findings/boards/model-views';

interface ModelWaitingProps {
  view: Exclude<ModelView<unknown>, { state: 'done' }> | null;
  failed: boolean;
  again: () => void;
  /** What is there while it is reckoned. */
  meanwhile?: string;
}

/** A model that is not there: being reckoned, too little known, refused, or not to be had. */
export function ModelWaiting({
  view,
  failed,
  again,
  meanwhile = 'The counts above are there meanwhile.',
}: ModelWaitingProps) {
  if (failed)
    return (
      <p role="alert" className="board flex flex-wrap items-center gap-3">
        This could not be fetched. What stands above holds.
        <button type="button" className="bench-button" onClick={again}>
          Ask again
        </button>
      </p>
    );
  if (view?.state === 'missing') return <p className="board max-w-prose">{view.sentence}</p>;
  if (view?.state === 'refused') return <p className="board max-w-prose">{view.words}</p>;
  const share = Math.round(100 * (view?.share ?? 0));
  return (
    <div className="board" role="status">
      <p>Being reckoned. {meanwhile}</p>
      <progress className="mt-2 h-3 w-full max-w-md" max={100} value={share} aria-label="How far it is reckoned" />
    </div>
  );
}
