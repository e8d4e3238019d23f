'use client';

import { ANSWER_WORDS, type Answer } from '@/core/methods/milestones';
import { formatCode } from '@/core/codes/plant-code';
import { formatDate } from '@/core/units/iso-date';
import type { RoundGrower, RoundOnBoard } from './round-data';
import { RibbonStrip } from '@/ui/plan/wood/ribbon';
import { AskFirst } from '@/ui/kit/form/ask-first';
import { type SheetColumn, SheetTable } from '@/ui/kit/table/sheet-table';
import Link from 'next/link';

/** How an answer looks in a row of plants: shape and letter, green only for life. */
export const MARKS: Record<Answer | 'none', { sign: string; colours: string; words: string }> = {
  yes: { sign: '✓', colours: 'border-life bg-life text-white', words: ANSWER_WORDS.yes.toLowerCase() },
  'not-sure': { sign: '?', colours: 'border-ink bg-sheet', words: ANSWER_WORDS['not-sure'].toLowerCase() },
  dead: { sign: '†', colours: 'border-ink bg-ink text-paper', words: ANSWER_WORDS.dead.toLowerCase() },
  'not-found': { sign: '–', colours: 'border-ink border-dashed bg-sheet', words: 'cannot be found' },
  none: { sign: '', colours: 'border-line border-dashed bg-paper', words: 'not heard from' },
};

interface GrowerTableProps {
  label: string;
  mayChange: boolean;
  round: RoundOnBoard;
  withdraw: (personId: string) => Promise<unknown>;
  busy: boolean;
}

/** All growers of the round: how they were asked, and what they said of each plant. */
export function GrowerTable(props: GrowerTableProps) {
  return (
    <SheetTable
      label={props.label}
      className="min-w-[52rem]"
      rows={props.round.growers}
      columns={growerColumns(props)}
      idOf={({ personId }) => personId}
    />
  );
}

function growerColumns({
  mayChange,
  withdraw,
  busy,
}: Omit<GrowerTableProps, 'label' | 'round'>): SheetColumn<RoundGrower>[] {
  const columns: SheetColumn<RoundGrower>[] = [
    {
      id: 'seat',
      head: 'Seat',
      value: ({ seatNumber }) => seatNumber ?? Infinity,
      cell: ({ seatNumber }) => seatNumber,
      className: 'text-lg font-bold',
    },
    { id: 'grower', head: 'Grower', names: true, value: ({ name }) => name, cell: ({ name }) => name },
    { id: 'asked', head: 'Asked by', value: askedBy, cell: askedBy, className: 'text-sm' },
    {
      id: 'plants',
      head: 'Plants',
      // Whoever is not heard from comes together.
      value: ({ plants }) => plants.filter(({ answer }) => answer !== null).length / Math.max(1, plants.length),
      cell: ({ plants }) => <PlantMarks plants={plants} />,
    },
  ];
  if (!mayChange) return columns;
  return [
    ...columns,
    {
      id: 'do',
      head: <span className="sr-only">Do</span>,
      cell: (grower) => (
        <div className="flex justify-end gap-1.5">
          <Link
            className="bench-button"
            href={`/answers?search=${encodeURIComponent(grower.withUs ? (grower.plants[0]?.code ?? '') : grower.name)}`}
          >
            Enter<span className="sr-only"> answers of {grower.name}</span>
          </Link>
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
      ),
    },
  ];
}

function askedBy({ written, reachable, openLinks, withUs }: RoundGrower): string {
  if (withUs) return 'for us to look at';
  if (written === 0) return reachable ? 'not yet written to' : 'slip or phone';
  return `${written} ${written === 1 ? 'letter' : 'letters'}${openLinks === 0 ? ', link withdrawn' : ''}`;
}

/** What was said of each plant. */
function PlantMarks({ plants }: Pick<RoundGrower, 'plants'>) {
  return (
    <ul className="flex flex-wrap gap-1">
      {plants.map((plant) => {
        const mark = MARKS[plant.answer ?? 'none'];
        const said = `${formatCode(plant.code)}, ${plant.variety}${plant.place ? `, ${plant.place}` : ''}: ${mark.words}${plant.why ? `. ${plant.why}` : ''}${plant.nextLookOn ? ` Asked again about ${formatDate(plant.nextLookOn)}.` : ''}${plant.note ? ` ${plant.note}` : ''}`;
        return (
          <li key={plant.unionId} title={said} className="flex items-center gap-1 border border-line px-1 py-0.5">
            <RibbonStrip id={plant.ribbon} />
            <span className="text-sm tabular-nums">{formatCode(plant.code)}</span>
            {plant.place && <span className="text-xs">{plant.place}</span>}
            <span aria-hidden className={`grid size-6 place-content-center border-2 text-sm font-bold ${mark.colours}`}>
              {mark.sign}
            </span>
            <span className="sr-only">
              {mark.words}. {plant.note}
            </span>
          </li>
        );
      })}
    </ul>
  );
}
