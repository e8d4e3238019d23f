'use client';

import { roomLength, roomNumber } from '@/core/units/room-length';
import { DndContext, useDraggable } from '@dnd-kit/core';
import { BENCH_DEPTH, type Bench, placesOf, type Room, SPOT_WORDS, type SpotKind } from '@/core/plan/benches/room';
import type { RoomOnBoard, RoomSeat } from './use-room';

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

/** The room from above: benches and marks that are dragged. */
export function RoomDrawing({ board }: { board: RoomOnBoard }) {
  const { dnd, sensors, moved, box, room, scale, seats, chosen, mayChange, setChosen, unit } = board;
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
        aria-label={`Room of ${roomNumber(room.width, unit)} by ${roomLength(room.depth, unit)}, the instructor's end on top`}
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
