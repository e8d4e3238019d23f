import { describe, expect, it } from 'vitest';
import { type Ground, inPlantingOrder, letGo, plantAt, SLACK, takeHold, toggled } from './land-drag';
import { type Scene, type ScenePlant, spotKey } from './land-scene';

const plant = (plantId: string, row: number, position: number, placeId = 'bed'): ScenePlant => ({
  plantId,
  code: plantId,
  variety: 'Grey Heron',
  ribbon: 'plum',
  dead: false,
  doubtful: false,
  placeId,
  spot: { row, position },
});
const scene: Scene = {
  beds: [
    {
      placeId: 'bed',
      name: 'Boathouse bed',
      rows: { count: 3, each: 10, spacing: 300, between: 900 },
      onLand: { x: 0, y: 0, turned: false },
    },
  ],
  trees: [{ placeId: 'tree', name: 'Old pear', x: 8000, y: 1000, held: 1 }],
  plants: [plant('a', 1, 1), plant('b', 1, 3), plant('c', 2, 1)],
};
/** Thirty pixels a plant along the row, ninety a row. */
const ground = (changes: Partial<Ground> = {}): Ground => ({
  scene,
  view: { x: 0, y: 0, scale: 0.1 },
  selected: new Set(),
  mode: 'plants',
  mayChange: true,
  bySpot: new Map(scene.plants.map((each) => [spotKey(each), each])),
  ...changes,
});
const A = { x: 15, y: 45 };
const B = { x: 75, y: 45 };
const FREE = { x: 135, y: 225 };
const BESIDE = { x: 500, y: 400 };

describe('a pointer that is pressed', () => {
  it('finds the plant it points at', () => {
    expect(plantAt(ground(), A)?.plantId).toBe('a');
    expect(plantAt(ground(), FREE)).toBeNull();
    expect(plantAt(ground(), BESIDE)).toBeNull();
  });
  it('takes hold of a plant, and of all that are chosen where it is one of them', () => {
    expect(takeHold(ground(), A, false)).toMatchObject({ kind: 'plants', plantIds: ['a'] });
    const chosen = new Set(['c', 'a']);
    // In the order they stand, not in that of choosing.
    expect(takeHold(ground({ selected: chosen }), A, false)).toMatchObject({ kind: 'plants', plantIds: ['a', 'c'] });
    expect(takeHold(ground({ selected: chosen }), B, false)).toMatchObject({ kind: 'plants', plantIds: ['b'] });
  });
  it('moves the land about beside plants, and everywhere for whoever may only look', () => {
    expect(takeHold(ground(), FREE, false).kind).toBe('pan');
    expect(takeHold(ground(), BESIDE, false).kind).toBe('pan');
    expect(takeHold(ground({ mayChange: false }), A, false).kind).toBe('pan');
  });
  it('draws a box to choose by, where areas are chosen or with shift held', () => {
    expect(takeHold(ground({ mode: 'area' }), A, false).kind).toBe('box');
    expect(takeHold(ground(), A, true).kind).toBe('box');
  });
  it('takes a bed or a tree where places are moved, and none for whoever may not', () => {
    const places = ground({ mode: 'places' });
    expect(takeHold(places, A, false)).toMatchObject({ kind: 'place', placeId: 'bed' });
    expect(takeHold(places, { x: 800, y: 100 }, false)).toMatchObject({ kind: 'place', placeId: 'tree' });
    expect(takeHold(places, BESIDE, false).kind).toBe('pan');
    expect(takeHold(ground({ mode: 'places', mayChange: false }), A, false).kind).toBe('pan');
  });
});

describe('a pointer that is lifted', () => {
  const drag = (from: { x: number; y: number }, to: { x: number; y: number }, changes: Partial<Ground> = {}) => {
    const on = ground(changes);
    return letGo(on, takeHold(on, from, false), to);
  };
  it('chooses a plant by a tap, and lets go of it by another', () => {
    expect(drag(A, A)).toEqual({ kind: 'select', plantIds: new Set(['a']) });
    expect(drag(A, A, { selected: new Set(['a', 'b']) })).toEqual({ kind: 'select', plantIds: new Set(['b']) });
    // A hand trembles.
    expect(drag(A, { x: A.x + SLACK - 1, y: A.y })).toMatchObject({ kind: 'select' });
  });
  it('drops plants on the spot it points at, and nowhere beside the beds', () => {
    expect(drag(A, FREE)).toEqual({
      kind: 'drop',
      target: { placeId: 'bed', spot: { row: 3, position: 5 } },
      plantIds: ['a'],
    });
    expect(drag(A, BESIDE)).toBeNull();
  });
  it('puts what is chosen where it is tapped, on a free spot', () => {
    const chosen = { selected: new Set(['c', 'a']) };
    expect(drag(FREE, FREE, chosen)).toMatchObject({ kind: 'drop', plantIds: ['a', 'c'] });
    expect(drag(FREE, FREE)).toBeNull();
    expect(drag(FREE, FREE, { ...chosen, mayChange: false })).toBeNull();
    expect(drag(BESIDE, BESIDE, chosen)).toBeNull();
    // Moving the land about drops nothing.
    expect(drag(FREE, { x: FREE.x + 60, y: FREE.y }, chosen)).toBeNull();
  });
  it('lets whoever may only look choose plants all the same', () => {
    expect(drag(A, A, { mayChange: false })).toEqual({ kind: 'select', plantIds: new Set(['a']) });
  });
  it('adds what lies in a box to what was chosen', () => {
    const on = ground({ mode: 'area', selected: new Set(['c']) });
    const held = takeHold(on, { x: 0, y: 0 }, false);
    expect(letGo(on, held, { x: 100, y: 60 })).toEqual({ kind: 'select', plantIds: new Set(['a', 'b', 'c']) });
  });
  it('moves a place by as far as it went on the land', () => {
    expect(drag(A, { x: A.x + 40, y: A.y - 20 }, { mode: 'places' })).toEqual({
      kind: 'place',
      placeId: 'bed',
      dx: 400,
      dy: -200,
    });
    expect(drag(A, A, { mode: 'places' })).toBeNull();
  });
});

describe('what is chosen', () => {
  it('has one more or one less, and leaves the choice before as it was', () => {
    const before = new Set(['a']);
    expect(toggled(before, 'b')).toEqual(new Set(['a', 'b']));
    expect(toggled(before, 'a')).toEqual(new Set());
    expect(before).toEqual(new Set(['a']));
  });
  it('is kept in planting order, those that stand elsewhere last', () => {
    const chosen = new Set(['away', 'c', 'b', 'a']);
    expect(inPlantingOrder(scene, chosen)).toEqual(['a', 'b', 'c', 'away']);
    const beds: Scene = { ...scene, plants: [...scene.plants, plant('z', 1, 1, 'another bed')] };
    expect(inPlantingOrder(beds, new Set(['a', 'z']))).toEqual(['z', 'a']);
  });
});
