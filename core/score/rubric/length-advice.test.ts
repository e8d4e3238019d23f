import { written } from '../../units/prose';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { exampleMeasures } from '../../methods/example-measures';
import { METHODS, methodById } from '../../methods/registry';
import { bestCorrections } from './best-corrections';
import { defaultRule, judgeUnion } from './judge-union';

/** Advice on the length of cuts for a union with both cuts so long. */
function advice(
  id: string,
  length: number,
  schools: Record<string, string> = {},
): { said: string | undefined; grade: string; then: number | undefined } {
  const method = methodById(id);
  const measures = exampleMeasures(method, { stockLength: length, scionLength: length });
  const rule = defaultRule(method, schools);
  const found = bestCorrections(method, rule, measures, {}, 'joined', 9).find(({ point }) => point === 'cut-length');
  const grade = judgeUnion(method, rule, measures, {}, 'joined').grades.find(
    ({ point }) => point.id === 'cut-length',
  )!.grade;
  return {
    said: found && written(found.say, 'mm'),
    grade,
    then: (found?.measures?.stockLength as { value: number } | undefined)?.value,
  };
}

describe('advice on the length of cuts', () => {
  it('leads a whip that is too long to what its school cuts', () => {
    expect(advice('whip-and-tongue', 80)).toMatchObject({
      grade: 'poor',
      said: 'Stand the blade steeper: make both cuts about 35 mm long.',
    });
    expect(advice('whip-and-tongue', 80, { 'whip-length': 'long' }).said).toContain('about 65 mm');
    expect(advice('whip-and-tongue', 80, { 'whip-length': 'short' }).said).toContain('about 25 mm');
  });
  it('leads one that is too short the other way', () => {
    expect(advice('splice', 19).said).toBe('Lay the blade flatter: make both cuts about 32 mm long.');
  });
  it.each(['side-veneer', 'chip'])('knows the range of %s', (id) => {
    for (const length of [60, 15]) {
      const { grade, said } = advice(id, length);
      expect(grade).toBe('poor');
      expect(said).toMatch(length > 30 ? /steeper/ : /flatter/);
    }
  });
  it('always makes a poor length good, and says nothing of a good one', () => {
    const cut = METHODS.filter(({ fields }) => fields.some(({ id }) => id === 'stockLength'));
    fc.assert(
      fc.property(
        fc.constantFrom(...cut.map(({ id }) => id)),
        fc.integer({ min: 21, max: 140 }),
        fc.constantFrom('ratio', 'short', 'long'),
        (id, length, school) => {
          const { grade, then } = advice(id, length, { 'whip-length': school });
          if (grade === 'good') expect(then).toBeUndefined();
          else if (then !== undefined) expect(advice(id, then, { 'whip-length': school }).grade).toBe('good');
        },
      ),
    );
  });
});
