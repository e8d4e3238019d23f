import { written } from '../units/prose';
import { describe, expect, it } from 'vitest';
import { defaultRule, judgeUnion, pointsAt } from '../score/rubric/judge-union';
import { CAUTIONS } from './cautions';
import { exampleMeasures } from './example-measures';
import { figuresOf } from './field';
import type { Method } from './method';
import { METHODS, methodById } from './registry';
import { pointsOf, shownTechnique } from './shown-technique';
import { bridge } from './testing/bridge';

const whip = METHODS[0]!;

describe('the registry', () => {
  it('has eleven methods, each under its id', () => {
    expect(METHODS).toHaveLength(11);
    expect(new Set(METHODS.map(({ id }) => id)).size).toBe(11);
    for (const method of METHODS) expect(methodById(method.id)).toBe(method);
    expect(() => methodById('glue')).toThrow('"glue"');
  });
});

// The made-up twelfth passes everything the eleven do, from its folder alone.
describe.each([...METHODS, bridge].map((method) => [method.id, method] as const))('%s', (_id, method: Method) => {
  it('has weights that add up to 100, cambium 25 to 30 of them, by every school', () => {
    const schools = [
      {},
      ...method.schools.flatMap(({ id, options }) => options.map((option) => ({ [id]: option.id }))),
    ];
    for (const choices of schools) {
      const points = pointsOf(method, choices);
      expect(points.reduce((sum, { weight }) => sum + weight, 0)).toBe(100);
      const cambium = points.find(({ id }) => id === 'cambium')!.weight;
      expect(cambium >= 25 && cambium <= 30).toBe(true);
    }
  });
  it('has a letter of its own for each point, and none that the bench needs for itself', () => {
    const letters = pointsOf(method).map(({ letter }) => letter);
    expect(new Set(letters).size).toBe(letters.length);
    for (const taken of ['q', 'z']) expect(letters).not.toContain(taken);
  });
  it('judges a clean union as 100 within six inputs, and asks points of later stages later', () => {
    const measures = exampleMeasures(method);
    const judged = judgeUnion(method, defaultRule(method), measures, {}, 'joined');
    expect(judged.grades.filter(({ grade }) => grade !== 'good')).toEqual([]);
    expect(judged.score).toBe(100);
    // What has to be entered, and one tap to save.
    expect(method.fields.filter((field) => field.place === 'first').length + 1).toBeLessThanOrEqual(6);
    expect(Object.keys(method.example).sort()).toEqual(
      method.fields
        .filter((field) => field.place === 'first')
        .map(({ id }) => id)
        .sort(),
    );
    const asked = (stage: 'joined' | 'wrapped' | 'keeper') => pointsAt(method, stage).map(({ id }) => id);
    expect(asked('joined')).not.toContain('label');
    expect(asked('keeper')).toHaveLength(pointsOf(method).length);
  });
  it('draws a measured union: lines that carry their runs, a side with a place for every judged point asked for', () => {
    const { assessment } = judgeUnion(method, defaultRule(method), exampleMeasures(method), {}, 'joined');
    for (const drawing of [assessment.lines({ unit: 'mm' }), assessment.side({ unit: 'mm' })]) {
      expect(drawing.width).toBeGreaterThan(10);
      expect(drawing.height).toBeGreaterThan(10);
      for (const item of drawing.items)
        if (item.kind === 'path') for (const at of item.points) expect(at.every(Number.isFinite)).toBe(true);
    }
    expect(assessment.lines({ unit: 'mm' }).items.some((item) => item.kind === 'path' && item.role === 'touch')).toBe(
      true,
    );
    const ids = pointsOf(method).map(({ id }) => id);
    const anchored = assessment.side({ unit: 'mm' }).anchors.map(({ point }) => point);
    expect(anchored.length).toBeGreaterThanOrEqual(4);
    for (const id of anchored) expect(ids).toContain(id);
  });
  it('has a pick for every field that is picked, and figures in the end for all', () => {
    const figures = figuresOf(method.fields, exampleMeasures(method));
    for (const { id } of method.fields) expect(figures[id], id).toSatisfy(Number.isFinite);
    for (const { place, picks } of method.fields) if (place === 'picked') expect(picks!.length).toBeGreaterThan(1);
  });
  it('computes the gain of what it advises, and advises nothing for a clean union but what is left to gain', () => {
    const measures = exampleMeasures(method);
    const rule = defaultRule(method);
    const now = judgeUnion(method, rule, measures, {}, 'joined');
    for (const correction of method.corrections(measures, now.figures, now.assessment, {})) {
      expect(written(correction.say, 'mm')).toMatch(/^[A-Z].+\.$/);
      expect(pointsOf(method).some(({ id }) => id === correction.point)).toBe(true);
    }
  });
  it('says what it is for, when, on what, and what is due afterwards', () => {
    expect(method.purpose).toMatch(/\.$/);
    expect(method.use.seasons.length).toBeGreaterThan(0);
    expect(method.use.stock.from).toBeLessThan(method.use.stock.to);
    expect(method.prior.low).toBeLessThan(method.prior.high);
    const { aftercare, materials } = shownTechnique(method);
    for (const { trigger } of aftercare)
      if (trigger.kind === 'days')
        expect(trigger.earliest <= trigger.best && trigger.best <= trigger.latest).toBe(true);
    expect(new Set(aftercare.map(({ id }) => id)).size).toBe(aftercare.length);
    expect(new Set(materials.map(({ id }) => id)).size).toBe(materials.length);
  });
  it('cautions at every cut', () => {
    for (const { id, caution, pull } of shownTechnique(method).steps) {
      if (pull) expect(caution, id).not.toBeNull();
      if (caution) expect(CAUTIONS[caution].text.length).toBeGreaterThan(20);
    }
  });
});

describe('grades of a whip', () => {
  const grades = (changes: Record<string, number>) =>
    judgeUnion(whip, defaultRule(whip), exampleMeasures(whip, changes), {}, 'joined').assessment.grades;
  it.each([
    ['both cuts of 35', {}, 'good'],
    ['a tenth apart', { scionLength: 31.5 }, 'good'],
    ['more than a tenth apart', { scionLength: 31.4 }, 'poor'],
    ['much shorter than the ratio', { stockLength: 20, scionLength: 20 }, 'poor'],
    ['about 25, which is another school', { stockLength: 24, scionLength: 24 }, 'poor'],
  ])('cut length: %s', (_name, figures, grade) => {
    expect(grades(figures)['cut-length']).toBe(grade);
  });
  it.each([
    [0, 0, 'good'],
    [0.1, 0, 'good'],
    [0.2, 0, 'poor'],
    [0.1, 0.1, 'poor'],
    [0.6, 0, 'poor'],
    [0.66, 0, 'poor'],
    [0.67, 0, 'fatal'],
    [0.4, 0.3, 'fatal'],
  ])('flatness: hollows of %d and %d mm', (stockHollow, scionHollow, grade) => {
    expect(grades({ stockHollow, scionHollow }).flatness).toBe(grade);
  });
});

describe('lines that cross', () => {
  const cambium = (schools: Record<string, string>, changes: Record<string, number>) =>
    judgeUnion(whip, defaultRule(whip, schools), exampleMeasures(whip, changes), {}, 'joined').assessment.grades
      .cambium;
  const askew = { turn: 6 };
  it('are poor, and good where a workshop holds that they are enough; nowhere stays fatal', () => {
    expect(cambium({}, askew)).toBe('poor');
    expect(cambium({ lines: 'cross' }, askew)).toBe('good');
    const nowhere = { scionDiameter: 5, placement: 0 };
    expect(cambium({}, nowhere)).toBe('fatal');
    expect(cambium({ lines: 'cross' }, nowhere)).toBe('fatal');
  });
});

describe('marks that a model needs', () => {
  it('nothing of a T-bud touches when the bark was forced or the bud stands on its head', () => {
    const method = methodById('t-bud');
    const read = (marks: Record<string, 'fatal'>) =>
      judgeUnion(method, defaultRule(method), exampleMeasures(method), marks, 'joined').assessment;
    expect(read({}).contact.contact).toBe(1);
    expect(read({ slip: 'fatal' }).contact.contact).toBe(0);
    expect(read({ slip: 'fatal' }).contactGrade.words).toBe('bark did not slip');
    expect(read({ 'way-up': 'fatal' }).grades.cambium).toBe('fatal');
  });
});

describe('a whip on a much thicker stock', () => {
  const read = (changes: Record<string, number | string>) =>
    judgeUnion(whip, defaultRule(whip), exampleMeasures(whip, changes), {}, 'joined').assessment;
  const thin = { stockDiameter: 16, scionDiameter: 7, stockLength: 40, scionLength: 40 };
  it('matches both sides on a slice as wide as the scion, and one side at most right through', () => {
    // A chord of the stock's wood as wide as the scion's: p = sqrt(r^2 - (R - d)^2) with r 6.4, R 8, p 2.8.
    const depth = 8 - Math.sqrt(6.4 ** 2 - 2.8 ** 2);
    // Its green line is as long as the scion's, 32 mm: L_o = 32 / sqrt(1 - b / d).
    const sliced = read({ ...thin, stockDepth: depth, stockLength: 32 / Math.sqrt(1 - 1.6 / depth) });
    const through = read(thin);
    expect(sliced.contact.contact).toBeGreaterThan(0.9);
    expect(sliced.grades.cambium).toBe('good');
    expect(through.contact.contact).toBeLessThan(0.2);
    expect(sliced.section).toBeNull();
    expect(sliced.side({ unit: 'mm' }).anchors.length).toBeGreaterThan(3);
  });
  it('takes a cut past the middle for one right through', () => {
    expect(read({ ...thin, stockDepth: 15 }).contact.contact).toBe(read(thin).contact.contact);
  });
});
