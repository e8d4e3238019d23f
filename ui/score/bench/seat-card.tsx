'use client';

import { goodInARow } from '@/core/score/readiness/ready-rule';
import { Tag } from 'lucide-react';
import { UnionGlyph } from '@/ui/kit/union/union-glyph';
import {
  attemptsToReady,
  type BenchSeat,
  type BenchState,
  counting,
  judgedKeeper,
  practisedMethods,
  readyFor,
  scoreText,
  unionsOf,
} from './bench-data';
import { keepersOf } from './open-union';
import { useNarrow } from './use-narrow';

/** Height of a card, pixels. */
export const CARD_HEIGHT = 88;

/** Somebody's place: number, name, their last unions, and how far they are. */
export function SeatCard({
  state,
  seat,
  onOpen,
}: {
  state: BenchState;
  seat: BenchSeat;
  onOpen: (seatId: string) => void;
}) {
  const own = unionsOf(state, seat.id);
  const { ready: rule } = state.settings;
  const readyBy = readyFor(state, seat.id);
  const ready = readyBy.length === practisedMethods(state).length;
  const row = goodInARow(attemptsToReady(state, seat.id), rule);
  const keepers = keepersOf(state, seat.id);
  const judged = keepers.filter(({ unionId }) => judgedKeeper(state, unionId)).length;
  const second = state.unseen.filter(({ seatId }) => seatId === seat.id).length;
  const narrow = useNarrow();
  const waits = own.some(({ judgements }) => judgements.some((judgement) => judgement.waits));
  return (
    <button
      type="button"
      onClick={() => onOpen(seat.id)}
      data-seat={seat.number}
      aria-label={`Seat ${seat.number}, ${seat.name}: ${own.length === 0 ? 'no union seen yet' : `${own.length} seen, last ${scoreText(counting(own.at(-1)!).score)}`}${ready ? ', ready' : ''}${second > 0 ? ', wants a second assessor' : ''}${keepers.length > 0 ? `, ${judged} of ${keepers.length} keepers judged` : ''}${waits ? ', waits on this device' : ''}`}
      className={`flex w-full cursor-pointer flex-col justify-between overflow-hidden border-2 px-1.5 py-1 text-left ${ready ? 'border-life bg-sheet' : 'border-line bg-sheet'}`}
      style={{ height: CARD_HEIGHT, borderRadius: '2px 10px 2px 10px' }}
    >
      <span className="flex items-baseline gap-1.5">
        <span className="text-xl leading-none font-bold">{seat.number}</span>
        <span className="truncate text-[0.8rem]">{seat.name}</span>
      </span>
      <span aria-hidden className="flex h-6 items-center">
        {own.slice(-6).map((union) => (
          <UnionGlyph key={union.id} {...union.glyph} size={narrow ? 17 : 22} title="" />
        ))}
        {own.length === 0 && <span className="text-xs text-muted">not seen yet</span>}
      </span>
      <span className="flex items-center gap-1 text-xs leading-tight">
        {ready ? (
          <strong className="text-life">ready</strong>
        ) : (
          <span className="truncate text-muted">
            {readyBy.length > 0
              ? `ready for ${readyBy[0]!.name.toLowerCase()}`
              : own.length === 0
                ? ''
                : `${row} of ${rule.last} good`}
          </span>
        )}
        {keepers.length > 0 && (
          <span className="ml-auto whitespace-nowrap" title="Keepers judged">
            <Tag aria-hidden className="mr-0.5 inline size-3" />
            {judged}/{keepers.length}
          </span>
        )}
        {second > 0 && <strong className="border border-ink px-1">2nd</strong>}
        {waits && <strong className="border border-dashed border-ink px-1">here only</strong>}
      </span>
    </button>
  );
}
