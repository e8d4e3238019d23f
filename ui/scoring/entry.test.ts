import { describe, expect, it } from 'vitest';
import { whipAndTongue } from '@/core/methods/whip-and-tongue/method';
import { exampleMeasures } from '@/core/scoring/example-measures';
import { entryOf, newEntry, nextMark, readEntry, type Entry } from './entry';

const typed = (texts: Partial<Entry['texts']>, changes: Partial<Entry> = {}): Entry => {
  const empty = newEntry(null, 'mm');
  return { ...empty, ...changes, texts: { ...empty.texts, ...texts } };
};
const four = { stockDiameter: '10', scionDiameter: '9,5', stockLength: '35', scionLength: ' 34.5 ' };

describe('readEntry', () => {
  it('reads points and commas, and assumes what nobody measured', () => {
    const { measures } = readEntry(typed(four), 'mm');
    expect(measures).toMatchObject({
      scionDiameter: { value: 9.5, origin: 'measured' }, scionLength: { value: 34.5, origin: 'measured' },
      scionBark: { value: expect.closeTo(0.95, 9) as number, origin: 'assumed' }, stockHollow: { value: 0, origin: 'assumed' }, placement: { pick: 'middle' },
    });
  });
  it('reads inches as inches', () => {
    const { measures } = readEntry(typed({ stockDiameter: '0.4', scionDiameter: '0.4', stockLength: '1.4', scionLength: '1.4' }), 'in');
    expect(measures!.stockLength.value).toBeCloseTo(35.56, 6);
  });
  it('names what is missing and what cannot be read', () => {
    expect(readEntry(typed({ ...four, stockLength: '' }), 'mm').missing).toEqual(['stockLength']);
    const bad = readEntry(typed({ ...four, stockDiameter: '1O' }), 'mm');
    expect(bad.measures).toBeNull();
    expect(bad.errors.stockDiameter).toContain('in figures');
  });
  it('keeps the seat’s last diameters as assumed until typed', () => {
    const entry = newEntry(exampleMeasures({ stockDiameter: 11 }), 'mm');
    expect(entry.texts.stockDiameter).toBe('11');
    const read = readEntry({ ...entry, texts: { ...entry.texts, stockLength: '30', scionLength: '30' } }, 'mm');
    expect(read.measures!.stockDiameter).toEqual({ value: 11, origin: 'assumed' });
  });
  it('gives back the entry of a saved judgement', () => {
    const measures = exampleMeasures({ scionHollow: 0.6, stockBark: 1.4, placement: { value: -1.2, origin: 'measured' }, lift: 2 });
    const again = readEntry(entryOf(measures, { hold: 'poor' }, 'a note', 'mm', null), 'mm').measures;
    expect(again).toEqual(measures);
  });
});

describe('nextMark', () => {
  const point = (id: string) => whipAndTongue.points.find((candidate) => candidate.id === id)!;
  it('walks through the faults, not looked at, and back to good', () => {
    let marks = {};
    const seen = [];
    for (let i = 0; i < 4; i++) {
      marks = nextMark(point('hold'), marks, 'good');
      seen.push((marks as Record<string, string>).hold);
    }
    expect(seen).toEqual(['poor', 'fatal', 'not-looked-at', undefined]);
  });
  it('has stopped for safety as the first mark of safe hands', () => {
    expect(nextMark(point('safe-hands'), {}, 'good')).toEqual({ 'safe-hands': 'fatal' });
  });
  it('lets an assessor overrule a measured point, both ways', () => {
    const first = nextMark(point('cambium'), {}, 'poor');
    expect(first).toEqual({ cambium: 'fatal' });
    expect(nextMark(point('cambium'), first, 'poor')).toEqual({ cambium: 'good' });
  });
});
