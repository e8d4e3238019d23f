import { describe, expect, it } from 'vitest';
import { whipAndTongue } from '../../methods/whip-and-tongue/method';
import { bestCorrections } from './best-corrections';
import { defaultRule, judgeUnion } from './judge-union';
import { exampleMeasures } from '../../methods/example-measures';
import { written } from '../../units/prose';

const rule = defaultRule(whipAndTongue);
const best = (changes: Parameters<typeof exampleMeasures>[1], marks = {}) =>
  bestCorrections(whipAndTongue, rule, exampleMeasures(whipAndTongue, changes), marks, 'joined');

describe('bestCorrections', () => {
  it('has nothing to say about a clean union', () => {
    expect(best({})).toEqual([]);
  });
  it('moves a centred thin scion to the side where the lines meet', () => {
    // Case 2 of the reference set is centred and fatal; case 3, 1.3 mm aside, matches one side.
    const [first] = best({ scionDiameter: 7, scionBark: 0.8, placement: 'middle' });
    expect(first!.point).toBe('cambium');
    expect(first!.mendsFatal).toBe(true);
    expect(first!.contact).toBeGreaterThanOrEqual(0.525);
    expect(written(first!.say, 'mm')).toMatch(/^Move the scion (0\.[89]|1(\.\d)?) mm to the (left|right)/);
  });
  it('puts the fatal fault first even when another would gain more points', () => {
    const [first, second] = best({ scionHollow: 0.3 }, { hold: 'fatal' });
    expect(first!.point).toBe('hold');
    expect(second!.point).toBe('flatness');
    expect(written(second!.say, 'mm')).toContain('0.3 mm hollow');
  });
  it('names both faces when only both together stand open', () => {
    const measures = exampleMeasures(whipAndTongue, { stockHollow: 0.4, scionHollow: 0.4 });
    const judged = judgeUnion(whipAndTongue, rule, measures, {}, 'joined');
    expect(judged.assessment.grades.flatness).toBe('fatal');
    expect(judged.assessment.contactGrade.cause).toEqual({ code: 'faces-hollow' });
  });
  it('asks for one length when the cuts differ', () => {
    const said = best({ stockLength: 30, scionLength: 38 }).map((correction) => written(correction.say, 'mm'));
    expect(said.some((text) => text.includes('8 mm shorter'))).toBe(true);
  });
  it('computes the gain it promises', () => {
    const measures = exampleMeasures(whipAndTongue, { stockLength: 30, scionLength: 38, scionHollow: 0.2 });
    for (const correction of bestCorrections(whipAndTongue, rule, measures, {}, 'joined')) {
      const again = judgeUnion(whipAndTongue, rule, correction.measures!, {}, 'joined');
      expect(again.score).toBe(correction.score);
    }
  });
});
