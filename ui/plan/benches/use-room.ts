'use client';

import { KeyboardSensor, PointerSensor, useSensor, useSensors } from '@dnd-kit/core';
import { useEffect, useId, useRef, useState } from 'react';
import { v7 as uuid } from 'uuid';
import { type Bench, type Room, roomProblems, SPOT_WORDS, type SpotKind } from '@/core/plan/benches/room';
import type { LengthUnit } from '@/core/units/length';
import type { SkillLevel } from '@/core/plan/pairing/hand';
import { useSend } from '@/ui/kit/form/use-send';

export interface RoomSeat {
  id: string;
  number: number;
  name: string;
  leftHanded: boolean;
  skill: SkillLevel;
  earlier: number;
}

export interface RoomBoardProps {
  workshopId: string;
  version: number;
  room: Room;
  seats: RoomSeat[];
  /** Members who may help. */
  members: string[];
  unit: LengthUnit;
  mayChange: boolean;
}

/** The room as it is drawn, changed here until it is saved. */
export function useRoom({ workshopId, version, room: saved, seats, members, unit, mayChange }: RoomBoardProps) {
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
  const moved = (id: string, dx: number, dy: number): void => setRoom(roomWith(room, id, dx / scale, dy / scale));
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
  return {
    unit,
    seats,
    members,
    mayChange,
    busy,
    problem,
    room,
    changed,
    chosen,
    setChosen,
    box,
    scale,
    dnd,
    sensors,
    change,
    changeBench,
    moved,
    save,
    problems,
    bench,
    missing,
  };
}

export type RoomOnBoard = ReturnType<typeof useRoom>;

/** The room with a bench or a mark moved by `dx` and `dy` m, on a grid of 5 cm and within the walls. */
function roomWith(room: Room, id: string, dx: number, dy: number): Room {
  const within = (at: number, most: number): number => Math.round(Math.max(0, Math.min(most, at)) * 20) / 20;
  const moved = <Thing extends { x: number; y: number }>(thing: Thing): Thing => ({
    ...thing,
    x: within(thing.x + dx, room.width),
    y: within(thing.y + dy, room.depth),
  });
  return {
    ...room,
    spots: room.spots.map((spot, i) => (`spot-${i}` === id ? moved(spot) : spot)),
    benches: room.benches.map((bench) => (bench.id === id ? moved(bench) : bench)),
  };
}
