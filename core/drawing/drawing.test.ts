import { describe, expect, it } from 'vitest';
import { outlineUnionContact } from '../contact/outline-union';
import { outlineOf } from '../methods/common/outline-method';
import { exampleMeasures } from '../methods/example-measures';
import { figuresOf } from '../methods/field';
import { whipAndTongue } from '../methods/whip-and-tongue/method';
import { pointsAt } from '../score/rubric/judge-union';
import { crossSection } from './cross-section';
import type { DisplayList, Path } from './display-list';
import { faceView } from './face-view';
import { sideView } from './side-view';
import { thumbnail } from './thumbnail';
import { unionGlyph } from './union-glyph';

const union = outlineOf(
  figuresOf(
    whipAndTongue.fields,
    exampleMeasures(whipAndTongue, { scionDiameter: 8, stockHollow: 0.3, placement: 'right-lines' }),
  ),
);
const contact = outlineUnionContact(union);

const paths = (list: DisplayList, role: string): Path[] =>
  list.items.filter((item): item is Path => item.kind === 'path' && item.role === role);
const span = (path: Path, axis: 0 | 1): number =>
  Math.max(...path.points.map((point) => point[axis])) - Math.min(...path.points.map((point) => point[axis]));
const length = (path: Path): number =>
  path.points
    .slice(1)
    .reduce((sum, point, i) => sum + Math.hypot(point[0] - path.points[i]![0], point[1] - path.points[i]![1]), 0);

describe('drawings to scale', () => {
  it('draws the face with its cambium lines at their true size', () => {
    const face = faceView(union, contact, { unit: 'mm' });
    const [stock] = paths(face, 'cambium-stock');
    expect(span(stock!, 0)).toBeCloseTo(2 * contact.stockOutline.p, 1);
    expect(span(stock!, 1)).toBeCloseTo(2 * contact.stockOutline.q, 1);
    expect(span(paths(face, 'bark')[0]!, 1)).toBeCloseTo(union.stock.length, 1);
  });
  it('draws as much touching as was computed, and says so in figures', () => {
    const face = faceView(union, contact, { unit: 'mm' });
    const drawn = paths(face, 'touch').reduce((sum, path) => sum + length(path), 0);
    expect(Math.abs(drawn - contact.touching)).toBeLessThan(0.1);
    const labels = face.items.flatMap((item) => (item.kind === 'label' && item.role === 'dimension' ? [item] : []));
    expect(labels.some(({ text }) => text.endsWith('mm'))).toBe(true);
  });
  it('never lays a label on the wood', () => {
    for (const e of [-3, 0, 3]) {
      const moved = { ...union, e };
      const face = faceView(moved, outlineUnionContact(moved), { unit: 'mm' });
      const xs = [...paths(face, 'bark'), ...paths(face, 'outline')].flatMap(({ points }) => points.map(([x]) => x));
      for (const item of face.items) {
        if (item.kind !== 'label' || item.role === 'scale') continue;
        expect(item.at[0] <= Math.min(...xs) || item.at[0] >= Math.max(...xs)).toBe(true);
      }
    }
  });
  it('draws the shoots at their diameters, bark as a band of its own thickness', () => {
    const side = sideView(union, { unit: 'mm' });
    const [stockBark] = paths(side, 'bark');
    const [stockWood] = paths(side, 'wood');
    expect(span(stockBark!, 0)).toBeCloseTo(union.stock.diameter, 6);
    expect((span(stockBark!, 0) - span(stockWood!, 0)) / 2).toBeCloseTo(union.stock.bark, 6);
    // The seam from foot to tip is the cut's length.
    const seam = paths(side, 'knife-cut')[0]!;
    const [first, last] = [seam.points[0]!, seam.points.at(-1)!];
    expect(Math.hypot(first[0] - last[0], first[1] - last[1])).toBeCloseTo(union.stock.length, 6);
  });
  it('shows daylight at its true depth, and none between flat faces', () => {
    expect(paths(sideView(union, { unit: 'mm' }), 'gap')).toHaveLength(1);
    const flat = { ...union, stock: { ...union.stock, hollow: 0 } };
    expect(paths(sideView(flat, { unit: 'mm' }), 'gap')).toHaveLength(0);
  });
  it('has a place for every point that is judged at the bench and not measured', () => {
    const anchored = sideView(union, { unit: 'mm' }).anchors.map(({ point }) => point);
    for (const { id, measured, faults } of pointsAt(whipAndTongue, 'joined')) {
      if (!measured && faults.length > 0) expect(anchored).toContain(id);
    }
  });
  it('turns the buds when the scion is upside down', () => {
    const up = paths(sideView(union, { unit: 'mm' }), 'bud')[0]!;
    const down = paths(sideView(union, { unit: 'mm', upsideDown: true }), 'bud')[0]!;
    expect(up.points[3]![1]).toBeLessThan(up.points[0]![1]);
    expect(down.points[3]![1]).toBeGreaterThan(down.points[0]![1]);
  });
  it('keeps everything inside the sheet, and brings a scale bar', () => {
    for (const list of [
      sideView(union, { unit: 'mm' }),
      faceView(union, contact, { unit: 'in' }),
      crossSection(union, contact, 4, 'mm'),
    ]) {
      for (const item of list.items) {
        for (const [x, y] of item.kind === 'path' ? item.points : [item.at]) {
          expect(x >= -0.5 && x <= list.width + 0.5 && y >= -0.5 && y <= list.height + 0.5).toBe(true);
        }
      }
      const bar = paths(list, 'scale')[0]!;
      expect([10, 12.7]).toContainEqual(expect.closeTo(span(bar, 0), 6));
    }
  });
});

describe('unionGlyph', () => {
  const role = (runs: { from: number; to: number }[], fatal: string | null = null) =>
    unionGlyph({ runs, fatal }).items.map((item) => (item.kind === 'path' ? item.role : item.text));
  it('is one thick ring when all touches, one open ring when nothing does', () => {
    expect(role([{ from: 0, to: 2 * Math.PI }])).toEqual(['touch']);
    expect(role([])).toEqual(['gap']);
  });
  it('is thick where it touches only', () => {
    const glyph = unionGlyph({ runs: [{ from: Math.PI / 2, to: (3 * Math.PI) / 2 }], fatal: null });
    const touch = glyph.items.find((item) => item.kind === 'path' && item.role === 'touch') as Path;
    expect(Math.max(...touch.points.map(([x]) => x))).toBeLessThan(5.3);
  });
  it('is broken and lettered when fatal', () => {
    expect(role([], 'c')).toEqual(['gap', 'knife-cut', 'knife-cut', 'C']);
  });
});

describe('a thumbnail', () => {
  const side = sideView(union, { unit: 'mm' });
  const small = thumbnail(side);
  it('leaves out words and the scale, and nothing else', () => {
    expect(small.items.some(({ kind, role }) => kind === 'label' || role === 'scale')).toBe(false);
    expect(small.items).toHaveLength(side.items.filter(({ kind, role }) => kind === 'path' && role !== 'scale').length);
  });
  it('keeps millimetres, and is cropped to what it shows', () => {
    expect(span(paths(small, 'bark')[0]!, 0)).toBeCloseTo(span(paths(side, 'bark')[0]!, 0), 9);
    const [xs, ys] = [0, 1].map((axis) =>
      small.items.flatMap((item) => (item.kind === 'path' ? item.points.map((point) => point[axis]!) : [])),
    );
    for (const [all, size] of [
      [xs!, small.width],
      [ys!, small.height],
    ] as const) {
      expect(Math.min(...all)).toBeCloseTo(1.5, 9);
      expect(Math.max(...all)).toBeCloseTo(size - 1.5, 9);
    }
    expect(small.width).toBeLessThan(side.width);
  });
  it('moves the places to mark along with the wood', () => {
    const bark = (list: DisplayList) => paths(list, 'bark')[0]!.points[0]!;
    for (const [i, { at }] of small.anchors.entries())
      expect([at[0] - bark(small)[0], at[1] - bark(small)[1]]).toEqual(
        [side.anchors[i]!.at[0] - bark(side)[0], side.anchors[i]!.at[1] - bark(side)[1]].map((n) =>
          expect.closeTo(n, 9),
        ),
      );
  });
});
