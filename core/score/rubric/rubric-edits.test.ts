import { describe, expect, it } from 'vitest';
import { exampleMeasures } from '../../methods/example-measures';
import { METHODS, methodById } from '../../methods/registry';
import { loadMethod } from '../../methods/load-method';
import { defaultRule, judgeUnion } from './judge-union';
import { editedRule, rubricProblems } from './rubric-edits';
import { wordedPoints } from './worded-points';

const whip = methodById('whip-and-tongue');
const judged = (edits: Parameters<typeof editedRule>[2], figures = {}, marks = {}) =>
  judgeUnion(whip, editedRule(whip, {}, edits), exampleMeasures(whip, figures), marks, 'joined');

describe('a club’s rubric', () => {
  it('is the method’s own, word for word, while nothing is edited', () => {
    for (const method of METHODS)
      expect(JSON.stringify(editedRule(method, {}, { thresholds: { matched: 0.6 } }))).toBe(
        JSON.stringify(defaultRule(method)),
      );
  });
  it('weighs otherwise', () => {
    // Joined points weigh 86; with 4 of the cambium's 30 moved to hold: lost 12 of 86 for a sliding hold... hold 12, poor 6.
    expect(judged({ weights: { cambium: 26, hold: 12 } }, {}, { hold: 'poor' }).score).toBeCloseTo(
      (100 * (86 - 6)) / 86,
      9,
    );
  });
  it('caps a fatal fault of one point otherwise than the rest, and the lowest cap counts', () => {
    expect(judged({ fatalCap: 50 }, {}, { hold: 'fatal' }).score).toBe(50);
    expect(judged({ caps: { 'safe-hands': 0 } }, {}, { 'safe-hands': 'fatal' }).score).toBe(0);
    expect(judged({ caps: { 'safe-hands': 0 } }, {}, { 'safe-hands': 'fatal', hold: 'fatal' }).score).toBe(0);
    expect(judged({ caps: { 'safe-hands': 0 } }, {}, { hold: 'fatal' }).score).toBe(40);
  });
  it('moves thresholds of what is measured', () => {
    const hairline = { stockHollow: 0.3 };
    expect(judged({}, hairline).assessment.grades.flatness).toBe('poor');
    expect(judged({ thresholds: { hairline: 0.4 } }, hairline).assessment.grades.flatness).toBe('good');
    const unequal = { stockLength: 35, scionLength: 30 };
    expect(judged({}, unequal).assessment.grades['cut-length']).toBe('poor');
    expect(judged({ thresholds: { lengthTolerance: 0.2 } }, unequal).assessment.grades['cut-length']).toBe('good');
    // Case 3 of the reference set: one side matched; no side is once 95 % of it must touch, yet it still touches.
    const oneSide = { scionDiameter: 7, scionBark: 0.8, placement: 'right-lines' };
    expect(judged({}, oneSide).assessment.contactGrade.words).toContain('right side, as the pair allows');
  });
  it('says things in the club’s words', () => {
    const rule = editedRule(
      whip,
      {},
      { words: { hold: { name: 'Shake', faults: { poor: 'creeps' } }, nonsense: { name: 'x' } } },
    );
    const hold = wordedPoints(whip, rule).find(({ id }) => id === 'hold')!;
    expect(hold).toMatchObject({ name: 'Shake', good: 'stays when turned over and shaken once' });
    expect(hold.faults.map(({ words }) => words)).toEqual(['creeps', 'drops']);
    expect(rule.words).not.toHaveProperty('nonsense');
  });
  it('refuses weights that do not add up to 100 and says by how much', () => {
    expect(rubricProblems(whip, {}, { weights: { cambium: 32 } }, 'mm')).toEqual({
      weights: 'The weights add up to 102, not 100. Take 2 away somewhere.',
    });
    expect(rubricProblems(whip, {}, { weights: { cambium: 27.5 } }, 'mm').weights).toContain('Add 2.5 somewhere');
    expect(rubricProblems(whip, {}, { weights: { cambium: 26, hold: 12 } }, 'mm')).toEqual({});
    expect(rubricProblems(whip, {}, { weights: { cambium: -4 } }, 'mm')).toHaveProperty(['weights.cambium']);
    expect(rubricProblems(whip, {}, { weights: { cambium: Number.NaN } }, 'mm')).toHaveProperty(['weights.cambium']);
  });
  it('refuses caps and thresholds that cannot be', () => {
    expect(rubricProblems(whip, {}, { fatalCap: 120 }, 'mm')).toHaveProperty('fatalCap');
    expect(rubricProblems(whip, {}, { caps: { hold: -1 } }, 'mm')).toHaveProperty(['caps.hold']);
    expect(rubricProblems(whip, {}, { thresholds: { hairline: 9 } }, 'mm')).toHaveProperty(['thresholds.hairline']);
    const inlay = METHODS.find(({ thresholds }) => thresholds.includes('windowFrom'))!;
    expect(rubricProblems(inlay, {}, { thresholds: { windowFrom: 14 } }, 'mm')).toHaveProperty(['thresholds.windowTo']);
  });
});

describe('loadMethod', () => {
  it.each(METHODS.map(({ id }) => id))('loads %s by itself, the same as the registry has it', async (id) => {
    const [loaded, known] = [await loadMethod(id), methodById(id)];
    expect(loaded.id).toBe(id);
    expect(JSON.stringify(loaded.technique({}, { stock: 12, scion: 10, stockBark: 1, scionBark: 0.8 }).points)).toBe(
      JSON.stringify(known.technique({}, { stock: 12, scion: 10, stockBark: 1, scionBark: 0.8 }).points),
    );
  });
  it('refuses an id no method has', async () => {
    await expect(loadMethod('glue')).rejects.toThrow(/No grafting method/);
  });
});
