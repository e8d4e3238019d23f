import { type DrawnBed, type Laid, landOf, pointOf, spotAt, TREE_ACROSS } from '@/core/aftercare/places/bed-layout';
import type { BedSpot } from '@/core/aftercare/places/place';

/** A bed as the map draws it. */
export interface SceneBed extends DrawnBed {
  placeId: string;
  name: string;
}

/** A tree as the map draws it, mm from the corner of the land. */
export interface SceneTree {
  placeId: string;
  name: string;
  x: number;
  y: number;
  held: number;
}

/** A plant on its spot of a bed. */
export interface ScenePlant {
  plantId: string;
  code: string;
  variety: string;
  ribbon: string;
  dead: boolean;
  doubtful: boolean;
  placeId: string;
  spot: BedSpot;
}

/** What a map shows. */
export interface Scene {
  beds: readonly SceneBed[];
  trees: readonly SceneTree[];
  plants: readonly ScenePlant[];
}

/** Which part of the land is seen: its upper left corner, mm, and pixels a mm. */
export interface View {
  x: number;
  y: number;
  scale: number;
}

/** A spot of one of the beds. */
export interface Target {
  placeId: string;
  spot: BedSpot;
}

/** What names a spot among those of all beds. */
export function spotKey({ placeId, spot: { row, position } }: Target): string {
  return `${placeId} ${row} ${position}`;
}

/** The land that all beds and trees lie on. */
export function boundsOf({ beds, trees }: Scene): Laid {
  const lands = [
    ...beds.map(landOf),
    ...trees.map(({ x, y }) => ({
      x: x - TREE_ACROSS / 2,
      y: y - TREE_ACROSS / 2,
      width: TREE_ACROSS,
      depth: TREE_ACROSS,
    })),
  ];
  if (lands.length === 0) return { x: 0, y: 0, width: 10_000, depth: 6_000 };
  const [x, y] = [Math.min(...lands.map((land) => land.x)), Math.min(...lands.map((land) => land.y))];
  return {
    x,
    y,
    width: Math.max(...lands.map((land) => land.x + land.width)) - x,
    depth: Math.max(...lands.map((land) => land.y + land.depth)) - y,
  };
}

/** Room left round the land, pixels. */
const MARGIN = 34;

/** The view in which all of the land is seen. */
export function fitted(scene: Scene, width: number, height: number): View {
  const { x, y, width: wide, depth } = boundsOf(scene);
  const scale = Math.max(1e-4, Math.min((width - 2 * MARGIN) / wide, (height - 2 * MARGIN) / depth));
  return { scale, x: x - (width / scale - wide) / 2, y: y - (height / scale - depth) / 2 };
}

/** The view with the point at (px, py) kept where it is and all else nearer or farther. */
export function zoomed(view: View, by: number, px: number, py: number): View {
  const scale = Math.min(2, Math.max(0.002, view.scale * by));
  return { scale, x: view.x + px / view.scale - px / scale, y: view.y + py / view.scale - py / scale };
}

/** The spot under a point of the screen; null beside the beds. */
export function targetAt(scene: Scene, view: View, px: number, py: number): Target | null {
  const point = { x: view.x + px / view.scale, y: view.y + py / view.scale };
  for (const bed of scene.beds) {
    const spot = spotAt(point, bed);
    if (spot) return { placeId: bed.placeId, spot };
  }
  return null;
}

/** The bed or tree under a point of the screen, by its id. */
export function placeAt(scene: Scene, view: View, px: number, py: number): string | null {
  const target = targetAt(scene, view, px, py);
  if (target) return target.placeId;
  const [x, y] = [view.x + px / view.scale, view.y + py / view.scale];
  return scene.trees.find((tree) => Math.hypot(tree.x - x, tree.y - y) < TREE_ACROSS / 2)?.placeId ?? null;
}

/** The spot one step away in a direction, over the end of a row into the next bed's; stays at the ends. */
export function stepped(scene: Scene, at: Target, step: 'left' | 'right' | 'up' | 'down'): Target {
  const bed = scene.beds.find(({ placeId }) => placeId === at.placeId);
  if (!bed) return at;
  const { row, position } = at.spot;
  // In a bed that is turned, rows run down the screen.
  const [along, across] = {
    left: [-1, 0],
    right: [1, 0],
    up: [0, -1],
    down: [0, 1],
  }[step].map(Number) as [number, number];
  const [dp, dr] = bed.onLand.turned ? [across, along] : [along, across];
  const within = (value: number, most: number): number => Math.min(most, Math.max(1, value));
  return {
    placeId: at.placeId,
    spot: { row: within(row + dr, bed.rows.count), position: within(position + dp, bed.rows.each) },
  };
}

/** Plants whose spots lie within a box of the screen. */
export function plantsWithin(
  scene: Scene,
  view: View,
  box: { x0: number; y0: number; x1: number; y1: number },
): string[] {
  const beds = new Map(scene.beds.map((bed) => [bed.placeId, bed]));
  const [left, right] = [Math.min(box.x0, box.x1), Math.max(box.x0, box.x1)];
  const [top, bottom] = [Math.min(box.y0, box.y1), Math.max(box.y0, box.y1)];
  return scene.plants
    .filter(({ placeId, spot }) => {
      const point = pointOf(spot, beds.get(placeId)!);
      const [px, py] = [(point.x - view.x) * view.scale, (point.y - view.y) * view.scale];
      return px >= left && px <= right && py >= top && py <= bottom;
    })
    .map(({ plantId }) => plantId);
}
