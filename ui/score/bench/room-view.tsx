'use client';

import { COLOURS } from '@/core/drawing/colours';
import { type Bench, placesOf } from '@/core/plan/benches/room';
import type { Suggestion } from '@/core/score/readiness/next-person';
import { type BenchState, practisedMethods, readyFor } from './bench-data';
import { FindPerson } from './find-person';
import { KeepersToJudge } from './keepers-to-judge';
import { CARD_HEIGHT, SeatCard } from './seat-card';
import { useNarrow } from './use-narrow';

interface RoomViewProps {
  state: BenchState;
  /** Most pressing first. */
  suggestions: Suggestion[];
  onOpen: (seatId: string, keeperId?: string | null) => void;
}

/** How many suggestions are read out. */
const SHOWN = 4;

/** The room as it sits: everybody with their attempts and whether they are ready; whom to see next. */
export function RoomView({ state, suggestions, onOpen }: RoomViewProps) {
  const phone = useNarrow();
  const { seats, settings, unseen } = state;
  const methods = practisedMethods(state);
  const ready = seats.filter(({ id }) => readyFor(state, id).length === methods.length).length;
  return (
    <div
      id="bench"
      className="grid grid-cols-[minmax(0,1fr)] items-start gap-x-6 gap-y-4 lg:grid-cols-[minmax(0,1fr)_19rem]"
    >
      <h1 className="sr-only">The room</h1>
      <div className="flex flex-col gap-4 lg:order-last">
        <FindPerson state={state} onOpen={onOpen} />
        <section aria-labelledby="next-title">
          <h2 id="next-title">See next</h2>
          {suggestions.length === 0 ? (
            <p className="text-muted">The day is over. Choose anybody in the room.</p>
          ) : (
            <ol className="mt-1 flex flex-col gap-1">
              {suggestions.slice(0, SHOWN).map(({ seatId, number, reason }, i) => (
                <li key={seatId}>
                  <button
                    type="button"
                    onClick={() => onOpen(seatId)}
                    className={`flex min-h-12 w-full cursor-pointer items-center gap-3 border-2 px-3 py-1 text-left ${i === 0 ? 'border-ink bg-sheet' : 'border-line bg-sheet'}`}
                    style={{ borderRadius: '2px 12px 2px 12px' }}
                  >
                    <span className="w-9 shrink-0 text-2xl leading-none font-bold">{number}</span>
                    <span className="min-w-0">
                      <span className="block truncate font-bold">{seats.find(({ id }) => id === seatId)?.name}</span>
                      <span className="block text-sm text-muted">{reason}</span>
                    </span>
                  </button>
                </li>
              ))}
            </ol>
          )}
        </section>
        <p className="text-sm">
          <strong>
            {ready} of {seats.length}
          </strong>{' '}
          ready for living wood: the last {settings.ready.last} practice unions at {settings.ready.score} or more, none
          fatal{methods.length > 1 ? ', by each method of the day' : ''}.
          {unseen.length > 0 && (
            <>
              {' '}
              <strong>{unseen.length}</strong> {unseen.length === 1 ? 'union wants' : 'unions want'} you as second
              assessor.
            </>
          )}
        </p>
        <KeepersToJudge state={state} onOpen={onOpen} />
      </div>
      <section aria-label="The room">
        {phone ? <ByBench state={state} onOpen={onOpen} /> : <Plan state={state} onOpen={onOpen} />}
      </section>
    </div>
  );
}

/** Sizes on the screen, pixels. A bench is as long as the cards along it, and aisles are as wide as they have to be. */
const CARD = { least: 112, most: 178, height: CARD_HEIGHT, gap: 6 };
/** Width the plan has beside what stands next to it. */
const PLAN = 880;
const HALF_BENCH = 18;
const AISLE = { across: 44, along: 18 };

/** The room from above: benches in the rows and columns they stand in, cards where people sit. */
function Plan({ state, onOpen }: Pick<RoomViewProps, 'state' | 'onOpen'>) {
  const { benches } = state.room;
  const seated = state.seats.filter(({ id }) => benchOf(state, id));
  const columns = ranks(benches.map(({ x }) => x));
  const rows = ranks(benches.map(({ y }) => y));
  const along = (bench: Bench): number => Math.ceil(bench.places / 2);
  const cards = columns.reduce(
    (sum, _at, column) => sum + Math.max(...benches.filter(({ x }) => rankOf(columns, x) === column).map(along)),
    0,
  );
  const card = Math.round(
    Math.max(CARD.least, Math.min(CARD.most, (PLAN - (columns.length - 1) * AISLE.across) / cards - CARD.gap)),
  );
  const wide = (bench: Bench): number => along(bench) * (card + CARD.gap) - CARD.gap;
  const widths = columns.map((at) =>
    Math.max(...benches.filter(({ x }) => rankOf(columns, x) === columns.indexOf(at)).map(wide)),
  );
  const centre = (bench: Bench): { x: number; y: number } => {
    const column = rankOf(columns, bench.x);
    return {
      x: widths.slice(0, column).reduce((sum, width) => sum + width + AISLE.across, 0) + widths[column]! / 2,
      y: CARD.height + HALF_BENCH + 4 + rankOf(rows, bench.y) * (2 * (CARD.height + HALF_BENCH + 4) + AISLE.along),
    };
  };
  return (
    <>
      <div
        className="relative overflow-x-auto"
        tabIndex={0}
        role="group"
        aria-label="The room from above, scrolls sideways when it is wide"
      >
        <div
          className="relative"
          style={{
            width: widths.reduce((sum, width) => sum + width + AISLE.across, -AISLE.across),
            height: rows.length * (2 * (CARD.height + HALF_BENCH + 4) + AISLE.along) - AISLE.along,
          }}
        >
          {benches.map((bench) => (
            <BenchTop key={bench.id} name={bench.name} {...centre(bench)} length={wide(bench)} />
          ))}
          {seated.map((seat) => {
            const { bench, place } = benchOf(state, seat.id)!;
            const { x, y } = centre(bench);
            const left = x - wide(bench) / 2 + Math.floor(place / 2) * (card + CARD.gap);
            return (
              <div
                key={seat.id}
                className="absolute"
                style={{
                  left,
                  top: placesOf(bench)[place]!.side === 1 ? y + HALF_BENCH + 4 : y - HALF_BENCH - 4 - CARD.height,
                  width: card,
                }}
              >
                <SeatCard state={state} seat={seat} onOpen={onOpen} />
              </div>
            );
          })}
        </div>
      </div>
      <Unplaced state={state} onOpen={onOpen} />
    </>
  );
}

/** Places in metres, those within a metre and a half of one another taken together. */
function ranks(places: number[]): number[] {
  return [...places].sort((a, b) => a - b).filter((at, i, all) => i === 0 || at - all[i - 1]! > 1.5);
}

function rankOf(all: number[], at: number): number {
  return all.reduce((best, centre, i) => (at >= centre - 0.01 ? i : best), 0);
}

function BenchTop({ name, x, y, length }: { name: string; x: number; y: number; length: number }) {
  return (
    <svg
      aria-hidden
      className="absolute"
      style={{ left: x - length / 2, top: y - HALF_BENCH }}
      width={length}
      height={2 * HALF_BENCH}
    >
      <rect x={1} y={1} width={length - 2} height={2 * HALF_BENCH - 2} fill={COLOURS.board} stroke={COLOURS.bark} />
      <path
        d={`M6 ${HALF_BENCH * 0.6}H${length - 6}M6 ${HALF_BENCH * 1.45}H${length - 6}`}
        stroke={COLOURS.skin}
        strokeWidth={0.8}
      />
      <text x={length / 2} y={HALF_BENCH + 5} textAnchor="middle" fontSize={13} fill={COLOURS.ink}>
        {name}
      </text>
    </svg>
  );
}

/** Bench after bench, for a hand that holds a phone. */
function ByBench({ state, onOpen }: Pick<RoomViewProps, 'state' | 'onOpen'>) {
  return (
    <div className="flex flex-col gap-3">
      {state.room.benches.map((bench) => {
        const here = state.seats
          .filter(({ id }) => benchOf(state, id)?.bench === bench)
          .sort((a, b) => a.number - b.number);
        if (here.length === 0) return null;
        return (
          <div key={bench.id}>
            <h2 className="mb-1">{bench.name}</h2>
            <div className="grid grid-cols-3 gap-1.5">
              {here.map((seat) => (
                <SeatCard key={seat.id} state={state} seat={seat} onOpen={onOpen} />
              ))}
            </div>
          </div>
        );
      })}
      <Unplaced state={state} onOpen={onOpen} />
    </div>
  );
}

/** People who sit at no bench of the drawn room. */
function Unplaced({ state, onOpen }: Pick<RoomViewProps, 'state' | 'onOpen'>) {
  const seats = state.seats.filter(({ id }) => !benchOf(state, id));
  if (seats.length === 0) return null;
  return (
    <div className="mt-3">
      <h2 className="mb-1">At no bench yet</h2>
      <div className="grid grid-cols-3 gap-1.5 sm:grid-cols-6">
        {seats.map((seat) => (
          <SeatCard key={seat.id} state={state} seat={seat} onOpen={onOpen} />
        ))}
      </div>
    </div>
  );
}

function benchOf({ room }: BenchState, seatId: string): { bench: Bench; place: number } | null {
  const at = room.seating[seatId];
  const bench = at && room.benches.find(({ id }) => id === at.bench);
  return bench && at.place < bench.places ? { bench, place: at.place } : null;
}
