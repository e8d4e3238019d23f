import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { METHODS } from '../../methods/registry';
import { woodOf } from '../../methods/shown-technique';
import { layOut, OVERLAP } from './lay-out';
import { SHEETS } from '../../units/paper';
import { unrolledHeight, wrapGuide } from '../../methods/template';

describe('unrolledHeight', () => {
  it('rises 22.9 mm along the axis for a cut of 25 through a shoot of 10', () => {
    // sqrt(25² - 10²) = sqrt(525) = 22.913, worked by hand.
    expect(unrolledHeight(10, 25, Math.PI)).toBeCloseTo(22.913, 3);
    expect(unrolledHeight(10, 25, 0)).toBe(0);
    expect(unrolledHeight(10, 25, Math.PI / 2)).toBeCloseTo(11.456, 3);
  });
  it('is even about the middle and never leaves the cut', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 3, max: 60, noNaN: true }),
        fc.double({ min: 1.1, max: 8, noNaN: true }),
        fc.double({ min: 0, max: Math.PI, noNaN: true }),
        (diameter, ratio, theta) => {
          const at = (angle: number): number => unrolledHeight(diameter, diameter * ratio, angle);
          expect(at(theta)).toBeCloseTo(at(2 * Math.PI - theta), 6);
          expect(at(theta)).toBeLessThanOrEqual(at(Math.PI) + 1e-9);
        },
      ),
    );
  });
  it('refuses a cut that is no slope', () => {
    expect(() => unrolledHeight(10, 10, 1)).toThrow(RangeError);
  });
});

describe('the wrap-around guide', () => {
  it('is as long as the shoot is round, and its curve stays on its paper', () => {
    const guide = wrapGuide('Stock', 10, 35, 1 / 3);
    const curve = guide.strokes.find(({ kind }) => kind === 'cut')!.points;
    expect(curve.at(-1)![0] - curve[0]![0]).toBeCloseTo(Math.PI * 10, 6);
    for (const [x, y] of curve) expect(x >= 0 && x <= guide.width && y >= 0 && y <= guide.height).toBe(true);
  });
});

describe('layOut', () => {
  it.each(['A4', 'Letter'] as const)('keeps every method’s templates on %s, and says so when it tiles', (paper) => {
    const { width, height } = SHEETS[paper];
    for (const method of METHODS) {
      const templates = method.template!({}, woodOf(method.shownWith));
      expect(templates.length).toBeGreaterThan(0);
      const laid = layOut(templates, paper, 'mm');
      for (const piece of laid.sheets.flat()) {
        expect(piece.x + piece.width).toBeLessThanOrEqual(width - 11);
        expect(piece.y + piece.height).toBeLessThanOrEqual(height - 11);
      }
    }
  });
  it('tiles a guide for a limb of 70 mm, loses nothing of its curve, and explains it', () => {
    const guide = wrapGuide('Limb', 70, 160, null);
    const { sheets, messages } = layOut([guide], 'A4', 'mm');
    const tiles = sheets.flat();
    expect(tiles.length).toBeGreaterThan(1);
    expect(messages[0]).toMatch(/larger than A4 can hold .* overlap by 10 mm/);
    const span = (points: readonly (readonly [number, number])[]): number =>
      points.slice(1).reduce((sum, [x], i) => sum + Math.abs(x - points[i]![0]), 0);
    const whole = span(guide.strokes.find(({ kind }) => kind === 'cut')!.points);
    const drawn = tiles
      .flatMap(({ strokes }) => strokes.filter(({ kind }) => kind === 'cut'))
      .reduce((sum, { points }) => sum + span(points), 0);
    // Overlaps are drawn twice.
    expect(drawn).toBeGreaterThanOrEqual(whole - 1e-6);
    expect(drawn).toBeLessThanOrEqual(whole + OVERLAP * tiles.length);
  });
});
