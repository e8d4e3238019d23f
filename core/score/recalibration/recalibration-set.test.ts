import { describe, expect, it } from 'vitest';
import { METHODS, methodById } from '../../methods/registry';
import { defaultRule, judgeUnion } from '../rubric/judge-union';
import { differences, recalibrationSet, SET_SIZE } from './recalibration-set';

describe.each(METHODS.map(({ id }) => id))('the recalibration set of %s', (id) => {
  const method = methodById(id);
  const set = recalibrationSet(method, defaultRule(method), 3);
  it('is the same for the same seed, another for another, and full', () => {
    expect(set).toHaveLength(SET_SIZE);
    expect(recalibrationSet(method, defaultRule(method), 3)).toEqual(set);
    expect(recalibrationSet(method, defaultRule(method), 4)).not.toEqual(set);
  });
  it('holds good unions and faulty ones, graded as the rubric grades them, without saying the grade', () => {
    const all = Array.from({ length: 6 }, (_, seed) => recalibrationSet(method, defaultRule(method), seed)).flat();
    const grades = new Set(all.flatMap(({ truth }) => Object.values(truth)));
    expect([...grades]).toEqual(expect.arrayContaining(['good', 'poor', 'fatal']));
    for (const { measures, marks, truth, score, seen } of all) {
      const judged = judgeUnion(method, defaultRule(method), measures, marks, 'joined');
      expect(judged.score).toBe(score);
      expect(Object.fromEntries(judged.grades.map(({ point, grade }) => [point.id, grade]))).toEqual(truth);
      expect(seen.map(({ words }) => words).join()).not.toMatch(/\b(poor|fatal)\b/);
    }
  });
});

describe('differences', () => {
  it('names the points graded otherwise; what was not marked counts as good', () => {
    const truth = { hold: 'poor', tongue: 'good', cambium: 'fatal' } as const;
    expect(differences({ truth }, { cambium: 'fatal', tongue: 'poor' })).toEqual([
      { point: 'hold', truth: 'poor', marked: 'good' },
      { point: 'tongue', truth: 'good', marked: 'poor' },
    ]);
    expect(differences({ truth }, { hold: 'poor', cambium: 'fatal' })).toEqual([]);
  });
});
