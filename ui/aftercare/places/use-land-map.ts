'use client';

import { type KeyboardEvent, type PointerEvent, useMemo, useRef, useState } from 'react';
import { drawHeld } from './draw-land';
import {
  type Drag,
  type Dropped,
  type Ground,
  inPlantingOrder,
  letGo,
  type MapMode,
  SLACK,
  takeHold,
  toggled,
} from './land-drag';
import { type Scene, spotKey, stepped, type Target, targetAt, type View, zoomed } from './land-scene';
import { useLandDrawing } from './use-land-drawing';

export interface LandMapProps {
  scene: Scene;
  selected: ReadonlySet<string>;
  mayChange: boolean;
  feet: boolean;
  height: number;
  mode: MapMode;
  onSelect: (plantIds: ReadonlySet<string>) => void;
  /** Plants are to stand from a spot on, in planting order. */
  onDrop: (target: Target, plantIds: readonly string[]) => void;
  /** A bed or tree was moved by so many mm. */
  onMovePlace: (placeId: string, dx: number, dy: number) => void;
}

/** Follows pointers and keys over a map of the land. */
export function useLandMap(props: LandMapProps) {
  const { scene, selected, feet, mode, mayChange, height } = props;
  const [view, setView] = useState<View | null>(null);
  const [cursor, setCursor] = useState<Target | null>(null);
  const [place, setPlace] = useState<string | null>(null);
  const chosenPlace = mode === 'places' ? place : null;
  const drawing = useLandDrawing(scene, height, view, { selected, cursor, chosenPlace, feet });
  const { shown, width } = drawing;
  const bySpot = useMemo(() => new Map(scene.plants.map((plant) => [spotKey(plant), plant])), [scene]);
  const ground: Ground | null = shown && { scene, view: shown, selected, mode, mayChange, bySpot };
  const done = (dropped: Dropped): void => {
    if (dropped?.kind === 'select') props.onSelect(dropped.plantIds);
    else if (dropped?.kind === 'drop') props.onDrop(dropped.target, dropped.plantIds);
    else if (dropped?.kind === 'place') props.onMovePlace(dropped.placeId, dropped.dx, dropped.dy);
  };
  const zoom = (by: number): void => {
    if (shown) setView(zoomed(shown, by, width / 2, height / 2));
  };
  const pointers = usePointers({ ground, drawing, setView, setCursor, setPlace, done });
  const keys = useKeys({ ground, cursor, chosenPlace, setCursor, setPlace, zoom, done });
  return {
    ...drawing,
    cursor,
    chosenPlace,
    plantAtCursor: cursor ? (bySpot.get(spotKey(cursor)) ?? null) : null,
    handlers: { ...pointers, onKeyDown: keys },
    zoom,
    fit: () => setView(null),
  };
}

interface Hands {
  ground: Ground | null;
  setCursor: (target: Target) => void;
  setPlace: (placeId: string | null) => void;
  done: (dropped: Dropped) => void;
}

interface PointerHands extends Hands {
  drawing: ReturnType<typeof useLandDrawing>;
  setView: (view: View) => void;
}

/** Mouse and fingers: one drags, two bring nearer. */
function usePointers({ ground, drawing: { base, over, overlay }, setView, setCursor, setPlace, done }: PointerHands) {
  const held = useRef<Drag | null>(null);
  const pinch = useRef<{ apart: number; view: View } | null>(null);
  const fingers = useRef(new Map<number, { x: number; y: number }>());
  const at = (event: PointerEvent): { x: number; y: number } => {
    const { left, top } = base.current!.getBoundingClientRect();
    return { x: event.clientX - left, y: event.clientY - top };
  };
  const onPointerDown = (event: PointerEvent): void => {
    if (!ground) return;
    const point = at(event);
    over.current!.setPointerCapture(event.pointerId);
    fingers.current.set(event.pointerId, point);
    if (fingers.current.size === 2) {
      held.current = null;
      pinch.current = { apart: Math.max(1, between(fingers.current).apart), view: ground.view };
      return;
    }
    held.current = takeHold(ground, point, event.shiftKey);
    if (ground.mode === 'places') setPlace(held.current.kind === 'place' ? held.current.placeId : null);
    const target = targetAt(ground.scene, ground.view, point.x, point.y);
    if (target) setCursor(target);
  };
  const onPointerMove = (event: PointerEvent): void => {
    if (!fingers.current.has(event.pointerId)) return;
    const point = at(event);
    fingers.current.set(event.pointerId, point);
    if (pinch.current && fingers.current.size === 2) {
      const { apart, x, y } = between(fingers.current);
      return setView(zoomed(pinch.current.view, apart / pinch.current.apart, x, y));
    }
    const drag = held.current;
    if (!drag) return;
    const [dx, dy] = [point.x - drag.x, point.y - drag.y];
    if (Math.hypot(dx, dy) < SLACK) return;
    if (drag.kind === 'pan')
      setView({ ...drag.view, x: drag.view.x - dx / drag.view.scale, y: drag.view.y - dy / drag.view.scale });
    else overlay((pen) => drawHeld(pen, drag, point));
  };
  const onPointerUp = (event: PointerEvent): void => {
    fingers.current.delete(event.pointerId);
    const drag = held.current;
    held.current = null;
    if (fingers.current.size < 2) pinch.current = null;
    overlay(() => undefined);
    if (drag && ground && event.type === 'pointerup') done(letGo(ground, drag, at(event)));
  };
  return { onPointerDown, onPointerMove, onPointerUp, onPointerCancel: onPointerUp };
}

/** How far two fingers are apart, and the point in the middle. */
function between(fingers: ReadonlyMap<number, { x: number; y: number }>): { apart: number; x: number; y: number } {
  const [a, b] = [...fingers.values()] as [{ x: number; y: number }, { x: number; y: number }];
  return { apart: Math.hypot(a.x - b.x, a.y - b.y), x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 };
}

const STEPS: Record<string, { name: 'left' | 'right' | 'up' | 'down'; dx: number; dy: number }> = {
  ArrowLeft: { name: 'left', dx: -1, dy: 0 },
  ArrowRight: { name: 'right', dx: 1, dy: 0 },
  ArrowUp: { name: 'up', dx: 0, dy: -1 },
  ArrowDown: { name: 'down', dx: 0, dy: 1 },
};
/** How far a key moves a bed or tree, mm. */
const KEY_STEP = 100;

interface KeyHands extends Hands {
  cursor: Target | null;
  chosenPlace: string | null;
  zoom: (by: number) => void;
}

/** Keys do all that pointers do. */
function useKeys({ ground, cursor, chosenPlace, setCursor, setPlace, zoom, done }: KeyHands) {
  const nextPlace = ({ scene: { beds, trees }, mode }: Ground, by: 1 | -1): void => {
    const all = [...beds, ...(mode === 'places' ? trees : [])].map(({ placeId }) => placeId);
    const now = all.indexOf((mode === 'places' ? chosenPlace : cursor?.placeId) ?? '');
    const next = all[(now + by + all.length) % Math.max(1, all.length)];
    if (next && mode === 'places') setPlace(next);
    else if (next) setCursor({ placeId: next, spot: { row: 1, position: 1 } });
  };
  return (event: KeyboardEvent): void => {
    if (!ground) return;
    const { scene, mode, selected, mayChange, bySpot } = ground;
    const step = STEPS[event.key];
    const first = scene.beds[0];
    if (step && mode === 'places') {
      if (chosenPlace && mayChange)
        done({ kind: 'place', placeId: chosenPlace, dx: step.dx * KEY_STEP, dy: step.dy * KEY_STEP });
    } else if (step && cursor) setCursor(stepped(scene, cursor, step.name));
    else if (step && first) setCursor({ placeId: first.placeId, spot: { row: 1, position: 1 } });
    else if (event.key === 'PageDown' || event.key === 'PageUp') nextPlace(ground, event.key === 'PageDown' ? 1 : -1);
    else if (event.key === ' ' && cursor) {
      const plant = bySpot.get(spotKey(cursor));
      if (plant) done({ kind: 'select', plantIds: toggled(selected, plant.plantId) });
    } else if (event.key === 'Enter' && cursor && selected.size > 0 && mayChange)
      done({ kind: 'drop', target: cursor, plantIds: inPlantingOrder(scene, selected) });
    else if (event.key === 'Escape') done({ kind: 'select', plantIds: new Set() });
    else if (event.key === '+' || event.key === '-') zoom(event.key === '+' ? 1.3 : 1 / 1.3);
    else return;
    event.preventDefault();
  };
}
