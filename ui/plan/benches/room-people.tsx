'use client';

import { counted } from '@/core/units/counted';
import { useId, useState } from 'react';
import type { Room } from '@/core/plan/benches/room';
import { SKILL_WORDS } from '@/core/plan/pairing/hand';
import { Field } from '@/ui/kit/form/field';
import type { RoomOnBoard } from './use-room';

/** Puts somebody at the first free place of a bench; a full bench gets them none. */
function seatAt(room: Room, seatId: string, benchId: string): Room['seating'] {
  const others = Object.fromEntries(Object.entries(room.seating).filter(([id]) => id !== seatId));
  const bench = room.benches.find(({ id }) => id === benchId);
  if (!bench) return others;
  const taken = new Set(
    Object.values(others)
      .filter((place) => place.bench === benchId)
      .map(({ place }) => place),
  );
  const place = Array.from({ length: bench.places }, (_one, i) => i).find((i) => !taken.has(i));
  return place === undefined ? others : { ...others, [seatId]: { bench: benchId, place } };
}

function AddHelper({ members, onAdd }: { members: string[]; onAdd: (name: string) => void }) {
  const [name, setName] = useState('');
  const id = useId();
  return (
    <div className="mt-2 flex items-end gap-2">
      <div className="grow">
        <Field label="Another assistant">
          <input list={id} value={name} maxLength={80} onChange={(event) => setName(event.target.value)} />
        </Field>
      </div>
      <datalist id={id}>
        {members.map((member) => (
          <option key={member} value={member} />
        ))}
      </datalist>
      <button
        type="button"
        className="bench-button"
        disabled={name.trim() === ''}
        onClick={() => {
          onAdd(name.trim());
          setName('');
        }}
      >
        Add
      </button>
    </div>
  );
}

/** Who helps at which bench. */
export function HelpersList({ board }: { board: RoomOnBoard }) {
  const { room, mayChange, change, members } = board;
  return (
    <section className="board" aria-labelledby="helpers-title">
      <h2 id="helpers-title" className="mb-1">
        Assistants
      </h2>
      <ul className="flex flex-col gap-2">
        {room.helpers.map((helper, i) => (
          <li key={helper.name} className="flex flex-wrap items-center gap-x-3 gap-y-1">
            <strong>{helper.name}</strong>
            {room.benches.map((bench) => (
              <label key={bench.id} className="flex min-h-8 items-center gap-1 text-sm">
                <input
                  type="checkbox"
                  className="size-5"
                  disabled={!mayChange}
                  checked={helper.benches.includes(bench.id)}
                  onChange={(event) =>
                    change({
                      helpers: room.helpers.map((other, at) =>
                        at === i
                          ? {
                              ...other,
                              benches: event.target.checked
                                ? [...other.benches, bench.id]
                                : other.benches.filter((id) => id !== bench.id),
                            }
                          : other,
                      ),
                    })
                  }
                />
                {bench.name}
              </label>
            ))}
            {mayChange && (
              <button
                type="button"
                className="bench-button"
                onClick={() => change({ helpers: room.helpers.filter((_, at) => at !== i) })}
              >
                Remove<span className="sr-only"> {helper.name}</span>
              </button>
            )}
          </li>
        ))}
      </ul>
      {mayChange && (
        <AddHelper
          members={members.filter((name) => !room.helpers.some((helper) => helper.name === name))}
          onAdd={(name) => change({ helpers: [...room.helpers, { name, benches: [] }] })}
        />
      )}
    </section>
  );
}

/** Who sits where. */
export function SeatingList({ board }: { board: RoomOnBoard }) {
  const { seats, mayChange, room, change } = board;
  return (
    <section className="board" aria-labelledby="places-title">
      <h2 id="places-title" className="mb-1">
        Who sits where
      </h2>
      {seats.length === 0 && <p className="text-muted">Nobody has a seat yet.</p>}
      <ul className="max-h-72 divide-y divide-line overflow-y-auto" tabIndex={0} aria-label="People and their benches">
        {seats.map((seat) => (
          <li key={seat.id} className="grid grid-cols-[1.8rem_minmax(0,1fr)_7.5rem] items-center gap-2 py-1">
            <strong className="tabular-nums">{seat.number}</strong>
            <span className="min-w-0 truncate">
              {seat.name}
              <span className="block truncate text-sm text-muted">
                {seat.earlier > 0
                  ? `${SKILL_WORDS[seat.skill]}, ${counted(seat.earlier, 'union')} before`
                  : SKILL_WORDS[seat.skill]}
                {seat.leftHanded ? ', left-handed' : ''}
              </span>
            </span>
            {mayChange ? (
              <select
                aria-label={`Bench of seat ${seat.number}`}
                className="bench-input !px-1"
                value={room.seating[seat.id]?.bench ?? ''}
                onChange={(event) => change({ seating: seatAt(room, seat.id, event.target.value) })}
              >
                <option value="">no place</option>
                {room.benches.map((bench) => (
                  <option key={bench.id} value={bench.id}>
                    {bench.name}
                  </option>
                ))}
              </select>
            ) : (
              <span>{room.benches.find(({ id }) => id === room.seating[seat.id]?.bench)?.name ?? 'no place'}</span>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
