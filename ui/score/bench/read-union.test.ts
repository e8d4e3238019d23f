import { describe, expect, it } from 'vitest';
import { STOCK_RANGES } from '@/core/methods/stock-ranges';
import { METHODS } from '@/core/methods/registry';
import { defaultRule } from '@/core/score/rubric/judge-union';
import { newEntry, type Entry } from './entry';
import { fieldOf, readUnion } from './read-union';

const method = METHODS[0]!;
const read = (texts: Record<string, string>, changes: Partial<Entry> = {}) => {
  const empty = newEntry(method, null, 'mm');
  return readUnion(
    method,
    defaultRule(method),
    { ...empty, ...changes, texts: { ...empty.texts, ...texts } },
    'joined',
    'mm',
    STOCK_RANGES,
  );
};
const four = { stockDiameter: '10', scionDiameter: '7', stockLength: '35', scionLength: '35' };

describe('readUnion', () => {
  it('draws an assumed union and claims no score until four figures are there', () => {
    const start = read({ stockDiameter: '10' });
    expect(start).toMatchObject({ judged: null, measures: null, best: null, corrections: [] });
    expect(start.missing).toEqual(['scionDiameter', 'stockLength', 'scionLength']);
    expect(start.shown.assessment.contact.contact).toBe(1);
  });
  it('judges, tells the best reach and the corrections once they are', () => {
    const whole = read({ ...four, stockBark: '1', scionBark: '0,8' });
    expect(whole.judged!.score).toBe(40);
    expect(whole.best).toBeGreaterThan(0.5);
    expect(whole.corrections[0]!.point).toBe('cambium');
    expect(whole.shown).toBe(whole.judged);
  });
  it('is not computed anew for a letter of the note, but for every figure and mark', () => {
    const entry = { ...newEntry(method, null, 'mm'), texts: four };
    const rule = defaultRule(method);
    const noted = (changes: Partial<Entry>) =>
      readUnion(method, rule, { ...entry, ...changes }, 'joined', 'mm', STOCK_RANGES);
    const first = noted({});
    expect(noted({ note: 'a blunt knife' })).toBe(first);
    expect(noted({ marks: { 'way-up': 'fatal' } }).judged!.fatal).toContain('way-up');
    expect(noted({ texts: { ...four, scionLength: '60' } }).judged!.score).not.toBe(first.judged!.score);
    expect(noted({})).not.toBe(first);
    expect(noted({}).judged!.score).toBe(first.judged!.score);
  });
  it('shows marks on the drawing before there are figures', () => {
    const marked = read({}, { marks: { 'way-up': 'fatal' } });
    expect(marked.shown.fatal).toEqual(['way-up']);
    expect(marked.judged).toBeNull();
  });
  it('puts what the wood does not allow at its figure, and draws the assumed union meanwhile', () => {
    const thick = read({ ...four, stockBark: '5' });
    expect(thick.errors.stockBark).toContain('as thick as its radius');
    expect(thick.judged).toBeNull();
    expect(read({ ...four, placement: '40' }, { picks: { placement: 'figure' } }).errors.placement).toContain(
      'do not overlap',
    );
    expect(read({ ...four, lift: '90' }).errors.lift).toContain('do not overlap');
  });
  it('says what to do instead when the wood is none for the method', () => {
    expect(read({ ...four, scionDiameter: '10' }).outside).toBeNull();
    expect(read({ ...four, stockDiameter: '30', stockLength: '60', scionLength: '60' }).outside).toMatch(
      /up to 20 mm\. On 30 mm: take /,
    );
  });
  it('finds the field for names of core and of the server', () => {
    expect(
      [
        'stock.bark',
        'scion.length',
        'e',
        'z',
        'phi',
        'measures.stockHollow.value',
        'measures.placement.value',
        'note',
      ].map(fieldOf),
    ).toEqual(['stockBark', 'scionLength', 'placement', 'lift', 'turn', 'stockHollow', 'placement', 'note']);
  });
});
