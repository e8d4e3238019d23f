import {
  placeAt,
  plantsWithin,
  type Scene,
  type ScenePlant,
  spotKey,
  type Target,
  targetAt,
  type View,
} from './land-scene';

/** What pointers do on a map: `places` moves beds and trees about, `area` chooses plants by a box. */
export type MapMode = 'plants' | 'area' | 'places';

interface Point {
  x: number;
  y: number;
}

/** What a pressed pointer holds. */
export type Drag = Point &
  (
    | { kind: 'pan'; view: View }
    | { kind: 'plants'; plantIds: readonly string[]; plant: ScenePlant }
    | { kind: 'box' }
    | { kind: 'place'; placeId: string }
  );

/** What becomes of a drag once the pointer is lifted. */
export type Dropped =
  | { kind: 'select'; plantIds: ReadonlySet<string> }
  | { kind: 'drop'; target: Target; plantIds: readonly string[] }
  | { kind: 'place'; placeId: string; dx: number; dy: number }
  | null;

/** The map as a pointer finds it. */
export interface Ground {
  scene: Scene;
  view: View;
  selected: ReadonlySet<string>;
  mode: MapMode;
  mayChange: boolean;
  bySpot: ReadonlyMap<string, ScenePlant>;
}

/** Pixels a pointer moves before a press becomes a drag. */
export const SLACK = 5;

/** The plant under a point of the screen. */
export function plantAt({ scene, view, bySpot }: Ground, { x, y }: Point): ScenePlant | null {
  const target = targetAt(scene, view, x, y);
  return (target && bySpot.get(spotKey(target))) ?? null;
}

/** What a pointer takes hold of where it is pressed. */
export function takeHold(ground: Ground, point: Point, withShift: boolean): Drag {
  const { scene, view, selected, mode, mayChange } = ground;
  if (mode === 'places') {
    const placeId = placeAt(scene, view, point.x, point.y);
    if (placeId && mayChange) return { kind: 'place', ...point, placeId };
    return { kind: 'pan', ...point, view };
  }
  if (mode === 'area' || withShift) return { kind: 'box', ...point };
  const plant = plantAt(ground, point);
  if (!plant || !mayChange) return { kind: 'pan', ...point, view };
  const plantIds = selected.has(plant.plantId) ? inPlantingOrder(scene, selected) : [plant.plantId];
  return { kind: 'plants', ...point, plantIds, plant };
}

/** What a drag comes to where it ends: a press that did not move is a tap. */
export function letGo(ground: Ground, held: Drag, point: Point): Dropped {
  const { scene, view, selected, mayChange } = ground;
  const [dx, dy] = [point.x - held.x, point.y - held.y];
  const still = Math.hypot(dx, dy) < SLACK;
  const target = targetAt(scene, view, point.x, point.y);
  switch (held.kind) {
    case 'box': {
      const box = { x0: held.x, y0: held.y, x1: point.x, y1: point.y };
      return { kind: 'select', plantIds: new Set([...selected, ...plantsWithin(scene, view, box)]) };
    }
    case 'place':
      return still ? null : { kind: 'place', placeId: held.placeId, dx: dx / view.scale, dy: dy / view.scale };
    case 'plants':
      if (still) return { kind: 'select', plantIds: toggled(selected, held.plant.plantId) };
      return target ? { kind: 'drop', target, plantIds: held.plantIds } : null;
    case 'pan': {
      const plant = still ? plantAt(ground, point) : null;
      if (plant) return { kind: 'select', plantIds: toggled(selected, plant.plantId) };
      return still && target && selected.size > 0 && mayChange && ground.mode !== 'places'
        ? { kind: 'drop', target, plantIds: inPlantingOrder(scene, selected) }
        : null;
    }
  }
}

/** What was chosen with one plant more, or with that one less. */
export function toggled(selected: ReadonlySet<string>, plantId: string): Set<string> {
  const next = new Set(selected);
  if (!next.delete(plantId)) next.add(plantId);
  return next;
}

/** Chosen plants as they stand, bed by bed and row by row; those of elsewhere after them. */
export function inPlantingOrder({ plants }: Scene, selected: ReadonlySet<string>): string[] {
  const standing = plants
    .filter(({ plantId }) => selected.has(plantId))
    .sort((a, b) => a.placeId.localeCompare(b.placeId) || a.spot.row - b.spot.row || a.spot.position - b.spot.position)
    .map(({ plantId }) => plantId);
  const there = new Set(standing);
  return [...standing, ...[...selected].filter((plantId) => !there.has(plantId))];
}
