'use client';

import { percent } from '@/core/units/percent';
import { SLIP } from '@/core/plan/pairing/hand';
import { Problem } from '@/ui/kit/form/problem';
import { PairPicture } from './pair-picture';
import { usePairs, type PairsOnBoard, type PairingBoardProps } from './use-pairs';
import { PairsTable } from './pairs-table';

/** Pairs sticks with stocks for the most contact there is to be had, beside what taking them as they lie would give. */
export function PairingBoard(props: PairingBoardProps) {
  const board = usePairs(props);
  const { stocks, unit, problem, outcome, failed, length, pairs, aside, sum, order, missing } = board;

  return (
    <section aria-labelledby="pairs-title" className="flex flex-col gap-3">
      <PairingHead board={board} />
      <p className="text-sm text-muted">
        Contact is that of the best place, as a hand would hit it: it misses by about {length(SLIP.first)} {unit} on a
        first day, {length(SLIP.some)} with some practice, {length(SLIP.sure)} when sure. Nobody measured that; it is
        our guess.
      </p>
      {missing && <p className="text-muted">{missing}</p>}
      <Problem>
        {problem?.message ??
          (failed
            ? 'Pairing stopped with an error in this browser. Try again; if it stays, pair fewer at a time.'
            : undefined)}
      </Problem>
      <PairingProgress board={board} />
      {pairs.length > 0 && (
        <>
          {order !== null && (
            <p className="border-y-2 border-ink py-2 text-lg">
              Contact to expect: <strong>{percent(sum / Math.max(1, stocks.length))}</strong> a union paired,{' '}
              <strong>{percent(order / Math.max(1, stocks.length))}</strong> in the order they lie.
              {outcome && outcome.result.inOrder.hopeless > 0
                ? ` As they lie, ${outcome.result.inOrder.hopeless} would be hopeless.`
                : ''}
            </p>
          )}
          <PairsBeside board={board} />
        </>
      )}
      {aside.length > 0 && <SetAsideList board={board} />}
    </section>
  );
}

/** Stocks that nothing fits, and why. */
function SetAsideList({ board }: { board: PairsOnBoard }) {
  const { aside, stockOf, length, unit } = board;
  return (
    <div className="border-l-4 border-loud bg-sheet px-3 py-2">
      <h3 className="font-bold">Set aside</h3>
      <ul>
        {aside.map(({ stock, why }) => (
          <li key={stock}>
            Stock {stockOf.get(stock)?.number}, {length(stockOf.get(stock)?.caliper ?? 0)} {unit}: {why}, and no other
            method joins it with what is left.
          </li>
        ))}
      </ul>
    </div>
  );
}

/** The pairs as pieces lie, for comparison. */
function InOrder({ outcome, board }: { outcome: NonNullable<PairsOnBoard['outcome']>; board: PairsOnBoard }) {
  const { pairs, stockOf, scionOf, largest, length } = board;
  return (
    <div>
      <h3 className="mb-1 font-bold">In the order they lie</h3>
      <ul className="divide-y divide-line border-y border-line">
        {outcome.result.inOrder.pairs.slice(0, pairs.length).map(({ stock, scion, contact }) => (
          <li key={stock} className="flex items-center gap-2 py-0.5 text-sm tabular-nums">
            <PairPicture
              stock={stockOf.get(stock)?.caliper ?? 1}
              scion={scionOf.get(scion)?.caliper ?? 1}
              contact={contact}
              largest={largest}
            />
            {length(stockOf.get(stock)?.caliper ?? 0)} with {length(scionOf.get(scion)?.caliper ?? 0)}:{' '}
            <strong className={contact < 0.15 ? 'text-loud' : ''}>
              {contact < 0.15 ? 'hopeless' : percent(contact)}
            </strong>
          </li>
        ))}
      </ul>
    </div>
  );
}

/** How far the working out is. */
function PairingProgress({ board }: { board: PairsOnBoard }) {
  const { progress, outcome } = board;
  return (
    <p role="status" className="min-h-6">
      {progress !== null ? (
        <>
          <progress value={progress} max={1} aria-label="Working out contact" className="mr-2 h-3 w-48 align-middle" />
          Working out the contact of every pair of calipers, {percent(progress)}.
        </>
      ) : outcome ? (
        `Paired in ${outcome.seconds.toFixed(1)} s.`
      ) : (
        ''
      )}
    </p>
  );
}

/** What is paired, and what is done with it. */
function PairingHead({ board }: { board: PairsOnBoard }) {
  const { method, scions, sticks, stocks, mayChange, outcome, missing, progress, pair, busy, pairs, save } = board;
  return (
    <div className="flex flex-wrap items-end justify-between gap-3">
      <h2 id="pairs-title">
        Who joins what{' '}
        <span className="text-base font-normal text-muted">
          {board.names[method]}; {scions.length} {scions.length === 1 ? 'piece' : 'pieces'} from {sticks.length} sticks
          for {stocks.length} stocks
        </span>
      </h2>
      <div className="flex gap-2">
        {mayChange && (
          <button
            type="button"
            className="bench-button"
            data-weight={outcome ? undefined : 'main'}
            disabled={missing !== null || progress !== null}
            onClick={() => pair()}
          >
            Pair them
          </button>
        )}
        {mayChange && outcome && (
          <button
            type="button"
            className="bench-button"
            data-weight="main"
            disabled={busy || pairs.length === 0}
            onClick={() => void save()}
          >
            Save the pairs
          </button>
        )}
      </div>
    </div>
  );
}

/** The pairs, beside those in the order the pieces lie. */
function PairsBeside({ board }: { board: PairsOnBoard }) {
  const { outcome } = board;
  return (
    <div className={`grid grid-cols-[minmax(0,1fr)] gap-6 ${outcome ? 'lg:grid-cols-[minmax(0,1fr)_15rem]' : ''}`}>
      <div
        className="relative overflow-x-auto"
        tabIndex={0}
        role="group"
        aria-label="Pairs, scrolls sideways on narrow screens"
      >
        <PairsTable board={board} />
      </div>
      {outcome && <InOrder outcome={outcome} board={board} />}
    </div>
  );
}
