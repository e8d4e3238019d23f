'use client';

import { ANSWER_WORDS, type Answer } from '@/core/methods/milestones';
import { formatCode } from '@/core/codes/plant-code';
import type { RoundGrower, RoundOnBoard } from './round-data';
import { RibbonStrip } from '@/ui/plan/wood/ribbon';
import { AskFirst } from '@/ui/kit/form/ask-first';
import { EnterAnswer } from './enter-answer';

/** How an answer looks in a row of plants: shape and letter, green only for life. */
export const MARKS: Record<Answer | 'none', { sign: string; colours: string; words: string }> = {
  yes: { sign: '✓', colours: 'border-life bg-life text-white', words: ANSWER_WORDS.yes.toLowerCase() },
  'not-sure': { sign: '?', colours: 'border-ink bg-sheet', words: ANSWER_WORDS['not-sure'].toLowerCase() },
  dead: { sign: '†', colours: 'border-ink bg-ink text-paper', words: ANSWER_WORDS.dead.toLowerCase() },
  'not-found': { sign: '–', colours: 'border-ink border-dashed bg-sheet', words: 'cannot be found' },
  none: { sign: '', colours: 'border-line border-dashed bg-paper', words: 'not heard from' },
};

interface GrowerRowProps {
  grower: RoundGrower;
  mayChange: boolean;
  round: RoundOnBoard;
  withdraw: (personId: string) => Promise<unknown>;
  busy: boolean;
}

/** A grower, how they were asked, and what they said of each plant. */
function GrowerRow({ grower, mayChange, round, withdraw, busy }: GrowerRowProps) {
  return (
    <tr>
      <td className="text-lg font-bold">{grower.seatNumber}</td>
      <td>{grower.name}</td>
      <td className="text-sm">
        {grower.written > 0
          ? `${grower.written} ${grower.written === 1 ? 'message' : 'messages'}`
          : grower.reachable
            ? 'not yet written to'
            : 'slip or phone'}
        {grower.written > 0 && grower.openLinks === 0 && ', link withdrawn'}
      </td>
      <td>
        <ul className="flex flex-wrap gap-1">
          {grower.plants.map((plant) => {
            const mark = MARKS[plant.answer ?? 'none'];
            const said = `${formatCode(plant.code)}, ${plant.variety}: ${mark.words}${plant.note ? `. ${plant.note}` : ''}`;
            return (
              <li key={plant.unionId} title={said} className="flex items-center gap-1 border border-line px-1 py-0.5">
                <RibbonStrip id={plant.ribbon} />
                <span className="text-sm tabular-nums">{formatCode(plant.code)}</span>
                <span
                  aria-hidden
                  className={`grid size-6 place-content-center border-2 text-sm font-bold ${mark.colours}`}
                >
                  {mark.sign}
                </span>
                <span className="sr-only">
                  {mark.words}. {plant.note}
                </span>
              </li>
            );
          })}
        </ul>
      </td>
      {mayChange && (
        <td>
          <div className="flex justify-end gap-1.5">
            <EnterAnswer roundId={round.id} milestone={round.milestone} grower={grower} />
            {grower.openLinks > 0 && (
              <AskFirst
                question={`Withdraw the link of ${grower.name}?`}
                meaning="No link they were sent for this round opens any more, and that cannot be undone. To ask them again, send a reminder: it carries a new link."
                yes="Withdraw it"
                onYes={() => void withdraw(grower.personId)}
                trigger={
                  <button type="button" className="bench-button" disabled={busy}>
                    Withdraw link<span className="sr-only"> of {grower.name}</span>
                  </button>
                }
              />
            )}
          </div>
        </td>
      )}
    </tr>
  );
}

interface GrowerTableProps {
  mayChange: boolean;
  round: RoundOnBoard;
  withdraw: (personId: string) => Promise<unknown>;
  busy: boolean;
}

/** All growers of the round. */
export function GrowerTable({ mayChange, round, withdraw, busy }: GrowerTableProps) {
  return (
    <table className="bench-table">
      <thead>
        <tr>
          <th scope="col">Seat</th>
          <th scope="col">Grower</th>
          <th scope="col">Asked by</th>
          <th scope="col">Plants</th>
          {mayChange && (
            <th scope="col">
              <span className="sr-only">Do</span>
            </th>
          )}
        </tr>
      </thead>
      <tbody>
        {round.growers.map((grower) => (
          <GrowerRow
            key={grower.personId}
            grower={grower}
            mayChange={mayChange}
            round={round}
            withdraw={withdraw}
            busy={busy}
          />
        ))}
      </tbody>
    </table>
  );
}
