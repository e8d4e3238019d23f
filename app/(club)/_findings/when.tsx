import type { WhenBoard } from '@/core/findings/boards/board-views';
import { DeadByCauseTable } from '@/ui/findings/when/dead-by-cause';
import { SurvivalChart } from '@/ui/findings/when/survival-chart';
import { Shown } from './shown';

/** When plants die. */
export function WhenPage({ board, problem }: { board: WhenBoard; problem: string | null }) {
  const { scope, sentence, curves, tooFew, by, byCause, watched, visit } = board;
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
      {byCause && <DeadByCauseTable view={byCause} />}
      {curves.length > 0 && <SurvivalChart curves={curves} filter={scope.filter} />}
      {watched.length > 0 && (
        <p className="max-w-prose text-sm">
          Still watched: {watched.map(({ day, watched: plants }) => `${plants} on day ${day}`).join(', ')}. Beyond that
          too few are for anything to be said.
        </p>
      )}
      {visit !== '' && <p className="max-w-prose font-bold">{visit}</p>}
      {tooFew.length > 0 && (
        <p className="max-w-prose text-sm text-muted">
          Without a curve of their own, since too few are known or died:{' '}
          {tooFew.map(({ name, plants }) => `${name} (${plants})`).join(', ')}.
        </p>
      )}
    </Shown>
  );
}
