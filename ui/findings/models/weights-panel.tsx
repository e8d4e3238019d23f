import type { ModelView, WeightsView } from '@/core/findings/boards/model-views';
import { FiguresTable } from '../figures-table';
import { ModelWaiting } from './model-waiting';

interface WeightsPanelProps {
  view: ModelView<WeightsView> | null;
  failed: boolean;
  again: () => void;
  /** Puts weights into the fields; null for those who may not change them. */
  onTry: ((weights: Readonly<Record<string, number>>) => void) | null;
}

/** Weights by which the score would have foretold take better: shown beside those of now, never set by themselves. */
export function WeightsPanel({ view, failed, again, onTry }: WeightsPanelProps) {
  return (
    <section className="board flex flex-col gap-2" aria-labelledby="weights-title">
      <h2 id="weights-title">What the fates of keepers say of the weights</h2>
      {view?.state === 'done' ? (
        <Proposal view={view.view} onTry={onTry} />
      ) : (
        <ModelWaiting view={view} failed={failed} again={again} inBoard />
      )}
    </section>
  );
}

function Proposal({ view, onTry }: { view: WeightsView } & Pick<WeightsPanelProps, 'onTry'>) {
  const { sentence, proposed } = view;
  return (
    <>
      <p className="max-w-prose">{sentence}</p>
      {proposed && (
        <FiguresTable
          label="Weights now and as proposed"
          className="max-w-xl"
          head={['Point', 'Now', 'Proposed', '90 % interval']}
          rows={proposed.map(({ point, name, now, then, low, high }) => ({
            key: point,
            cells: [
              name,
              Math.round(10 * now) / 10,
              then === now ? then : <strong key="then">{then}</strong>,
              `${low.toFixed(0)} to ${high.toFixed(0)}`,
            ],
          }))}
        />
      )}
      {proposed && onTry && (
        <button
          type="button"
          className="bench-button self-start"
          onClick={() => onTry(Object.fromEntries(proposed.map(({ point, then }) => [point, then])))}
        >
          Try these weights
        </button>
      )}
      <p className="max-w-prose text-sm text-muted">
        A rubric also teaches: a point that cost no trees yet may be worth its weight. Nothing changes by itself.
      </p>
    </>
  );
}
