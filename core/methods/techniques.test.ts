import { describe, expect, it } from 'vitest';
import { piecesView } from '../drawing/pieces-view';
import { frontOutline, type Place, sideOutline } from '../drawing/piece-outline';
import type { Piece } from '../drawing/workpieces';
import type { Method } from './method';
import { METHODS } from './registry';
import { woodOf } from './shown-technique';
import { piecesAfter } from './step';
import { bridge } from './testing/bridge';

/** Calipers within the method's limits: the usual ones, and both ends of what it is done on. */
function calipers(method: Method): { stock: number; scion: number }[] {
  const { stock, ratio } = method.use;
  const low = ratio ? (ratio.from + ratio.to) / 2 : 1;
  const scionFor = (diameter: number): number => Math.max(4, Math.min(12, diameter * low));
  return [
    method.shownWith,
    { stock: stock.from, scion: ratio ? stock.from * Math.max(low, ratio.to * 0.9) : stock.from },
    { stock: stock.to, scion: ratio && ratio.from >= 0.7 ? stock.to * low : scionFor(stock.to) },
  ];
}

/** Every place a dimension may start from: corners of the outlines, ends of knife lines. */
function corners(piece: Piece, view: 'side' | 'front'): Place[] {
  if (view === 'side') return sideOutline(piece);
  const { silhouette } = frontOutline(piece, 'front');
  const ends = Object.values(piece.cuts)
    .flat()
    .map(([y]): Place => [0, y]);
  return [...silhouette, ...piece.lines.flat(), ...ends];
}

const cases = [...METHODS, bridge].flatMap((method) =>
  calipers(method).flatMap((wood) =>
    [{}, ...method.schools.flatMap(({ id, options }) => options.slice(1).map((option) => ({ [id]: option.id })))].map(
      (choices) =>
        [
          `${method.id} ${wood.stock} on ${wood.scion.toFixed(1)} ${JSON.stringify(choices)}`,
          method,
          wood,
          choices as Record<string, string>,
        ] as const,
    ),
  ),
);

/** What is wrong, each as a sentence. One expectation over a list is a thousand times quicker than one for every point. */
type Faults = string[];

describe.each(cases)('%s', (_name, method, wood, choices) => {
  const { start, steps } = method.technique(choices, woodOf(wood));
  const pieces = piecesAfter(start, steps);

  it('changes the pieces at each step, or is marked as no cut', () => {
    const faults: Faults = [];
    steps.forEach((step, i) => {
      const [before, after] = [JSON.stringify(pieces[i]), JSON.stringify(pieces[i + 1])];
      if ((before === after) !== Boolean(step.noCut))
        faults.push(`${step.id} ${step.noCut ? 'is marked as no cut and changes the pieces' : 'changes nothing'}`);
      if (step.spoil && JSON.stringify(step.spoil(pieces[i]!)) === after)
        faults.push(`${step.id} gone wrong looks as if done right`);
    });
    expect(faults).toEqual([]);
    expect(steps.filter(({ joins }) => joins)).toHaveLength(1);
    expect(pieces.at(-1)!.joined).toBe(true);
    expect(new Set(steps.map(({ id }) => id)).size).toBe(steps.length);
  });

  it('shows what hand and eye do where nothing is cut', () => {
    for (const step of steps)
      if (step.noCut) expect(step.signs?.length ?? 0, `${step.id} has no sign`).toBeGreaterThan(0);
  });

  it('draws lengths as long as its figures say, from corner to corner', () => {
    const faults: Faults = [];
    steps.forEach((step, i) => {
      for (const { name, mm, dimension } of step.figures) {
        if (!(mm > 0)) faults.push(`${step.id}: ${name} is ${mm}`);
        if (!dimension) continue;
        const { from, to, piece, view } = dimension;
        const long = Math.hypot(from[0] - to[0], from[1] - to[1]);
        if (!(Math.abs(long - mm) < 0.1)) faults.push(`${step.id}: ${name} is ${mm} and dimension ${long}`);
        const known = corners(pieces[i + 1]![piece], view);
        for (const [across, up] of [from, to]) {
          if (!known.some(([x, y]) => Math.hypot(x - across, y - up) < 0.1))
            faults.push(`${step.id}: ${name} ends at no corner, at ${across}, ${up}`);
        }
      }
    });
    expect(faults).toEqual([]);
  });

  it('draws every step, right and wrong, within its paper', () => {
    const faults: Faults = [];
    steps.forEach((step, i) => {
      const views = [pieces[i + 1]!, ...(step.spoil ? [step.spoil(pieces[i]!)] : [])];
      for (const after of views) {
        for (const view of ['side', 'front'] as const) {
          const { width, height, items } = piecesView(after, {
            view,
            unit: 'mm',
            before: pieces[i],
            figures: step.figures,
            pull: step.pull,
          });
          const points = items.flatMap((item) => (item.kind === 'path' ? item.points : [item.at]));
          const outside = points.find(([x, y]) => !(x > -1 && x < width + 1 && y > -1 && y < height + 1));
          if (points.length === 0 || outside)
            faults.push(`${step.id} ${view}: ${String(outside)} of ${width} x ${height}`);
        }
      }
    });
    expect(faults).toEqual([]);
  });
});
