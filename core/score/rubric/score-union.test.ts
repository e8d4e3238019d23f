import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { pointsOf } from '../../methods/shown-technique';
import { whipAndTongue } from '../../methods/whip-and-tongue/method';
import { scoreUnion, type GradedPoint } from './score-union';
import type { PointGrade } from '../../contact/grade';

const rubric = (marks: Record<string, PointGrade> = {}): GradedPoint[] =>
  pointsOf(whipAndTongue)
    .filter((point) => point.stage === 'joined')
    .map(({ id, weight }) => ({ id, weight, grade: marks[id] ?? 'good' }));

describe('scoreUnion', () => {
  it('follows the worked example: joined whip, one side only, hairline light', () => {
    // Weights asked at this stage: 100 - bind 8 - seal 4 - label 2 = 86.
    // Lost: cambium 15, flatness 6. 100 * 65 / 86 = 75.58.
    expect(scoreUnion(rubric({ cambium: 'poor', flatness: 'poor' })).score).toBeCloseTo(75.581, 3);
  });
  it('caps at 40 when a point is fatal, but never raises a lower total', () => {
    const oneFatal = scoreUnion(rubric({ cambium: 'fatal' }));
    expect(oneFatal.score).toBe(40);
    expect(oneFatal.uncapped).toBeCloseTo((100 * 56) / 86, 6);
    const wrecked = rubric().map((point) => ({ ...point, grade: 'fatal' as const }));
    expect(scoreUnion(wrecked).score).toBe(0);
  });
  it('lets a recut cost the strokes without capping', () => {
    expect(scoreUnion(rubric({ strokes: 'recut' })).score).toBeCloseTo((100 * 82) / 86, 6);
  });
  it('leaves points nobody looked at out of both sums', () => {
    expect(scoreUnion(rubric({ cambium: 'not-looked-at', hold: 'poor' })).score).toBeCloseTo((100 * (56 - 4)) / 56, 6);
    expect(scoreUnion([{ id: 'a', weight: 10, grade: 'not-looked-at' }]).score).toBeNull();
  });
  it('refuses weights that cannot be', () => {
    expect(() => scoreUnion([{ id: 'a', weight: -1, grade: 'good' }])).toThrow(RangeError);
    expect(() => scoreUnion([{ id: 'a', weight: Number.NaN, grade: 'good' }])).toThrow(/weight of "a"/);
  });
  it('stays within 0 and 100 and does not fall when a point gets better', () => {
    const grade = fc.constantFrom<PointGrade>('good', 'poor', 'recut', 'fatal');
    const points = fc.array(
      fc.record({ id: fc.string(), weight: fc.double({ min: 0.1, max: 100, noNaN: true }), grade }),
      { minLength: 1 },
    );
    fc.assert(
      fc.property(points, fc.nat(), (list, pick) => {
        const before = scoreUnion(list).score!;
        const better = list.map((point, i) =>
          i === pick % list.length ? { ...point, grade: 'good' as const } : point,
        );
        expect(before).toBeGreaterThanOrEqual(0);
        expect(before).toBeLessThanOrEqual(100);
        expect(scoreUnion(better).score!).toBeGreaterThanOrEqual(before - 1e-9);
      }),
    );
  });
});
