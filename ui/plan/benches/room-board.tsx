'use client';

import { parseDecimal } from '@/core/units/decimal';
import {
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useDraggable,
  useSensor,
  useSensors,
  type SensorDescriptor,
  type SensorOptions,
} from '@dnd-kit/core';
import { useEffect, useId, useRef, useState, type Dispatch, type RefObject, type SetStateAction } from 'react';
import { v7 as uuid } from 'uuid';
import {
  BENCH_DEPTH,
  type Bench,
  ELBOW_ROOM,
  placesOf,
  type Room,
  roomProblems,
  seatPeople,
  SPOT_WORDS,
  type SpotKind,
} from '@/core/plan/benches/room';
import { SKILL_WORDS, type SkillLevel } from '@/core/plan/pairing/hand';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useSend } from '@/ui/kit/form/use-send';

export interface RoomSeat {
  id: string;
  number: number;
  name: string;
  leftHanded: boolean;
  skill: SkillLevel;
  earlier: number;
}

interface RoomBoardProps {
  workshopId: string;
  version: number;
  room: Room;
  seats: RoomSeat[];
  /** Members who may help. */
  members: string[];
  mayChange: boolean;
}

/** The room from above: benches drawn to their place, who sits where, who helps, where first aid is. */
export function RoomBoard({ workshopId, version, room: saved, seats, members, mayChange }: RoomBoardProps) {
  const { run, busy, problem } = useSend();
  const [room, setRoom] = useState(saved);
  /** The room as the server has it, and the version a change builds on. */
  const [kept, setKept] = useState({ room: saved, version, seen: version });
  const changed = room !== kept.room;
  // What was moved while a save was under way stays; only an untouched room takes what comes from the server.
  if (version !== kept.seen) {
    setKept(changed ? { ...kept, seen: version } : { room: saved, version, seen: version });
    if (!changed) setRoom(saved);
  }
  const [chosen, setChosen] = useState<string | null>(null);
  const [changeId, setChangeId] = useState(() => uuid());
  const box = useRef<HTMLDivElement>(null);
  const [scale, setScale] = useState(60);
  const dnd = useId();
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor),
  );
  useEffect(() => {
    const watcher = new ResizeObserver(([entry]) => setScale(entry!.contentRect.width / room.width));
    watcher.observe(box.current!);
    return () => watcher.disconnect();
  }, [room.width]);
  const change = (changes: Partial<Room>): void => {
    setRoom({ ...room, ...changes });
  };
  const changeBench = (id: string, changes: Partial<Bench>): void =>
    change({ benches: room.benches.map((bench) => (bench.id === id ? { ...bench, ...changes } : bench)) });
  const moved = (id: string, dx: number, dy: number): void => {
    const to = (at: number, by: number, most: number): number =>
      Math.round(Math.max(0, Math.min(most, at + by / scale)) * 20) / 20;
    if (id.startsWith('spot-'))
      change({
        spots: room.spots.map((spot, i) =>
          `spot-${i}` === id ? { ...spot, x: to(spot.x, dx, room.width), y: to(spot.y, dy, room.depth) } : spot,
        ),
      });
    else
      change({
        benches: room.benches.map((bench) =>
          bench.id === id ? { ...bench, x: to(bench.x, dx, room.width), y: to(bench.y, dy, room.depth) } : bench,
        ),
      });
  };
  const save = async (): Promise<void> => {
    const sent = await run<{ version: number }>('PUT', `/api/workshops/${workshopId}/plan/room`, {
      ...room,
      changeId,
      version: kept.version,
    });
    if (!sent) return;
    if (sent.ok) setKept((before) => ({ ...before, room, version: sent.data.version }));
    setChangeId(uuid());
  };
  const problems = roomProblems(room, seats);
  const bench = room.benches.find(({ id }) => id === chosen) ?? null;
  const missing = (Object.keys(SPOT_WORDS) as SpotKind[]).filter(
    (kind) => !room.spots.some((spot) => spot.kind === kind),
  );
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] items-start gap-5 lg:grid-cols-[minmax(0,1fr)_24rem]">
      <div className="flex flex-col gap-3">
        <Problem>{problem?.message}</Problem>
        <RoomDrawing
          dnd={dnd}
          sensors={sensors}
          moved={moved}
          box={box}
          room={room}
          scale={scale}
          seats={seats}
          chosen={chosen}
          mayChange={mayChange}
          setChosen={setChosen}
        />
        <p className="text-sm text-muted">
          {mayChange
            ? 'Draw benches and marks to their place, or choose one with Tab, pick it up with Enter or space and move it with the arrow keys. '
            : ''}
          {room.width} by {room.depth} m. A ring is a place: the seat’s number in it, a corner on it for a left hand.
        </p>
        {mayChange && (
          <RoomTools
            room={room}
            change={change}
            missing={missing}
            seats={seats}
            busy={busy}
            changed={changed}
            save={save}
          />
        )}
      </div>
      <div className="flex flex-col gap-4">
        <RoomProblems problems={problems} />
        {bench && mayChange && (
          <ChosenBench bench={bench} changeBench={changeBench} room={room} change={change} setChosen={setChosen} />
        )}
        <SeatingList seats={seats} mayChange={mayChange} room={room} change={change} />
        <HelpersList room={room} mayChange={mayChange} change={change} members={members} />
      </div>
    </div>
  );
}

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

function BenchPiece({
  bench,
  room,
  seats,
  scale,
  chosen,
  mayChange,
  onChoose,
}: {
  bench: Bench;
  room: Room;
  seats: RoomSeat[];
  scale: number;
  chosen: boolean;
  mayChange: boolean;
  onChoose: () => void;
}) {
  const { attributes, listeners, setNodeRef, transform } = useDraggable({ id: bench.id, disabled: !mayChange });
  const [w, h] = bench.turned
    ? [BENCH_DEPTH * scale, bench.length * scale]
    : [bench.length * scale, BENCH_DEPTH * scale];
  const move = transform ? `translate(${transform.x}px, ${transform.y}px)` : undefined;
  return (
    <div className="absolute" style={{ left: bench.x * scale, top: bench.y * scale, transform: move }}>
      {placesOf(bench).map((place, i) => {
        const seat = seats.find(({ id }) => room.seating[id]?.bench === bench.id && room.seating[id]?.place === i);
        const size = Math.max(18, Math.min(34, 0.52 * scale));
        return (
          <span
            key={i}
            title={seat?.name}
            className={`absolute flex items-center justify-center border-2 text-sm font-bold ${seat ? 'border-ink bg-sheet' : 'border-dashed border-line bg-paper'}`}
            style={{
              width: size,
              height: size,
              borderRadius: seat?.leftHanded ? '50% 50% 50% 2px' : '50%',
              left: (place.x - bench.x) * scale - size / 2,
              top: (place.y - bench.y) * scale - size / 2,
            }}
          >
            {seat?.number}
          </span>
        );
      })}
      <div
        ref={setNodeRef}
        {...listeners}
        {...attributes}
        onFocus={onChoose}
        onClick={onChoose}
        aria-label={`${bench.name}, ${bench.places} places`}
        className={`absolute flex touch-none items-center justify-center overflow-hidden border-2 bg-mist text-sm font-bold ${chosen ? 'border-ink outline-3 outline-ink' : 'border-bark'} ${mayChange ? 'cursor-grab' : ''}`}
        style={{ width: w, height: h, left: -w / 2, top: -h / 2 }}
      >
        <span className="truncate px-1">{bench.name}</span>
      </div>
    </div>
  );
}

function SpotPiece({
  id,
  kind,
  left,
  top,
  far,
  mayChange,
}: {
  id: string;
  kind: SpotKind;
  left: number;
  top: number;
  far: boolean;
  mayChange: boolean;
}) {
  const { attributes, listeners, setNodeRef, transform } = useDraggable({ id, disabled: !mayChange });
  return (
    <div
      ref={setNodeRef}
      {...listeners}
      {...attributes}
      aria-label={SPOT_WORDS[kind]}
      className={`absolute flex touch-none items-center gap-1 text-sm font-bold whitespace-nowrap max-sm:text-xs ${mayChange ? 'cursor-grab' : ''} ${far ? 'flex-row-reverse' : ''}`}
      style={{
        left,
        top,
        transform: `translate(${far ? '-100%' : '0'}, -50%)${transform ? ` translate(${transform.x}px, ${transform.y}px)` : ''}`,
      }}
    >
      <span className="size-3 rotate-45 bg-ink" />
      {SPOT_WORDS[kind]}
    </div>
  );
}

interface HelpersListProps {
  room: Room;
  mayChange: RoomBoardProps['mayChange'];
  change: (changes: Partial<Room>) => void;
  members: RoomBoardProps['members'];
}

/** Who helps at which bench. */
function HelpersList({ room, mayChange, change, members }: HelpersListProps) {
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
                Take off<span className="sr-only"> {helper.name}</span>
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

interface SeatingListProps {
  seats: RoomBoardProps['seats'];
  mayChange: RoomBoardProps['mayChange'];
  room: Room;
  change: (changes: Partial<Room>) => void;
}

/** Who sits where. */
function SeatingList({ seats, mayChange, room, change }: SeatingListProps) {
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
                  ? `${SKILL_WORDS[seat.skill]}, ${seat.earlier} unions before`
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

interface ChosenBenchProps {
  bench: Bench;
  changeBench: (id: string, changes: Partial<Bench>) => void;
  room: Room;
  change: (changes: Partial<Room>) => void;
  setChosen: Dispatch<SetStateAction<string | null>>;
}

/** The bench that is picked. */
function ChosenBench({ bench, changeBench, room, change, setChosen }: ChosenBenchProps) {
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
        <Field label="Length, m">
          <input
            key={bench.id}
            inputMode="decimal"
            defaultValue={bench.length}
            onBlur={(event) => {
              const value = parseDecimal(event.target.value) ?? NaN;
              if (value >= 0.6 && value <= 12) changeBench(bench.id, { length: value });
            }}
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

interface RoomToolsProps {
  room: Room;
  change: (changes: Partial<Room>) => void;
  missing: SpotKind[];
  seats: RoomBoardProps['seats'];
  busy: boolean;
  changed: boolean;
  save: () => Promise<void>;
}

/** What is added to the room, and its size. */
function RoomTools({ room, change, missing, seats, busy, changed, save }: RoomToolsProps) {
  return (
    <div className="flex flex-wrap items-end gap-2">
      <RoomSize room={room} change={change} />
      <div className="w-24">
        <Field label="Depth, m">
          <input
            inputMode="decimal"
            defaultValue={room.depth}
            onBlur={(event) => {
              const value = parseDecimal(event.target.value) ?? NaN;
              if (value >= 2 && value <= 60) change({ depth: value });
            }}
          />
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
      {missing.length > 0 && <AddMark change={change} room={room} missing={missing} />}
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

interface RoomDrawingProps {
  dnd: string;
  sensors: SensorDescriptor<SensorOptions>[];
  moved: (id: string, dx: number, dy: number) => void;
  box: RefObject<HTMLDivElement | null>;
  room: Room;
  scale: number;
  seats: RoomBoardProps['seats'];
  chosen: string | null;
  mayChange: RoomBoardProps['mayChange'];
  setChosen: Dispatch<SetStateAction<string | null>>;
}

/** The room from above: benches and marks that are dragged. */
function RoomDrawing({ dnd, sensors, moved, box, room, scale, seats, chosen, mayChange, setChosen }: RoomDrawingProps) {
  return (
    <DndContext
      id={dnd}
      sensors={sensors}
      onDragEnd={({ active, delta }) => moved(String(active.id), delta.x, delta.y)}
    >
      <div
        ref={box}
        className="relative w-full overflow-hidden border-4 border-ink bg-sheet"
        style={{ height: room.depth * scale }}
        role="group"
        aria-label={`Room of ${room.width} by ${room.depth} m, the instructor's end on top`}
      >
        {room.benches.map((bench) => (
          <BenchPiece
            key={bench.id}
            bench={bench}
            room={room}
            seats={seats}
            scale={scale}
            chosen={chosen === bench.id}
            mayChange={mayChange}
            onChoose={() => setChosen(bench.id)}
          />
        ))}
        {room.spots.map((spot, i) => (
          <SpotPiece
            key={spot.kind}
            id={`spot-${i}`}
            kind={spot.kind}
            left={spot.x * scale}
            top={spot.y * scale}
            far={spot.x > room.width * 0.7}
            mayChange={mayChange}
          />
        ))}
      </div>
    </DndContext>
  );
}

interface AddMarkProps {
  change: RoomToolsProps['change'];
  room: RoomToolsProps['room'];
  missing: RoomToolsProps['missing'];
}

/** Adds a mark to the room. */
function AddMark({ change, room, missing }: AddMarkProps) {
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

interface RoomSizeProps {
  room: RoomToolsProps['room'];
  change: RoomToolsProps['change'];
}

/** How wide and deep the room is. */
function RoomSize({ room, change }: RoomSizeProps) {
  return (
    <div className="w-24">
      <Field label="Width, m">
        <input
          inputMode="decimal"
          defaultValue={room.width}
          onBlur={(event) => {
            const value = parseDecimal(event.target.value) ?? NaN;
            if (value >= 2 && value <= 60) change({ width: value });
          }}
        />
      </Field>
    </div>
  );
}

interface RoomProblemsProps {
  problems: string[];
}

/** What to mind of the room as it is. */
function RoomProblems({ problems }: RoomProblemsProps) {
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
