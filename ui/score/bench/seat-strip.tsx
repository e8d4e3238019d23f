'use client';

import { useEffect, useRef } from 'react';
import { UnionGlyph } from '@/ui/kit/union/union-glyph';
import { type BenchState, counting, scoreText, unionsOf } from './bench-data';

interface SeatStripProps {
  state: BenchState;
  open: string;
  /** Seats with an entry begun and not saved. */
  drafts: string[];
  onOpen: (seatId: string) => void;
}

/** Everyone at the benches with their attempts as glyphs. */
export function SeatStrip({ state, open, drafts, onOpen }: SeatStripProps) {
  const strip = useRef<HTMLUListElement>(null);
  useEffect(() => {
    // Within the strip only: the page itself stays where it is.
    const here = strip.current?.querySelector<HTMLElement>('[aria-pressed="true"]');
    if (here)
      strip.current!.scrollTo({
        left: here.offsetLeft - strip.current!.offsetLeft - 60,
        top: here.offsetTop - strip.current!.offsetTop - 120,
      });
  }, [open]);
  return (
    <nav aria-label="Seats" className="min-w-0">
      <ul
        ref={strip}
        className="flex gap-1 overflow-x-auto pb-1 lg:max-h-[32rem] lg:flex-col lg:overflow-x-visible lg:overflow-y-auto"
        tabIndex={0}
        aria-label="Seats, scrolls"
      >
        {state.seats.map((seat) => {
          const own = unionsOf(state, seat.id);
          const here = seat.id === open;
          return (
            <li key={seat.id} className="shrink-0">
              <button
                type="button"
                onClick={() => onOpen(seat.id)}
                aria-pressed={here}
                data-seat={seat.number}
                className={`flex min-h-11 w-full cursor-pointer items-center gap-2 border-l-4 px-2 py-1 text-left ${here ? 'border-ink bg-mist' : 'border-transparent'}`}
              >
                <span className="w-7 shrink-0 text-xl font-bold">{seat.number}</span>
                <span className="min-w-0 lg:grow">
                  <span className="hidden truncate text-sm lg:block">
                    {seat.name}
                    {drafts.includes(seat.id) && !here && <span className="text-muted"> (begun)</span>}
                  </span>
                  <span className="hidden flex-wrap items-center gap-0.5 lg:flex">
                    {own.slice(-6).map((union) => (
                      <UnionGlyph
                        key={union.id}
                        {...union.glyph}
                        size={18}
                        title={`${seat.number}-${union.number}: ${scoreText(counting(union).score)}, ${counting(union).contactWords}`}
                      />
                    ))}
                    {own.length === 0 && <span className="text-xs text-muted">none yet</span>}
                  </span>
                </span>
              </button>
            </li>
          );
        })}
      </ul>
    </nav>
  );
}
