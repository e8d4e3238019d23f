import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { canDraw, landOf, pointOf, spotAt } from './bed-layout';
import { checkMove, type MovingPlant, type WantedMove } from './check-move';
import { spotsFor, spotsFrom } from './free-spots';
import { ANYWHERE, inRow, orderOf, type Place, spotWords } from './place';
import { standingAlong } from './standing-stretch';

const BED: Place = {
  id: 'bed',
  name: 'Wall bed',
  kind: 'bed',
  capacity: 100,
  rows: { count: 4, each: 25, spacing: 300, between: 900 },
  onLand: { x: 2000, y: 1000, turned: false },
};
const PAIL: Place = { id: 'pail', name: 'Pail 2', kind: 'pail', capacity: 3, rows: null, onLand: null };

const plant = (code: string, changes: Partial<MovingPlant> = {}): MovingPlant => ({
  plantId: code,
  code,
  madeOn: '2027-03-06',
  standing: null,
  spot: ANYWHERE,
  ...changes,
});
const standing = (code: string, spot = ANYWHERE) => ({ plantId: code, code, placeId: 'x', spot, since: '2027-03-06' });
const move = (changes: Partial<WantedMove>): WantedMove => ({
  on: '2027-04-01',
  plants: [plant('A')],
  to: null,
  ...changes,
});

describe('a move', () => {
  it('is refused before the union was made, and before the plant came to where it stands', () => {
    expect(() => checkMove(move({ on: '2027-03-05' }))).toThrow('A was made on');
    expect(() => checkMove(move({ on: '2027-03-06' }))).not.toThrow();
    const there = plant('A', { standing: { ...standing('A'), since: '2027-03-20' } });
    expect(() => checkMove(move({ on: '2027-03-19', plants: [there] }))).toThrow('stands where it is since');
    expect(() => checkMove(move({ on: '2027-03-20', plants: [there] }))).not.toThrow();
  });
  it('is refused where a place is full, and says how many still fit', () => {
    const held = [standing('X'), standing('Y')];
    const to = { ...PAIL, standing: held };
    expect(() => checkMove(move({ plants: [plant('A'), plant('B')], to }))).toThrow(
      'Pail 2 holds 3 plants; 2 are in it and 2 would come. Move 1 of them',
    );
    expect(() => checkMove(move({ plants: [plant('A')], to }))).not.toThrow();
    expect(() => checkMove(move({ to: { ...to, capacity: 2 } }))).toThrow('It is full');
    // Who stands there already takes no room twice.
    expect(() => checkMove(move({ plants: [plant('X'), plant('A')], to }))).not.toThrow();
  });
  it('goes to a spot that is free, in a row that is there, and two never to one', () => {
    const to = { ...BED, standing: [standing('X', inRow({ row: 3, position: 4 }))] };
    const at = (code: string, row: number, position: number) => plant(code, { spot: inRow({ row, position }) });
    expect(() => checkMove(move({ plants: [at('A', 3, 4)], to }))).toThrow('X stands in row 3, 4 of Wall bed');
    expect(() => checkMove(move({ plants: [at('A', 5, 1)], to }))).toThrow('there is no row 5, 1');
    expect(() => checkMove(move({ plants: [at('A', 1, 26)], to }))).toThrow('there is no row 1, 26');
    expect(() => checkMove(move({ plants: [at('A', 1, 1), at('B', 1, 1)], to }))).toThrow('A and B cannot both');
    // Two change places: the spot of who leaves is free.
    expect(() => checkMove(move({ plants: [at('X', 3, 5), at('A', 3, 4)], to }))).not.toThrow();
  });
  it('knows limbs of trees only, and rows of beds only', () => {
    const limb = plant('A', { spot: { ...ANYWHERE, limb: 'Lake side', side: 'upper' } });
    expect(() => checkMove(move({ plants: [limb], to: { ...PAIL, standing: [] } }))).toThrow('those of a tree');
    expect(() => checkMove(move({ plants: [limb], to: { ...PAIL, kind: 'tree', standing: [] } }))).not.toThrow();
    expect(() =>
      checkMove(
        move({ plants: [plant('A', { spot: inRow({ row: 1, position: 1 }) })], to: { ...PAIL, standing: [] } }),
      ),
    ).toThrow('has no rows');
    expect(spotWords(limb.spot)).toBe('Lake side, upper');
  });
});

describe('a stretch of plants', () => {
  const along = [4, 5, 7].map((position) => standing(`P${position}`, inRow({ row: 3, position })));
  it('names those that stand there, and says where one is missing', () => {
    expect(standingAlong({ row: 3, from: 4, to: 5 }, BED, along).map(({ code }) => code)).toEqual(['P4', 'P5']);
    expect(() => standingAlong({ row: 3, from: 4, to: 7 }, BED, along)).toThrow(
      '1 spot of row 3, 4 to 7 is empty (row 3, 6). Nothing was moved',
    );
    expect(standingAlong({ row: 3, from: 4, to: 7 }, BED, along, true)).toHaveLength(3);
    expect(() => standingAlong({ row: 2, from: 1, to: 3 }, BED, along)).toThrow('Nobody stands in row 2, 1 to 3');
  });
  it('takes as many plants as it has spots, or as many from a spot on as are free', () => {
    expect(spotsFor(2, { row: 1, from: 24, to: 25 }, BED)).toEqual(
      [1, 2].map((i) => inRow({ row: 1, position: 23 + i })),
    );
    expect(() => spotsFor(3, { row: 1, from: 24, to: 25 }, BED)).toThrow('has 2 spots, for 3 plants');
    expect(spotsFrom(inRow({ row: 1, position: 25 }), 2, BED, [])).toEqual([
      inRow({ row: 1, position: 25 }),
      inRow({ row: 2, position: 1 }),
    ]);
    expect(() =>
      spotsFrom(
        inRow({ row: 3, position: 3 }),
        2,
        BED,
        along.map(({ spot }) => spot),
      ),
    ).toThrow('row 3, 4');
    expect(() => spotsFrom(inRow({ row: 4, position: 25 }), 2, BED, [])).toThrow('has 1 spot, for 2 plants');
  });
});

describe('a bed on its land', () => {
  it('finds every spot again at its point, turned or not, and none beside the bed', () => {
    fc.assert(
      fc.property(
        fc.record({
          count: fc.integer({ min: 1, max: 60 }),
          each: fc.integer({ min: 1, max: 90 }),
          spacing: fc.integer({ min: 50, max: 3000 }),
          between: fc.integer({ min: 50, max: 4000 }),
        }),
        fc.boolean(),
        fc.nat(1000),
        (rows, turned, pick) => {
          const bed = { rows, onLand: { x: 1234, y: 567, turned } };
          const spot = { row: (pick % rows.count) + 1, position: (pick % rows.each) + 1 };
          const point = pointOf(spot, bed);
          expect(spotAt(point, bed)).toEqual(spot);
          const { x, y, width, depth } = landOf(bed);
          expect(point.x > x && point.x < x + width && point.y > y && point.y < y + depth).toBe(true);
          expect(spotAt({ x: x - 1, y }, bed)).toBeNull();
          expect(spotAt({ x: x + width + 1, y: y + depth + 1 }, bed)).toBeNull();
        },
      ),
    );
  });
  it('is drawn only where somebody measured it', () => {
    expect(canDraw(BED)).toBe(true);
    expect(canDraw({ ...BED, rows: { ...BED.rows!, between: null } })).toBe(false);
    expect(canDraw({ ...BED, onLand: null })).toBe(false);
    expect(canDraw(PAIL)).toBe(false);
  });
  it('counts in planting order, row by row', () => {
    expect(orderOf(inRow({ row: 2, position: 3 }), BED.rows)).toBe(28);
    expect(orderOf(ANYWHERE, BED.rows)).toBeNull();
    expect(orderOf(inRow({ row: 2, position: 3 }), null)).toBeNull();
  });
});
