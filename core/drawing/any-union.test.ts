import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { METHODS } from '../methods/registry';
import { woodOf } from '../methods/shown-technique';
import { piecesAfter } from '../methods/step';
import { STOCK_RANGES } from '../methods/stock-ranges';
import { fittingWood } from '../teach/fitting-wood';
import { threeQuarterView } from './body/three-quarter-view';
import type { DisplayList } from './display-list';
import { piecesView } from './pieces-view';

/** Unions drawn flat of each method, and as bodies, which takes a hundred times as long. */
const FLAT = 2000;
const BODIES = 15;

const calipers = fc.record({
  stock: fc.double({ min: 1, max: 140, noNaN: true }),
  scion: fc.double({ min: 1, max: 40, noNaN: true }),
  length: fc.option(fc.double({ min: 2, max: 160, noNaN: true })),
  at: fc.nat(),
});

/** Whole: there is something on it, all of it on the sheet as far as numbers go. */
function expectWhole({ width, height, items }: DisplayList): void {
  expect(width > 0 && height > 0 && Number.isFinite(width) && Number.isFinite(height)).toBe(true);
  expect(items.filter(({ kind }) => kind === 'path').length).toBeGreaterThan(3);
  for (const item of items)
    for (const [x, y] of item.kind === 'path' ? item.points : [item.at])
      if (!Number.isFinite(x) || !Number.isFinite(y)) throw new Error(`${item.role} at ${x}, ${y}`);
}

describe.each(METHODS.map((method) => [method.id, method] as const))('any union of %s', (_id, method) => {
  const drawn = (runs: number, draw: (pieces: ReturnType<typeof piecesAfter>, i: number) => DisplayList[]): void =>
    fc.assert(
      fc.property(calipers, ({ stock, scion, length, at }) => {
        const { wood, problem } = fittingWood(method, { stock, scion }, 'mm', STOCK_RANGES);
        // What cannot be drawn is refused in words, and the usual pair is drawn.
        if (problem) expect(problem).toMatch(/\.$/);
        const asked = length === null ? wood : { ...wood, length };
        const { start, steps } = method.technique({}, problem ? woodOf(method.shownWith) : asked);
        for (const list of draw(piecesAfter(start, steps), at % steps.length)) expectWhole(list);
      }),
      { numRuns: runs },
    );
  it('is drawn flat at every step, or refused in words', () => {
    drawn(FLAT, (pieces, i) =>
      (['side', 'front'] as const).map((view) => piecesView(pieces[i + 1]!, { view, unit: 'mm', before: pieces[i]! })),
    );
  });
  it('is drawn as one sees it, or refused in words', () => {
    drawn(BODIES, (pieces, i) => [threeQuarterView(pieces[i + 1]!, { unit: 'in', before: pieces[i]!, pull: 'up' })]);
  });
});
