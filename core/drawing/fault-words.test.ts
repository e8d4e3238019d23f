import { describe, expect, it } from 'vitest';
import { METHODS } from '@/core/methods/registry';
import { woodOf } from '@/core/methods/shown-technique';
import { piecesAfter } from '@/core/methods/step';
import { exaggeration } from './daylight';
import { faultWords } from './fault-words';
import { piecesView } from './pieces-view';
import { covered, cutOn, posed, shoot, turnedOver, type Workpieces } from './workpieces';

const stick = (name: string) =>
  shoot({ name, diameter: 10, bark: 1, foot: 0, top: 60, buds: [{ y: 40, side: 'front' }] });
const flat: Workpieces = {
  stock: cutOn(stick('stock'), 'front', [
    [20, 0],
    [30, 3],
    [60, 3],
  ]),
  scion: stick('scion'),
  joined: false,
  covers: [],
};
const words = (wrong: Workpieces, right: Workpieces, unit: 'mm' | 'in' = 'mm'): string[] =>
  faultWords(wrong, right, unit).map(({ lines }) => lines.join(' '));

describe('what is wrong with pieces, in figures', () => {
  it('is nothing where they are alike', () => {
    expect(faultWords(flat, flat, 'mm')).toEqual([]);
  });
  it('names the daylight of a cut that is too deep, in the reader’s unit', () => {
    const deep: Workpieces = {
      ...flat,
      stock: cutOn(flat.stock, 'front', [
        [20, 0],
        [30, 4.5],
        [60, 4.5],
      ]),
    };
    expect(words(deep, flat)).toEqual(['daylight 1.5 mm']);
    expect(words(deep, flat, 'in')[0]).toMatch(/daylight .*in/);
  });
  it('says by how much a hair of daylight is drawn deeper than it is', () => {
    const hollow: Workpieces = {
      ...flat,
      stock: cutOn(flat.stock, 'front', [
        [20, 0],
        [30, 3],
        [45, 3.4],
        [60, 3],
      ]),
    };
    expect(exaggeration(0.4)).toBe(3);
    expect(exaggeration(1)).toBe(1);
    expect(words(hollow, flat)).toEqual(['daylight 0.4 mm, drawn 3 times as deep']);
    const depth = (wrong: Workpieces): number => {
      const area = piecesView(wrong, { view: 'side', unit: 'mm', right: flat }).items.find(
        (item) => item.role === 'daylight',
      );
      const xs = area?.kind === 'path' ? area.points.map(([x]) => x) : [];
      return Math.max(...xs) - Math.min(...xs);
    };
    expect(depth(hollow)).toBeGreaterThan(1.1);
  });
  it('names what lies off its place, leans, is upside down, or lacks its label', () => {
    const joined: Workpieces = { ...flat, joined: true };
    const set = (pose: Parameters<typeof posed>[1]): Workpieces => ({ ...joined, scion: posed(flat.scion, pose) });
    expect(words(set({ u: 3, y: 4 }), joined)).toEqual(['5 mm off its place']);
    expect(words(set({ lean: 12 }), joined)).toEqual(['leans 12°']);
    expect(words({ ...flat, scion: turnedOver(flat.scion) }, flat)).toEqual(['upside down']);
    expect(words(flat, covered(flat, { kind: 'tag', on: 'stock', from: 2, to: 5 }))).toEqual(['no label']);
    expect(words(flat, covered(flat, { kind: 'film', on: 'scion', from: 0, to: 30 }))).toEqual(['30 mm left bare']);
  });
});

describe.each(METHODS.map((method) => [method.id, method] as const))('wrong drawings of %s', (_id, method) => {
  it('each say in figures what is wrong, or show another cut', () => {
    const { start, steps } = method.technique({}, woodOf(method.shownWith));
    const after = piecesAfter(start, steps);
    steps.forEach(({ id, spoil }, i) => {
      if (!spoil) return;
      const [wrong, right] = [spoil(after[i]!), after[i + 1]!];
      const told = faultWords(wrong, right, 'mm').length > 0;
      const strokes = ({ stock, scion }: Workpieces): string =>
        JSON.stringify([stock, scion].map((p) => [p.kerfs, p.lines, p.lips, p.cuts, p.flaps]));
      expect(told || strokes(wrong) !== strokes(right), id).toBe(true);
    });
  });
});
