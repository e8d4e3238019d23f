import { describe, expect, it } from 'vitest';
import type { Place } from '@/core/aftercare/places/place';
import type { PlacedPlant } from '@/core/aftercare/places/place-view';
import { sceneOf } from './scene-of';

const bed: Place & { held: number } = {
  id: 'bed',
  name: 'Boathouse bed',
  kind: 'bed',
  capacity: 100,
  rows: { count: 4, each: 25, spacing: 300, between: 900 },
  onLand: { x: 5000, y: 2000, turned: true },
  held: 2,
};
const plant = (plantId: string, placeId: string | null, row: number | null = 1, position: number | null = 2) =>
  ({
    plantId,
    code: 'K7M4XQ',
    variety: 'Grey Heron',
    ribbon: 'plum',
    dead: false,
    doubt: '',
    standing: placeId === null ? null : { placeId, spot: { row, position, limb: '', side: '' }, since: '2027-03-06' },
  }) as unknown as PlacedPlant;

describe('what a map shows', () => {
  it('is beds where they lie and the plants on their spots', () => {
    const { beds, plants } = sceneOf([bed], [plant('a', 'bed')]);
    expect(beds).toEqual([{ placeId: 'bed', name: 'Boathouse bed', rows: bed.rows, onLand: bed.onLand }]);
    expect(plants).toEqual([
      {
        plantId: 'a',
        code: 'K7M 4XQ',
        variety: 'Grey Heron',
        ribbon: 'plum',
        dead: false,
        doubtful: false,
        placeId: 'bed',
        spot: { row: 1, position: 2 },
      },
    ]);
  });
  it('leaves out beds nobody measured or laid, and who stands in them', () => {
    for (const changes of [
      { rows: { ...bed.rows!, spacing: null } },
      { rows: { ...bed.rows!, between: null } },
      { rows: null },
      { onLand: null },
    ]) {
      const { beds, plants } = sceneOf([{ ...bed, ...changes }], [plant('a', 'bed')]);
      expect([beds, plants]).toEqual([[], []]);
    }
  });
  it('leaves out plants that stand elsewhere, nowhere, or somewhere in the bed', () => {
    const plants = [plant('a', 'pail'), plant('b', null), plant('c', 'bed', null, null), plant('d', 'bed', 1, null)];
    expect(sceneOf([bed], plants).plants).toEqual([]);
  });
  it('draws a bed by itself from its own corner, wherever it lies', () => {
    expect(sceneOf([bed], [], { alone: true }).beds[0]!.onLand).toEqual({ x: 0, y: 0, turned: false });
    expect(sceneOf([{ ...bed, onLand: null }], [], { alone: true }).beds).toHaveLength(1);
  });
  it('has trees that were laid on the land, with how many they hold, and no pails', () => {
    const tree = { ...bed, id: 'tree', kind: 'tree' as const, name: 'Old pear', rows: null, held: 3 };
    const { trees, beds } = sceneOf([tree, { ...tree, id: 'pail', kind: 'pail' }, { ...tree, onLand: null }], []);
    expect(trees).toEqual([{ placeId: 'tree', name: 'Old pear', x: 5000, y: 2000, held: 3 }]);
    expect(beds).toEqual([]);
  });
  it('says of a plant that it is doubtful since its tag fell off', () => {
    const doubtful = { ...plant('a', 'bed'), doubt: 'plant' } as PlacedPlant;
    expect(sceneOf([bed], [doubtful]).plants[0]!.doubtful).toBe(true);
  });
});
