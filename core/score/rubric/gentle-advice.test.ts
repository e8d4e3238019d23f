import { describe, expect, it } from 'vitest';
import { exampleMeasures } from '@/core/methods/example-measures';
import { methodById } from '@/core/methods/registry';
import { written } from '@/core/units/prose';
import { bestCorrections } from './best-corrections';
import { defaultRule, judgeUnion } from './judge-union';

const whip = methodById('whip-and-tongue');
const rule = defaultRule(whip);

/** Whips set in the middle on unlike wood, with everything else as it should be or a little off. */
const pairs = [8, 9, 10, 11, 12, 14].flatMap((stock) =>
  [0.6, 0.7, 0.8, 0.9].flatMap((share) =>
    [30, 35, 40].map((length) => ({
      stockDiameter: stock,
      scionDiameter: Math.round(stock * share * 10) / 10,
      stockLength: length,
      scionLength: length - 2,
      placement: 0,
    })),
  ),
);

describe('advice for a scion that only lies wrong', () => {
  it('is to push it, never to cut it again, and to one of the sides where the lines meet', () => {
    let pushed = 0;
    for (const figures of pairs) {
      const measures = exampleMeasures(whip, figures);
      const grade = (changed: typeof measures) =>
        judgeUnion(whip, rule, changed, {}, 'joined').grades.find(({ point }) => point.id === 'cambium')!.grade;
      if (grade(measures) === 'good') continue;
      const offsets = whip
        .corrections(
          measures,
          judgeUnion(whip, rule, measures, {}, 'joined').figures,
          judgeUnion(whip, rule, measures, {}, 'joined').assessment,
          {},
        )
        .filter(({ moves }) => moves);
      const saving = offsets.filter(({ measures: moved }) => grade(moved!) === 'good');
      if (saving.length === 0) continue;
      pushed++;
      const [first] = bestCorrections(whip, rule, measures, {}, 'joined');
      expect(first!.moves, JSON.stringify(figures)).toBe(true);
      expect(written(first!.say, 'mm')).toMatch(/^Move the scion/);
    }
    expect(pushed).toBeGreaterThan(5);
  });
  it('tries lines met on the left and on the right, the shorter way first', () => {
    const measures = exampleMeasures(whip, { stockDiameter: 12, scionDiameter: 8, placement: 0.3 });
    const now = judgeUnion(whip, rule, measures, {}, 'joined');
    const ways = whip.corrections(measures, now.figures, now.assessment, {}).flatMap(({ ghost }) => ghost ?? []);
    expect(ways.some((offset) => offset > 0) && ways.some((offset) => offset < 0)).toBe(true);
    const far = ways.map((offset) => Math.abs(offset - 0.3));
    expect(far).toEqual([...far].sort((a, b) => a - b));
  });
});
