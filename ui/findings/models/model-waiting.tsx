import type { ModelView } from '@/core/findings/boards/model-views';

interface ModelWaitingProps {
  view: Exclude<ModelView<unknown>, { state: 'done' }> | null;
  failed: boolean;
  again: () => void;
  /** It stands in a board already. */
  inBoard?: boolean;
}

/** A model that is not there: being reckoned, too little known, refused, or not to be had. */
export function ModelWaiting({ view, failed, again, inBoard = false }: ModelWaitingProps) {
  const board = inBoard ? '' : 'board';
  if (failed)
    return (
      <p role="alert" className={`${board} flex flex-wrap items-center gap-3`}>
        This could not be fetched. What stands above holds.
        <button type="button" className="bench-button" onClick={again}>
          Ask again
        </button>
      </p>
    );
  if (view?.state === 'missing') return <p className={`${board} max-w-prose`}>{view.sentence}</p>;
  if (view?.state === 'refused') return <p className={`${board} max-w-prose`}>{view.words}</p>;
  const share = Math.round(100 * (view?.share ?? 0));
  return (
    <div className={board} role="status">
      <p>Being reckoned.</p>
      <progress
        className="mt-2 h-3 w-full max-w-md appearance-none border border-ink [&::-moz-progress-bar]:bg-life [&::-webkit-progress-bar]:bg-sheet [&::-webkit-progress-value]:bg-life"
        max={100}
        value={share}
        aria-label="How far it is reckoned"
      />
    </div>
  );
}
