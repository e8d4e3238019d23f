import { describe, expect, it } from 'vitest';
import { COLOURS } from '@/core/drawing/colours';
import { RIBBONS, ribbonById } from '@/core/plan/wood/ribbons';
import { drawHeld, drawLand, type Marks } from './draw-land';
import type { Scene, ScenePlant } from './land-scene';

interface Stroke {
  call: string;
  args: unknown[];
  fill: string;
  stroke: string;
}

/** A pen that notes what is drawn with it, and in which colour. */
function notingPen(): { pen: CanvasRenderingContext2D; drawn: Stroke[] } {
  const drawn: Stroke[] = [];
  const state: Record<string, unknown> = { fillStyle: '', strokeStyle: '' };
  const pen = new Proxy(state, {
    get: (target, name: string) =>
      name in target
        ? target[name]
        : (...args: unknown[]) =>
            void drawn.push({
              call: name,
              args,
              fill: String(target.fillStyle),
              stroke: String(target.strokeStyle),
            }),
    set: (target, name: string, value) => {
      target[name] = value;
      return true;
    },
  });
  return { pen: pen as unknown as CanvasRenderingContext2D, drawn };
}

const plant = (i: number, changes: Partial<ScenePlant> = {}): ScenePlant => ({
  plantId: `p${i}`,
  code: `K7M 4X${i}`,
  variety: 'Grey Heron',
  ribbon: 'plum',
  dead: false,
  doubtful: false,
  placeId: 'bed',
  spot: { row: 1, position: i },
  ...changes,
});
const scene = (plants: ScenePlant[], turned = false): Scene => ({
  beds: [
    {
      placeId: 'bed',
      name: 'Boathouse bed',
      rows: { count: 2, each: 10, spacing: 300, between: 900 },
      onLand: { x: 0, y: 0, turned },
    },
  ],
  trees: [{ placeId: 'tree', name: 'Old pear', x: 6000, y: 4000, held: 3 }],
  plants,
});
const MARKS: Marks = { selected: new Set(), cursor: null, chosenPlace: null, font: 'sans-serif', feet: false };
const SIZE = { width: 1200, height: 800 };
function draw(plants: ScenePlant[], { scale = 0.1, marks = MARKS, turned = false } = {}): Stroke[] {
  const { pen, drawn } = notingPen();
  drawLand(pen, scene(plants, turned), { x: -200, y: -200, scale }, SIZE, marks);
  return drawn;
}
const texts = (drawn: Stroke[]): string[] =>
  drawn.filter(({ call }) => call === 'fillText').map(({ args }) => String(args[0]));
const squares = (drawn: Stroke[], colour: string): Stroke[] =>
  drawn.filter(({ call, fill }) => call === 'fillRect' && fill === colour);

describe('the land', () => {
  it('names beds, trees and how many a tree holds', () => {
    expect(texts(draw([]))).toEqual(expect.arrayContaining(['Boathouse bed', '1', '2', 'Old pear', '3']));
    // Where there is room beside the bed its rows are called so.
    const { pen, drawn } = notingPen();
    drawLand(pen, scene([]), { x: -2000, y: -200, scale: 0.1 }, SIZE, MARKS);
    expect(texts(drawn)).toEqual(expect.arrayContaining(['row 1', 'row 2']));
  });
  it('has a square of its ribbon’s colour for each plant that is in sight', () => {
    const drawn = draw([plant(1), plant(2, { ribbon: 'marsh' }), plant(3)]);
    expect(squares(drawn, ribbonById('plum').colour)).toHaveLength(2);
    expect(squares(drawn, ribbonById('marsh').colour)).toHaveLength(1);
    const { pen, drawn: away } = notingPen();
    drawLand(pen, scene([plant(1)]), { x: 90_000, y: 90_000, scale: 0.1 }, SIZE, MARKS);
    expect(squares(away, ribbonById('plum').colour)).toHaveLength(0);
  });
  it('puts them where they stand: along the row from west to east, and down in a bed that is turned', () => {
    const spots = (turned: boolean): number[][] =>
      squares(draw([plant(1), plant(2)], { turned }), ribbonById('plum').colour).map(({ args }) =>
        (args as number[]).slice(0, 2),
      );
    const [[x1, y1], [x2, y2]] = spots(false) as [number[], number[]] as [[number, number], [number, number]];
    expect([x2 - x1, y2 - y1]).toEqual([expect.closeTo(30, 6), expect.closeTo(0, 6)]);
    const [[u1, v1], [u2, v2]] = spots(true) as [number[], number[]] as [[number, number], [number, number]];
    expect([u2 - u1, v2 - v1]).toEqual([expect.closeTo(0, 6), expect.closeTo(30, 6)]);
  });
  it('tells no plant by colour alone once there is room for a pattern', () => {
    for (const { id, pattern } of RIBBONS) {
      const strokes = (kind: string): number => {
        const drawn = draw([plant(1, { ribbon: kind })]);
        const from = drawn.findIndex(({ call, fill }) => call === 'fillRect' && fill === ribbonById(kind).colour);
        return drawn.slice(from).findIndex(({ call }) => call === 'strokeRect');
      };
      // A plain ribbon has nothing between its square and its frame but an empty path.
      if (pattern === 'plain') expect(strokes(id)).toBe(3);
      else expect(strokes(id), pattern).toBeGreaterThan(3);
    }
  });
  it('crosses out the dead, marks the chosen, and asks where it is not sure', () => {
    const moves = (dead: boolean): number =>
      draw([plant(1, { dead, ribbon: 'marsh' })]).filter(({ call }) => call === 'moveTo').length;
    expect(moves(true) - moves(false)).toBe(2);
    const frames = (selected: string[]): number =>
      draw([plant(1)], { marks: { ...MARKS, selected: new Set(selected) } }).filter(({ call }) => call === 'strokeRect')
        .length;
    expect(frames(['p1']) - frames([])).toBe(1);
    expect(frames(['another'])).toBe(frames([]));
    expect(texts(draw([plant(1, { doubtful: true })]))).toContain('?');
    expect(texts(draw([plant(1)]))).not.toContain('?');
  });
  it('shows codes only where there is room to read them', () => {
    expect(texts(draw([plant(1)], { scale: 0.2 }))).toContain('K7M 4X1');
    expect(texts(draw([plant(1)], { scale: 0.05 }))).not.toContain('K7M 4X1');
  });
  it('draws round the spot that keys have gone to, and nothing for a bed that is gone', () => {
    const dashed = (placeId: string): number =>
      draw([], { marks: { ...MARKS, cursor: { placeId, spot: { row: 1, position: 2 } } } }).filter(
        ({ call }) => call === 'setLineDash',
      ).length;
    expect(dashed('bed')).toBe(2);
    expect(dashed('gone')).toBe(0);
  });
  it('has a bar of its scale in the unit of whoever reads', () => {
    const words = (feet: boolean, scale = 0.1): string =>
      texts(draw([], { marks: { ...MARKS, feet }, scale })).find((text) => text.endsWith('north up'))!;
    expect(words(false)).toBe('1 m, north up');
    expect(words(true)).toBe('2 ft, north up');
    // As long as it says: the bar of a metre is 100 pixels at a tenth of a pixel a mm.
    const ends = draw([]).filter(({ call, args }) => call === 'lineTo' && args[1] === SIZE.height - 12);
    expect(ends.map(({ args }) => args[0])).toEqual([14, 114]);
  });
});

describe('what a pointer holds', () => {
  it('is the number of plants, a box, or the way a bed goes', () => {
    const held = (kind: object): Stroke[] => {
      const { pen, drawn } = notingPen();
      drawHeld(pen, { x: 10, y: 20, ...kind } as Parameters<typeof drawHeld>[1], { x: 110, y: 70 });
      return drawn;
    };
    expect(texts(held({ kind: 'plants', plantIds: ['a', 'b', 'c'], plant: plant(1) }))).toEqual(['3']);
    const box = held({ kind: 'box' }).find(({ call }) => call === 'strokeRect')!;
    expect([box.args, box.stroke]).toEqual([[10, 20, 100, 50], COLOURS.ink]);
    expect(held({ kind: 'place', placeId: 'bed' }).map(({ call }) => call)).toEqual(
      expect.arrayContaining(['moveTo', 'lineTo', 'stroke']),
    );
    expect(held({ kind: 'pan', view: { x: 0, y: 0, scale: 1 } })).toEqual([]);
  });
});
