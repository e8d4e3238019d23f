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

/** What is wrong with a drawing: nothing on it, or something that lies nowhere; null when it is whole. */
function flawOf({ width, height, items }: DisplayList): string | null {
  if (!(width > 0 && height > 0 && Number.isFinite(width) && Number.isFinite(height))) return `${width} by ${height}`;
  if (items.filter(({ kind }) => kind === 'path').length <= 3) return 'hardly anything on it';
  for (const item of items)
    for (const [x, y] of item.kind === 'path' ? item.points : [item.at])
      if (!Number.isFinite(x) || !Number.isFinite(y)) return `${item.role} at ${x}, ${y}`;
  return null;
}

describe.each(METHODS.map((method) => [method.id, method] as const))('any union of %s', (_id, method) => {
  const drawn = (runs: number, draw: (pieces: ReturnType<typeof piecesAfter>, i: number) => DisplayList[]): void =>
    fc.assert(
      fc.property(calipers, ({ stock, scion, length, at }) => {
        const { wood, problem } = fittingWood(method, { stock, scion }, 'mm', STOCK_RANGES);
        // What cannot be drawn is refused in words, and the usual pair is drawn.
        const asked = length === null ? wood : { ...wood, length };
        const { start, steps } = method.technique({}, problem ? woodOf(method.shownWith) : asked);
        const flaws = draw(piecesAfter(start, steps), at % steps.length).map(flawOf);
        // One expectation a draw: a hundred thousand of them take longer than the drawings.
        expect([...flaws, problem?.endsWith('.') === false ? problem : null].filter(Boolean)).toEqual([]);
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
