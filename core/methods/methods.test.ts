import { describe, expect, it } from 'vitest';
import { thisWeek } from '../aftercare/this-week';
import { ANSWERS, MILESTONES } from '../findings/milestones';
import { RIBBONS, ribbonById } from '../lots/ribbons';
import { exampleMeasures } from '../scoring/example-measures';
import { defaultRule, judgeUnion, pointsAt } from '../scoring/judge-union';
import { METHODS, methodById } from './registry';

describe.each(METHODS.map((method) => [method.id, method] as const))('%s', (_id, method) => {
  it('has weights that add up to 100, cambium 25 to 30 of them', () => {
    expect(method.points.reduce((sum, { weight }) => sum + weight, 0)).toBe(100);
    const cambium = method.points.find(({ id }) => id === 'cambium')!.weight;
    expect(cambium >= 25 && cambium <= 30).toBe(true);
  });
  it('has a letter of its own for each point, and none that the bench needs for itself', () => {
    const letters = method.points.map(({ letter }) => letter);
    expect(new Set(letters).size).toBe(letters.length);
    for (const taken of ['q', 'z']) expect(letters).not.toContain(taken);
  });
  it('is in the registry under its id', () => {
    expect(methodById(method.id)).toBe(method);
    expect(() => methodById('glue')).toThrow('"glue"');
  });
  it('judges a clean union as 100, and asks points of later stages later', () => {
    const judged = judgeUnion(method, defaultRule(method), exampleMeasures(), {}, 'joined');
    expect(judged.score).toBe(100);
    const asked = (stage: 'joined' | 'wrapped' | 'keeper') => pointsAt(method, stage).map(({ id }) => id);
    expect(asked('joined')).not.toContain('bind');
    expect(asked('wrapped')).toContain('bind');
    expect(asked('wrapped')).not.toContain('label');
    expect(asked('keeper')).toHaveLength(method.points.length);
  });
  it.each([
    ['both cuts of 35', {}, 'good'],
    ['a tenth apart', { scionLength: 31.5 }, 'good'],
    ['more than a tenth apart', { scionLength: 31.4 }, 'poor'],
    ['much shorter than the range', { stockLength: 20, scionLength: 20 }, 'poor'],
    ['about 25', { stockLength: 24, scionLength: 24 }, 'good'],
  ])('grades cut length: %s', (_name, figures, grade) => {
    expect(method.assess(exampleMeasures(figures)).grades['cut-length']).toBe(grade);
  });
  it.each([
    [0, 0, 'good'], [0.1, 0, 'good'], [0.2, 0, 'poor'], [0.1, 0.1, 'poor'], [0.6, 0, 'poor'], [0.66, 0, 'poor'], [0.67, 0, 'fatal'], [0.4, 0.3, 'fatal'],
  ])('grades flatness: hollows of %d and %d mm', (stockHollow, scionHollow, grade) => {
    expect(method.assess(exampleMeasures({ stockHollow, scionHollow })).grades.flatness).toBe(grade);
  });
});

describe('ribbons', () => {
  it('differ in colour, in pattern and in name', () => {
    for (const key of ['id', 'colour', 'pattern', 'name'] as const) expect(new Set(RIBBONS.map((ribbon) => ribbon[key])).size).toBe(RIBBONS.length);
    expect(ribbonById('marsh').name).toBe('blue, plain');
    expect(() => ribbonById('tartan')).toThrow('tartan');
  });
});

describe('thisWeek', () => {
  it('has one line for every answer to every milestone', () => {
    for (const milestone of MILESTONES) for (const answer of ANSWERS) expect(thisWeek(milestone, answer)).toMatch(/^[A-Z][^\n]{20,}\.$/);
  });
  it('does not take a first "dead" for the end, and knows the second chance', () => {
    expect(thisWeek('healed', 'dead')).toContain('look once more');
    expect(thisWeek('growing', 'dead')).toContain('budded in late summer');
  });
});
