import { describe, expect, it } from 'vitest';
import { exampleMeasures } from '../../methods/example-measures';
import { methodById } from '../../methods/registry';
import { defaultRule, judgeUnion, type Marks } from '../rubric/judge-union';
import { whatToTrain } from './what-to-train';

const whip = methodById('whip-and-tongue');
const rule = defaultRule(whip);
const grades = (marks: Marks, figures = {}) =>
  judgeUnion(whip, rule, exampleMeasures(whip, figures), marks, 'joined').grades;

describe('whatToTrain', () => {
  it('names the two points that cost most, with how often and what to do', () => {
    const train = whatToTrain(
      [grades({ hold: 'poor' }), grades({ hold: 'poor', clean: 'poor' }), grades({ tongue: 'poor', hold: 'poor' })],
      rule.weights,
      {},
    );
    expect(train.map(({ name, times, outOf }) => [name, times, outOf])).toEqual([
      ['Hold', 3, 3],
      ['Tongue', 1, 3],
    ]);
    expect(train[0]!.how).toContain('shake it once');
  });
  it('puts a fatal fault before many small ones, and takes the movement worked out for the last union', () => {
    const train = whatToTrain(
      [grades({ clean: 'poor' }), grades({ clean: 'poor' }, { scionDiameter: 7, scionBark: 0.8, stockBark: 1 })],
      rule.weights,
      { cambium: 'Move the scion 1.3 mm to the left.' },
    );
    expect(train[0]).toMatchObject({ point: 'cambium', how: 'Move the scion 1.3 mm to the left.' });
  });
  it('forgets what was mended before the last four, and has nothing to say of clean work', () => {
    const clean = grades({});
    expect(whatToTrain([grades({ hold: 'fatal' }), clean, clean, clean, clean], rule.weights, {})).toEqual([]);
    expect(whatToTrain([], rule.weights, {})).toEqual([]);
  });
  it('leaves out what nobody looked at', () => {
    expect(whatToTrain([grades({ hold: 'not-looked-at' })], rule.weights, {})).toEqual([]);
  });
});
