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
  return [method.shownWith, { stock: stock.from, scion: ratio ? stock.from * Math.max(low, ratio.to * 0.9) : stock.from }, { stock: stock.to, scion: ratio && ratio.from >= 0.7 ? stock.to * low : scionFor(stock.to) }];
}

/** Every place a dimension may start from: corners of the outlines, ends of knife lines. */
function corners(piece: Piece, view: 'side' | 'front'): Place[] {
  if (view === 'side') return sideOutline(piece);
  const { silhouette } = frontOutline(piece, 'front');
  const ends = Object.values(piece.cuts).flat().map(([y]): Place => [0, y]);
  return [...silhouette, ...piece.lines.flat(), ...ends];
}

const cases = [...METHODS, bridge].flatMap((method) => calipers(method).flatMap((wood) => [{}, ...method.schools.flatMap(({ id, options }) => options.slice(1).map((option) => ({ [id]: option.id })))].map((choices) => [
  `${method.id} ${wood.stock} on ${wood.scion.toFixed(1)} ${JSON.stringify(choices)}`, method, wood, choices as Record<string, string>,
] as const)));

describe.each(cases)('%s', (_name, method, wood, choices) => {
  const { start, steps } = method.technique(choices, woodOf(wood));
  const pieces = piecesAfter(start, steps);

  it('changes the pieces at each step, or is marked as no cut', () => {
    steps.forEach((step, i) => {
      const [before, after] = [JSON.stringify(pieces[i]), JSON.stringify(pieces[i + 1])];
      if (step.noCut) expect(after, step.id).toBe(before);
      else expect(after, step.id).not.toBe(before);
      if (step.spoil) expect(JSON.stringify(step.spoil(pieces[i]!)), `${step.id} gone wrong`).not.toBe(after);
    });
    expect(steps.filter(({ joins }) => joins)).toHaveLength(1);
    expect(pieces.at(-1)!.joined).toBe(true);
    expect(new Set(steps.map(({ id }) => id)).size).toBe(steps.length);
  });

  it('draws lengths as long as its figures say, from corner to corner', () => {
    steps.forEach((step, i) => {
      for (const { name, mm, drawn } of step.figures) {
        expect(mm, `${step.id}: ${name}`).toBeGreaterThan(0);
        if (!drawn) continue;
        const { from, to, piece, view } = drawn;
        expect(Math.abs(Math.hypot(from[0] - to[0], from[1] - to[1]) - mm), `${step.id}: ${name}`).toBeLessThan(0.1);
        const known = corners(pieces[i + 1]![piece], view);
        for (const end of [from, to]) expect(known.some(([x, y]) => Math.hypot(x - end[0], y - end[1]) < 0.1), `${step.id}: ${name} at ${end.map((n) => n.toFixed(2)).join(', ')}`).toBe(true);
      }
    });
  });

  it('draws every step, right and wrong, within its paper', () => {
    steps.forEach((step, i) => {
      const views = [pieces[i + 1]!, ...(step.spoil ? [step.spoil(pieces[i]!)] : [])];
      for (const after of views) {
        for (const view of ['side', 'front'] as const) {
          const drawing = piecesView(after, { view, unit: 'mm', before: pieces[i], figures: step.figures, pull: step.pull });
          for (const item of drawing.items) {
            const points = item.kind === 'path' ? item.points : [item.at];
            for (const [x, y] of points) {
              expect(Number.isFinite(x) && Number.isFinite(y), `${step.id} ${view}`).toBe(true);
              expect(x > -1 && x < drawing.width + 1 && y > -1 && y < drawing.height + 1, `${step.id} ${view}: ${x.toFixed(1)}, ${y.toFixed(1)} of ${drawing.width.toFixed(0)} x ${drawing.height.toFixed(0)}`).toBe(true);
            }
          }
        }
      }
    });
  });
});
