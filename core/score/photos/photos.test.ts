import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { angleAt, hollowDepth, lengthBetween } from './photo-measures';
import { millimetresPerPixel, type PhotoPoint } from './photo-scale';

const at = (x: number, y: number): PhotoPoint => ({ x, y });
const onCircle = (degrees: number, radius = 120): PhotoPoint =>
  at(300 + radius * Math.cos((degrees * Math.PI) / 180), 200 + radius * Math.sin((degrees * Math.PI) / 180));

describe('the scale of a picture', () => {
  it('comes from a stretch of a ruler, or from three marks on the rim of a coin', () => {
    expect(millimetresPerPixel({ kind: 'ruler', points: [at(10, 10), at(310, 410)], size: 50 })).toBeCloseTo(0.1, 12);
    // A coin of 24 mm whose radius is 120 pixels: 0.1 mm a pixel, wherever the marks lie.
    expect(
      millimetresPerPixel({ kind: 'coin', points: [onCircle(0), onCircle(100), onCircle(215)], size: 24 }),
    ).toBeCloseTo(0.1, 12);
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 359 }),
        fc.integer({ min: 60, max: 150 }),
        fc.integer({ min: 60, max: 140 }),
        (start, first, second) => {
          expect(
            millimetresPerPixel({
              kind: 'coin',
              points: [onCircle(start), onCircle(start + first), onCircle(start + first + second)],
              size: 24,
            }),
          ).toBeCloseTo(0.1, 9);
        },
      ),
    );
  });
  it('refuses what cannot be measured by, in words', () => {
    expect(() => millimetresPerPixel({ kind: 'ruler', points: [at(0, 0), at(3, 0)], size: 50 })).toThrow(
      /too close together/,
    );
    expect(() => millimetresPerPixel({ kind: 'ruler', points: [at(0, 0), at(300, 0)], size: 0 })).toThrow(
      /more than 0/,
    );
    expect(() => millimetresPerPixel({ kind: 'ruler', points: [at(0, 0)], size: 5 })).toThrow(/two marks/);
    expect(() => millimetresPerPixel({ kind: 'coin', points: [at(0, 0), at(100, 1), at(200, 0)], size: 24 })).toThrow(
      /nearly on a line/,
    );
  });
});

describe('measures on a picture', () => {
  it('gives a length, an angle and a hollow', () => {
    expect(lengthBetween(at(0, 0), at(30, 40), 0.2)).toBeCloseTo(10, 12);
    expect(angleAt(at(0, 0), at(10, 0), at(0, -5))).toBeCloseTo(90, 10);
    expect(angleAt(at(0, 0), at(10, 0), at(-10, 0))).toBeCloseTo(180, 10);
    // The arc of a circle of radius 500 over a chord of 200: sagitta 500 - sqrt(500² - 100²) = 10.102.
    expect(hollowDepth(at(-100, 0), at(100, 0), at(0, 500 - Math.sqrt(500 ** 2 - 100 ** 2)), 0.1)).toBeCloseTo(
      1.0102,
      4,
    );
  });
  it('does not mind how the picture is turned', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 6.28, noNaN: true }), (turn) => {
        const turned = ({ x, y }: PhotoPoint): PhotoPoint =>
          at(x * Math.cos(turn) - y * Math.sin(turn), x * Math.sin(turn) + y * Math.cos(turn));
        const [a, b, deep] = [at(0, 0), at(200, 20), at(90, 25)];
        expect(hollowDepth(turned(a), turned(b), turned(deep), 0.1)).toBeCloseTo(hollowDepth(a, b, deep, 0.1), 9);
        expect(angleAt(turned(a), turned(b), turned(deep))).toBeCloseTo(angleAt(a, b, deep), 7);
      }),
    );
  });
  it('refuses marks on top of one another', () => {
    expect(() => angleAt(at(1, 1), at(1, 1), at(2, 2))).toThrow(/corner/);
    expect(() => hollowDepth(at(1, 1), at(1, 1), at(2, 2), 1)).toThrow(/apart/);
  });
});
