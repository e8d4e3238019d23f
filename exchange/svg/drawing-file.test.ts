import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type DisplayList, fileMargin, type Point } from '@/core/drawing/display-list';
import { drawingFile } from './drawing-file';

/** The corners of a file's first path, added up from its steps. */
function cornersIn(svg: string): [number, number][] {
  let [x, y] = [0, 0];
  const [, way] = / d="([^"]*)"/.exec(svg)!;
  return [...way!.matchAll(/[Ml](-?[\d.]+) (-?[\d.]+)/g)].map(([, dx, dy]) => {
    [x, y] = [x + Number(dx), y + Number(dy)];
    return [x, y];
  });
}
const list = (points: Point[]): DisplayList => ({
  width: 40,
  height: 90,
  anchors: [],
  items: [
    { kind: 'path', role: 'bark', points, closed: true, fill: true },
    { kind: 'label', role: 'name', at: [3, 4], text: 'scion', anchor: 'start' },
  ],
});

describe('a drawing as a file', () => {
  it('has every corner where it was, to a hundredth of a millimetre, however many there are', () => {
    const point = fc.tuple(fc.double({ min: -5, max: 95, noNaN: true }), fc.double({ min: -5, max: 95, noNaN: true }));
    fc.assert(
      fc.property(fc.array(point, { minLength: 1, maxLength: 200 }), (points) => {
        const found = cornersIn(drawingFile(list(points), ''));
        const off = points.map(([x, y], i) => Math.max(Math.abs(found[i]![0] - x), Math.abs(found[i]![1] - y)));
        expect(found).toHaveLength(points.length);
        expect(Math.max(...off)).toBeLessThan(0.0051);
      }),
    );
  });
  it('holds its roles, its rules and room for strokes on its edge, and no words', () => {
    const svg = drawingFile(
      list([
        [0, 0],
        [1, 2],
      ]),
      '.r-bark{fill:#b79a78}',
    );
    expect(svg).toContain(`viewBox="${-fileMargin(40)} ${-fileMargin(40)} 42.4 92.4"`);
    expect(svg).toContain('class="r-bark filled"');
    expect(svg).toContain('<style>.r-bark{fill:#b79a78}</style>');
    expect(svg).not.toContain('scion');
  });
});
