import type { WhenBoard } from '@/core/findings/boards/board-views';
import { SurvivalChart } from '@/ui/findings/when/survival-chart';
import { Shown } from './shown';

/** When plants die. */
export function WhenPage({ board, problem }: { board: WhenBoard; problem: string | null }) {
  const { scope, sentence, curves, tooFew, by } = board;
  return (
    <Shown
      sentence={sentence}
      scope={scope}
      problem={problem}
      choices={
        <label className="grid gap-1">
          <span className="text-sm font-bold">Compared by</span>
          <select name="by" defaultValue={by} className="bench-input">
            <option value="method">method</option>
            <option value="lot">lot of wood</option>
            <option value="cause">cause</option>
          </select>
        </label>
      }
    >
      {curves.length > 0 && <SurvivalChart curves={curves} filter={scope.filter} />}
      {by === 'cause' && curves.length > 0 && (
        <p className="max-w-prose text-sm text-muted">
          Of each cause: those that died of another count as alive of this one until they were seen dead.
        </p>
      )}
      {tooFew.length > 0 && (
        <p className="max-w-prose text-sm text-muted">
          Without a curve of their own, since too few are known or died:{' '}
          {tooFew.map(({ name, plants }) => `${name} (${plants})`).join(', ')}.
        </p>
      )}
    </Shown>
  );
}
