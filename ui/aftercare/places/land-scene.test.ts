import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { landOf, pointOf, TREE_ACROSS } from '@/core/aftercare/places/bed-layout';
import {
  boundsOf,
  fitted,
  placeAt,
  plantsWithin,
  type Scene,
  type SceneBed,
  spotKey,
  stepped,
  targetAt,
  zoomed,
} from './land-scene';

const bed = (placeId: string, x: number, y: number, turned = false): SceneBed => ({
  placeId,
  name: placeId,
  rows: { count: 4, each: 25, spacing: 300, between: 900 },
  onLand: { x, y, turned },
});
const scene: Scene = {
  beds: [bed('east', 0, 0), bed('west', 10_000, 0, true)],
  trees: [{ placeId: 'tree', name: 'Old pear', x: 3000, y: 12_000, held: 2 }],
  plants: [],
};
const onScreen = fc.record({ width: fc.integer({ min: 200, max: 2000 }), height: fc.integer({ min: 200, max: 1200 }) });

describe('the land of a map', () => {
  it('is all that beds and trees cover', () => {
    // By hand: the bed 25 x 0.3 m by 4 x 0.9 m, the turned one the other way, the tree 2 m round its middle.
    expect(boundsOf(scene)).toEqual({ x: 0, y: 0, width: 13_600, depth: 14_000 });
    expect(boundsOf({ ...scene, trees: [] })).toEqual({ x: 0, y: 0, width: 13_600, depth: 7500 });
  });
  it('is some ground where nothing lies on it yet', () => {
    const { width, depth } = boundsOf({ beds: [], trees: [], plants: [] });
    expect(width > 0 && depth > 0).toBe(true);
  });
  it('fits whole into any window, in its middle', () => {
    fc.assert(
      fc.property(onScreen, ({ width, height }) => {
        const view = fitted(scene, width, height);
        const land = boundsOf(scene);
        const left = (land.x - view.x) * view.scale;
        const right = (land.x + land.width - view.x) * view.scale;
        const top = (land.y - view.y) * view.scale;
        const bottom = (land.y + land.depth - view.y) * view.scale;
        expect(left).toBeGreaterThan(0);
        expect(right).toBeLessThan(width);
        expect(top).toBeGreaterThan(0);
        expect(bottom).toBeLessThan(height);
        expect(left + right).toBeCloseTo(width, 6);
        expect(top + bottom).toBeCloseTo(height, 6);
      }),
    );
  });
});

describe('coming nearer', () => {
  it('keeps the point under the pointer where it is, and ends at a limit', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 10, noNaN: true }),
        fc.integer({ min: 0, max: 1200 }),
        fc.integer({ min: 0, max: 700 }),
        (by, px, py) => {
          const view = { x: 500, y: -200, scale: 0.05 };
          const next = zoomed(view, by, px, py);
          expect(next.x + px / next.scale).toBeCloseTo(view.x + px / view.scale, 3);
          expect(next.y + py / next.scale).toBeCloseTo(view.y + py / view.scale, 3);
          expect(next.scale >= 0.002 && next.scale <= 2).toBe(true);
        },
      ),
    );
    expect(zoomed({ x: 0, y: 0, scale: 1 }, 100, 0, 0).scale).toBe(2);
  });
});

describe('a spot of a bed', () => {
  it('is found under the very point it is drawn at, in every view and however the bed lies', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...scene.beds),
        fc.integer({ min: 1, max: 4 }),
        fc.integer({ min: 1, max: 25 }),
        onScreen,
        (at, row, position, { width, height }) => {
          const view = fitted(scene, width, height);
          const point = pointOf({ row, position }, at);
          const found = targetAt(scene, view, (point.x - view.x) * view.scale, (point.y - view.y) * view.scale);
          expect(found).toEqual({ placeId: at.placeId, spot: { row, position } });
        },
      ),
    );
  });
  it('is none beside the beds', () => {
    const view = { x: 0, y: 0, scale: 0.1 };
    expect(targetAt(scene, view, -1, 10)).toBeNull();
    expect(targetAt(scene, view, 760, 10)).toBeNull();
    expect(targetAt(scene, view, 300, 1200)).toBeNull();
  });
  it('has a name of its own among those of all beds', () => {
    const names = scene.beds.flatMap(({ placeId }) =>
      [1, 2, 11].flatMap((row) => [1, 12, 21].map((position) => spotKey({ placeId, spot: { row, position } }))),
    );
    expect(new Set(names).size).toBe(names.length);
  });
});

describe('the place under a point', () => {
  const view = { x: 0, y: 0, scale: 0.1 };
  it('is the bed, or the tree within its crown', () => {
    expect(placeAt(scene, view, 10, 10)).toBe('east');
    expect(placeAt(scene, view, 1010, 10)).toBe('west');
    expect(placeAt(scene, view, 300, 1200)).toBe('tree');
    expect(placeAt(scene, view, 300 + (TREE_ACROSS / 2) * 0.1 + 1, 1200)).toBeNull();
  });
});

describe('a step with the arrow keys', () => {
  const at = (placeId: string, row: number, position: number) => ({ placeId, spot: { row, position } });
  it('goes the way the arrow points on the screen, also in a bed that is turned', () => {
    expect(stepped(scene, at('east', 2, 5), 'right')).toEqual(at('east', 2, 6));
    expect(stepped(scene, at('east', 2, 5), 'down')).toEqual(at('east', 3, 5));
    expect(stepped(scene, at('west', 2, 5), 'right')).toEqual(at('west', 3, 5));
    expect(stepped(scene, at('west', 2, 5), 'down')).toEqual(at('west', 2, 6));
  });
  it('moves on the land to where it says', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...scene.beds),
        fc.integer({ min: 2, max: 3 }),
        fc.integer({ min: 2, max: 24 }),
        fc.constantFrom('left' as const, 'right' as const, 'up' as const, 'down' as const),
        (own, row, position, step) => {
          const [from, to] = [
            pointOf({ row, position }, own),
            pointOf(stepped(scene, at(own.placeId, row, position), step).spot, own),
          ];
          const [dx, dy] = [Math.sign(to.x - from.x), Math.sign(to.y - from.y)];
          expect({ left: [-1, 0], right: [1, 0], up: [0, -1], down: [0, 1] }[step]).toEqual([dx, dy]);
        },
      ),
    );
  });
  it('stays within the bed', () => {
    for (const step of ['left', 'up'] as const)
      expect(stepped(scene, at('east', 1, 1), step)).toEqual(at('east', 1, 1));
    for (const step of ['right', 'down'] as const)
      expect(stepped(scene, at('east', 4, 25), step)).toEqual(at('east', 4, 25));
    expect(stepped(scene, at('gone', 1, 1), 'right')).toEqual(at('gone', 1, 1));
  });
});

describe('a box over the land', () => {
  const plants = [
    [1, 1],
    [1, 2],
    [2, 1],
    [4, 25],
  ].map(([row, position]) => ({
    plantId: `${row}-${position}`,
    code: '',
    variety: '',
    ribbon: 'plum',
    dead: false,
    doubtful: false,
    placeId: 'east',
    spot: { row: row!, position: position! },
  }));
  const planted = { ...scene, plants };
  const view = { x: 0, y: 0, scale: 0.1 };
  const within = (x0: number, y0: number, x1: number, y1: number): string[] =>
    plantsWithin(planted, view, { x0, y0, x1, y1 });
  it('holds the plants whose spots lie in it, whichever corner it was drawn from', () => {
    // Spots of the first row lie at 15 and 45 pixels, 45 down; the second row at 135 down.
    expect(within(0, 0, 50, 50)).toEqual(['1-1', '1-2']);
    expect(within(50, 50, 0, 0)).toEqual(['1-1', '1-2']);
    expect(within(0, 140, 20, 0)).toEqual(['1-1', '2-1']);
    expect(within(16, 0, 40, 400)).toEqual([]);
    expect(within(-100, -100, 2000, 2000)).toHaveLength(plants.length);
  });
  it('covers a whole bed when it is drawn round its land', () => {
    const { x, y, width, depth } = landOf(scene.beds[0]!);
    expect(within(x * 0.1, y * 0.1, (x + width) * 0.1, (y + depth) * 0.1)).toHaveLength(plants.length);
  });
});
