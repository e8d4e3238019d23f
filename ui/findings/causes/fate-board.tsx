'use client';

import { useMemo, useState } from 'react';
import { causesCounted, type FateBoard as FateBoardData, type FateMark } from '@/core/findings/shared/fate-board';
import { counted } from '@/core/units/counted';
import { type PackedRows, unpackRows } from '@/core/units/packed-rows';
import { percent } from '@/core/units/percent';
import { DeathList } from './death-list';
import { FateBeds } from './fate-beds';
import { FateSymbols } from './fate-glyph';
import { FateRoom } from './fate-room';
import { FateSeason } from './fate-season';
import { SharedList } from './shared-list';

type Drawing = 'room' | 'beds' | 'season';

interface FateBoardProps {
  board: Omit<FateBoardData, 'marks'> & { marks: PackedRows<FateMark> };
  maySettle: boolean;
  mayStrike: boolean;
}

/** What deaths share, drawn where it was; and each death with what speaks for and against its causes. */
export function FateBoard({ board: packed, maySettle, mayStrike }: FateBoardProps) {
  const board = useMemo((): FateBoardData => ({ ...packed, marks: unpackRows(packed.marks) }), [packed]);
  const { marks, shared, deaths, room, beds, workshops } = board;
  const [chosen, setChosen] = useState<number | null>(shared.length > 0 ? 0 : null);
  const [drawing, setDrawing] = useState<Drawing>(room ? 'room' : 'season');
  const ringed = (mark: FateMark): boolean => chosen !== null && mark.levels.includes(chosen);
  const drawings: [Drawing, string][] = [
    ...(room ? [['room', 'Room'] as [Drawing, string]] : []),
    ['beds', 'Beds and places'],
    ['season', workshops.length > 1 ? 'Season' : 'Day'],
  ];
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-6">
      <CauseTally deaths={deaths} />
      <section aria-labelledby="shared-title">
        <h2 id="shared-title">What deaths share</h2>
        <SharedList board={board} chosen={chosen} onChoose={setChosen} />
        <div className="mt-3 flex flex-wrap gap-2" role="group" aria-label="Where it is drawn">
          {drawings.map(([id, name]) => (
            <button
              key={id}
              type="button"
              className="bench-button"
              aria-pressed={drawing === id}
              data-weight={drawing === id ? 'main' : undefined}
              onClick={() => setDrawing(id)}
            >
              {name}
            </button>
          ))}
        </div>
        <FateSymbols />
        <div className="board mt-2 min-w-0">
          {drawing === 'room' && room && <FateRoom room={room} marks={marks} ringed={ringed} />}
          {drawing === 'beds' && <FateBeds beds={beds} marks={marks} ringed={ringed} />}
          {drawing === 'season' && <FateSeason marks={marks} workshops={workshops} ringed={ringed} />}
          <p className="mt-2 text-sm text-muted">
            Green lives, dark with a cross died, dashed is not known
            {chosen !== null ? '; ringed is what is chosen above' : ''}. A mark leads to its plant.
          </p>
        </div>
      </section>
      <DeathList deaths={deaths} overYears={workshops.length > 1} maySettle={maySettle} mayStrike={mayStrike} />
    </div>
  );
}

/** Causes by how many died of them. */
function CauseTally({ deaths }: Pick<FateBoardData, 'deaths'>) {
  if (deaths.length === 0) return null;
  const causes = causesCounted(deaths);
  return (
    <section aria-labelledby="tally-title">
      <h2 id="tally-title">Of what {counted(deaths.length, 'union')} died</h2>
      <ul className="grid max-w-3xl gap-1">
        {causes.map(({ words, count, settled }) => (
          <li key={words} className="grid grid-cols-[minmax(9rem,16rem)_minmax(0,1fr)] items-center gap-3">
            <span className={words === 'not known' ? 'text-muted' : 'font-bold'}>{words}</span>
            <span className="flex items-center gap-2">
              <span
                aria-hidden
                className={`h-4 ${words === 'not known' ? 'border border-dashed border-ink bg-sheet' : 'bg-ink'}`}
                style={{ width: `${(count / deaths.length) * 60}%` }}
              />
              <span>
                {count}
                <span className="text-sm text-muted">
                  {' '}
                  {percent(count / deaths.length)}
                  {settled > 0 ? `, ${settled} settled` : ''}
                </span>
              </span>
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
