import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Path } from './display-list';
import { cutEdges, frontOutline, sideOutline, withinRadius, type Place } from './piece-outline';
import { piecesView } from './pieces-view';
import {
  chord,
  covered,
  cutOn,
  depthAt,
  footedAt,
  posed,
  scored,
  shoot,
  toppedAt,
  withKerf,
  type Piece,
  type Workpieces,
} from './workpieces';

const stick = (changes: Partial<Parameters<typeof shoot>[0]> = {}): Piece =>
  shoot({ name: 'stock', diameter: 10, bark: 1, foot: -20, top: 40, ...changes });
const area = (polygon: Place[]): number =>
  Math.abs(
    polygon.reduce((sum, [x, y], i) => {
      const [nx, ny] = polygon[(i + 1) % polygon.length]!;
      return sum + x * ny - nx * y;
    }, 0),
  ) / 2;

describe('a piece from the side', () => {
  it('is a rectangle of its diameter and length while uncut', () => {
    expect(area(sideOutline(stick()))).toBeCloseTo(10 * 60, 6);
    expect(cutEdges(stick({ goesOn: { foot: true, top: true } }))).toEqual([]);
  });
  it('loses a triangle to a sloping cut right through it', () => {
    const cut = cutOn(toppedAt(stick(), 30), 'front', [
      [0, 0],
      [30, 10],
    ]);
    expect(area(sideOutline(cut))).toBeCloseTo(10 * 20 + (10 * 30) / 2, 6);
    // One new edge, and it is as long as the slope.
    const edges = cutEdges({ ...cut, goesOn: { foot: true, top: false } }).filter(([from, to]) => from[1] !== to[1]);
    expect(edges).toHaveLength(1);
    expect(Math.hypot(edges[0]![0][0] - edges[0]![1][0], edges[0]![0][1] - edges[0]![1][1])).toBeCloseTo(
      Math.hypot(10, 30),
      6,
    );
  });
  it('loses the same whether it is cut from the front or the back', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 9, noNaN: true }),
        fc.double({ min: -15, max: 5, noNaN: true }),
        (depth, from) => {
          const corners = [
            [from, 0],
            [from + 10, depth],
            [from + 20, 0],
          ] as const;
          const [front, back] = [
            area(sideOutline(cutOn(stick(), 'front', [...corners]))),
            area(sideOutline(cutOn(stick(), 'back', [...corners]))),
          ];
          expect(front).toBeCloseTo(back, 6);
          expect(front).toBeCloseTo(600 - 10 * depth, 6);
        },
      ),
    );
  });
  it('has wood within its bark, never more', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.2, max: 4.8, noNaN: true }), (radius) => {
        const layer = withinRadius(sideOutline(stick()), radius);
        expect(area(layer)).toBeCloseTo(2 * radius * 60, 4);
        for (const [x] of layer) expect(Math.abs(x)).toBeLessThanOrEqual(radius + 1e-9);
      }),
    );
  });
});

describe('a piece from the front', () => {
  it('shows no face while its front is whole, and one where it is cut', () => {
    expect(frontOutline(stick()).faces).toEqual([]);
    const sliced = cutOn(stick(), 'front', [
      [0, 0],
      [10, 3],
      [20, 0],
    ]);
    const { faces } = frontOutline(sliced);
    expect(faces).toHaveLength(1);
    // Widest in the middle: chords of 3 mm depth on the bark and on the green line.
    expect(Math.max(...faces[0]!.outline.map(([x]) => x))).toBeCloseTo(Math.sqrt(25 - 4), 3);
    expect(Math.max(...faces[0]!.green.map(([x]) => x))).toBeCloseTo(Math.sqrt(16 - 4), 3);
    expect(frontOutline(sliced, 'back').faces).toEqual([]);
  });
  it('grows narrow where a cut passes its middle', () => {
    const cut = cutOn(toppedAt(stick(), 30), 'front', [
      [0, 0],
      [30, 10],
    ]);
    const widths = frontOutline(cut)
      .silhouette.filter(([, y]) => y > 25)
      .map(([x]) => Math.abs(x));
    expect(Math.max(...widths)).toBeLessThan(5);
  });
  it('tapers to a wedge cut on both sides', () => {
    const wedge = cutOn(
      cutOn(footedAt(stick(), -20), 'left', [
        [-20, 4.6],
        [0, 0],
      ]),
      'right',
      [
        [-20, 4.6],
        [0, 0],
      ],
    );
    const foot = frontOutline(wedge)
      .silhouette.filter(([, y]) => Math.abs(y + 20) < 1e-6)
      .map(([x]) => x);
    expect(Math.max(...foot) - Math.min(...foot)).toBeCloseTo(0.8, 6);
  });
});

describe('cuts', () => {
  it('are as deep as their corners say, and nothing beyond their ends', () => {
    const corners = [
      [0, 0],
      [10, 4],
      [20, 0],
    ] as const;
    expect(depthAt([...corners], 5)).toBeCloseTo(2, 9);
    expect(depthAt([...corners], 21)).toBe(0);
    expect(depthAt([], 5)).toBe(0);
    // An upright step counts with its deeper end.
    expect(
      depthAt(
        [
          [0, 0],
          [0, 3],
          [5, 3],
        ],
        0,
      ),
    ).toBe(3);
  });
  it('leave chords that grow with depth up to the middle', () => {
    expect(chord(5, 5, 5)).toBe(5);
    expect(chord(5, 4, 0.5)).toBe(0);
    fc.assert(
      fc.property(fc.double({ min: 0, max: 4.9, noNaN: true }), (depth) => {
        expect(chord(5, 5, depth + 0.1)).toBeGreaterThanOrEqual(chord(5, 5, depth));
      }),
    );
  });
  it('take buds with them when a shoot is cut off', () => {
    const budded = stick({
      buds: [
        { y: 30, side: 'front' },
        { y: -10, side: 'back' },
      ],
    });
    expect(toppedAt(budded, 20).buds).toEqual([{ y: -10, side: 'back' }]);
    expect(footedAt(budded, 0).buds).toEqual([{ y: 30, side: 'front' }]);
  });
});

describe('piecesView', () => {
  const pair: Workpieces = { stock: stick(), scion: stick({ name: 'scion', diameter: 8 }), joined: false, covers: [] };
  const paths = (list: ReturnType<typeof piecesView>, role: string): Path[] =>
    list.items.filter((item): item is Path => item.kind === 'path' && item.role === role);
  const span = (path: Path): number =>
    Math.max(...path.points.map(([x]) => x)) - Math.min(...path.points.map(([x]) => x));
  it('draws both pieces at their diameters, bark as thick as it is', () => {
    const view = piecesView(pair, { view: 'side', unit: 'mm' });
    expect(paths(view, 'bark').map(span)).toEqual([expect.closeTo(10, 6), expect.closeTo(8, 6)]);
    expect(span(paths(view, 'bark')[0]!) - span(paths(view, 'wood')[0]!)).toBeCloseTo(2, 6);
    expect(paths(view, 'green')).toHaveLength(4);
  });
  it('draws the knife only where a step cut, once a pull', () => {
    const cut = {
      ...pair,
      stock: cutOn(pair.stock, 'front', [
        [0, 0],
        [10, 3],
        [20, 0],
      ]),
    };
    const knives = paths(piecesView(cut, { view: 'side', unit: 'mm', before: pair, pull: 'down' }), 'knife').filter(
      ({ fill }) => !fill,
    );
    expect(knives).toHaveLength(1);
    // Downwards on paper is a larger y.
    expect(knives[0]!.points.at(-1)![1]).toBeGreaterThan(knives[0]!.points[0]![1]);
    expect(paths(piecesView(cut, { view: 'side', unit: 'mm', before: cut, pull: 'down' }), 'knife')).toEqual([]);
    expect(paths(piecesView(cut, { view: 'side', unit: 'mm', before: pair }), 'knife')).toEqual([]);
  });
  it('shows lines and slits from the front, kerfs from the side', () => {
    const marked = {
      ...pair,
      stock: withKerf(
        scored(pair.stock, [
          [0, 0],
          [0, -10],
        ]),
        'front',
        [0, 0],
        [-3, 3],
      ),
    };
    expect(
      paths(piecesView(marked, { view: 'front', unit: 'mm' }), 'knife-cut').some(
        ({ points }) => Math.abs(points[0]![1] - points[1]![1]) > 9,
      ),
    ).toBe(true);
    expect(
      paths(piecesView(marked, { view: 'side', unit: 'mm' }), 'knife-cut').some(
        ({ points }) =>
          points.length === 2 &&
          Math.abs(Math.hypot(points[0]![0] - points[1]![0], points[0]![1] - points[1]![1]) - Math.hypot(3, 3)) < 1e-6,
      ),
    ).toBe(true);
  });
  it('names what is put on, no two names on one line', () => {
    const wrapped = covered(
      { ...pair, joined: true },
      { kind: 'tape', on: 'stock', from: -5, to: 10 },
      { kind: 'foil', on: 'stock', from: -5, to: 10 },
      { kind: 'film', on: 'scion', from: 10, to: 30 },
    );
    const labels = piecesView(wrapped, { view: 'side', unit: 'mm' }).items.flatMap((item) =>
      item.kind === 'label' && ['tape', 'foil', 'film'].includes(item.text) ? [item] : [],
    );
    expect(labels.map(({ text }) => text).sort()).toEqual(['film', 'foil', 'tape']);
    const ys = labels.map(({ at }) => at[1]).sort((a, b) => a - b);
    for (let i = 1; i < ys.length; i++) expect(ys[i]! - ys[i - 1]!).toBeGreaterThan(3);
  });
  it('lays a joined scion where its pose says', () => {
    const at = (w: number): number =>
      Math.min(
        ...paths(
          piecesView({ ...pair, joined: true, scion: posed(pair.scion, { w }) }, { view: 'front', unit: 'mm' }),
          'bark',
        )[1]!.points.map(([x]) => x),
      );
    expect(at(0) - at(-1)).toBeCloseTo(1, 6);
  });
});
