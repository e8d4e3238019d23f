'use client';

import type { ComponentProps } from 'react';
import { parseDecimal } from '@/core/units/decimal';
import type { LengthUnit } from '@/core/units/length';
import { roomLength, roomNumber, roomUnit, toMetres } from '@/core/units/room-length';
import { v7 as uuid } from 'uuid';
import { type Bench, ELBOW_ROOM, seatPeople, SPOT_WORDS, type SpotKind } from '@/core/plan/benches/room';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useRoom, type RoomOnBoard, type RoomBoardProps } from './use-room';
import { RoomDrawing } from './room-drawing';
import { HelpersList, SeatingList } from './room-people';

/** The room from above: benches drawn to their place, who sits where, who helps, where first aid is. */
export function RoomBoard(props: RoomBoardProps) {
  const board = useRoom(props);
  const { mayChange, problem, room, bench, unit } = board;

  return (
    <div className="grid grid-cols-[minmax(0,1fr)] items-start gap-5 lg:grid-cols-[minmax(0,1fr)_24rem]">
      <div className="flex flex-col gap-3">
        <Problem>{problem?.message}</Problem>
        <RoomDrawing board={board} />
        <p className="text-sm text-muted">
          {mayChange
            ? 'Drag benches and marks to their place, or choose one with Tab, pick it up with Enter or space and move it with the arrow keys. '
            : ''}
          {roomNumber(room.width, unit)} by {roomLength(room.depth, unit)}. A ring is a place: the seat’s number in it,
          a corner on it for a left hand.
        </p>
        {mayChange && <RoomTools board={board} />}
      </div>
      <div className="flex flex-col gap-4">
        <RoomProblems board={board} />
        {bench && mayChange && <ChosenBench bench={bench} board={board} />}
        <SeatingList board={board} />
        <HelpersList board={board} />
      </div>
    </div>
  );
}

/** The bench that is picked. */
function ChosenBench({ bench, board }: { bench: Bench; board: RoomOnBoard }) {
  const { changeBench, room, change, setChosen, unit } = board;
  return (
    <section className="board flex flex-col gap-2" aria-labelledby="bench-title">
      <h2 id="bench-title">{bench.name}</h2>
      <div className="grid grid-cols-3 gap-2">
        <div className="col-span-3">
          <Field label="Name">
            <input
              value={bench.name}
              maxLength={40}
              onChange={(event) => changeBench(bench.id, { name: event.target.value })}
            />
          </Field>
        </div>
        <Field label={`Length, ${roomUnit(unit)}`}>
          <MetresInput
            metres={bench.length}
            from={0.6}
            to={12}
            unit={unit}
            onMetres={(length) => changeBench(bench.id, { length })}
          />
        </Field>
        <Field label="Places">
          <input
            type="number"
            min={1}
            max={20}
            value={bench.places}
            onChange={(event) =>
              changeBench(bench.id, {
                places: Math.max(1, Math.min(20, Math.round(Number(event.target.value)) || 1)),
              })
            }
          />
        </Field>
        <label className="flex min-h-11 items-center gap-2 self-end">
          <input
            type="checkbox"
            className="size-5"
            checked={bench.turned}
            onChange={(event) => changeBench(bench.id, { turned: event.target.checked })}
          />
          Turned
        </label>
      </div>
      {room.benches.length > 1 && (
        <button
          type="button"
          className="bench-button self-start"
          onClick={() => {
            change({
              benches: room.benches.filter(({ id }) => id !== bench.id),
              seating: Object.fromEntries(Object.entries(room.seating).filter(([, place]) => place.bench !== bench.id)),
            });
            setChosen(null);
          }}
        >
          Take {bench.name} out
        </button>
      )}
    </section>
  );
}

/** What is added to the room, and its size. */
function RoomTools({ board }: { board: RoomOnBoard }) {
  const { room, change, missing, seats, busy, changed, save, unit } = board;
  return (
    <div className="flex flex-wrap items-end gap-2">
      <RoomSize board={board} />
      <div className="w-24">
        <Field label={`Depth, ${roomUnit(unit)}`}>
          <MetresInput metres={room.depth} from={2} to={60} unit={unit} onMetres={(depth) => change({ depth })} />
        </Field>
      </div>
      <button
        type="button"
        className="bench-button"
        onClick={() =>
          change({
            benches: [
              ...room.benches,
              {
                id: uuid(),
                name: `Bench ${room.benches.length + 1}`,
                x: room.width / 2,
                y: room.depth / 2,
                length: 2 * ELBOW_ROOM,
                turned: false,
                places: 4,
              },
            ],
          })
        }
      >
        Add a bench
      </button>
      {missing.length > 0 && <AddMark board={board} />}
      <button type="button" className="bench-button" onClick={() => change({ seating: seatPeople(room, seats) })}>
        Seat everybody anew
      </button>
      <button
        type="button"
        className="bench-button"
        data-weight="main"
        disabled={busy || !changed}
        onClick={() => void save()}
      >
        Save the room
      </button>
    </div>
  );
}

/** Adds a mark to the room. */
function AddMark({ board }: { board: RoomOnBoard }) {
  const { change, room, missing } = board;
  return (
    <div className="w-44">
      <Field label="Add a mark">
        <select
          value=""
          onChange={(event) =>
            change({
              spots: [...room.spots, { kind: event.target.value as SpotKind, x: room.width / 2, y: 0.6 }],
            })
          }
        >
          <option value="">Choose</option>
          {missing.map((kind) => (
            <option key={kind} value={kind}>
              {SPOT_WORDS[kind]}
            </option>
          ))}
        </select>
      </Field>
    </div>
  );
}

/** How wide and deep the room is. */
function RoomSize({ board }: { board: RoomOnBoard }) {
  const { room, change, unit } = board;
  return (
    <div className="w-24">
      <Field label={`Width, ${roomUnit(unit)}`}>
        <MetresInput metres={room.width} from={2} to={60} unit={unit} onMetres={(width) => change({ width })} />
      </Field>
    </div>
  );
}

/** What to mind of the room as it is. */
function RoomProblems({ board }: { board: RoomOnBoard }) {
  const { problems } = board;
  return (
    <section className="board" aria-labelledby="room-problems">
      <h2 id="room-problems" className="mb-2">
        Mind
      </h2>
      {problems.length === 0 ? (
        <p className="text-muted">Everybody has a place with room for a knife.</p>
      ) : (
        <ul className="flex flex-col gap-1">
          {problems.map((words) => (
            <li key={words} className="border-l-4 border-ink pl-2">
              {words}
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

interface MetresInputProps extends ComponentProps<'input'> {
  metres: number;
  /** What it may be, m. */
  from: number;
  to: number;
  unit: LengthUnit;
  onMetres: (metres: number) => void;
}

/** A length of the room in the reader's unit; left as it was, it stays to its last figure. */
function MetresInput({ metres, from, to, unit, onMetres, ...field }: MetresInputProps) {
  const shown = roomNumber(metres, unit);
  return (
    <input
      {...field}
      key={shown}
      inputMode="decimal"
      defaultValue={shown}
      onBlur={(event) => {
        if (event.target.value === shown) return;
        const value = toMetres(parseDecimal(event.target.value) ?? Number.NaN, unit);
        if (value >= from && value <= to) onMetres(value);
      }}
    />
  );
}
