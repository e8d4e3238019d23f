import { describe, expect, it } from 'vitest';
import { exampleMeasures } from '../../methods/example-measures';
import { methodById } from '../../methods/registry';
import { defaultRule, judgeUnion, type Marks } from '../rubric/judge-union';
import { commonestFault } from './commonest-fault';

const whip = methodById('whip-and-tongue');
const grades = (marks: Marks) => judgeUnion(whip, defaultRule(whip), exampleMeasures(whip), marks, 'joined').grades;

describe('commonestFault', () => {
  it('is the point most often wanting, with the latest union that has it', () => {
    expect(
      commonestFault([grades({ hold: 'poor' }), grades({ hold: 'poor', tongue: 'poor' }), grades({})]),
    ).toMatchObject({ point: { id: 'hold' }, times: 2, outOf: 3, at: 1 });
  });
  it('counts a fatal fault double, and says nothing of what happened once', () => {
    expect(
      commonestFault([
        grades({ hold: 'poor' }),
        grades({ hold: 'poor', tongue: 'fatal' }),
        grades({ tongue: 'fatal' }),
      ])!.point.id,
    ).toBe('tongue');
    expect(commonestFault([grades({ hold: 'fatal' }), grades({})])).toBeNull();
    expect(commonestFault([])).toBeNull();
  });
  it('looks at the latest twenty only', () => {
    const old = Array.from({ length: 10 }, () => grades({ hold: 'poor' }));
    const now = Array.from({ length: 20 }, (_, i) => grades(i < 2 ? { clean: 'poor' } : {}));
    expect(commonestFault([...old, ...now])).toMatchObject({ point: { id: 'clean' }, outOf: 20, at: 11 });
  });
});
