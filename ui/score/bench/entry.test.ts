import { describe, expect, it } from 'vitest';
import { exampleMeasures } from '@/core/methods/example-measures';
import { METHODS } from '@/core/methods/registry';
import { pointsOf } from '@/core/methods/shown-technique';
import { entryOf, newEntry, nextMark, readEntry, type Entry } from './entry';

const method = METHODS[0]!;

const typed = (texts: Record<string, string>, changes: Partial<Entry> = {}): Entry => {
  const empty = newEntry(method, null, 'mm');
  return { ...empty, ...changes, texts: { ...empty.texts, ...texts } };
};
const four = { stockDiameter: '10', scionDiameter: '9,5', stockLength: '35', scionLength: ' 34.5 ' };

/** What a saved judgement holds besides its measures. */
const JUDGED = {
  marks: {},
  note: 'a note',
  stage: 'wrapped' as const,
  strokes: 3,
  outlook: 'perhaps' as const,
  outlookBy: 'maker' as const,
};

describe('readEntry', () => {
  it('reads points and commas, and assumes what nobody measured', () => {
    const { measures } = readEntry(method, typed(four), 'mm');
    expect(measures).toMatchObject({
      scionDiameter: { value: 9.5, origin: 'measured' },
      scionLength: { value: 34.5, origin: 'measured' },
      scionBark: { value: expect.closeTo(0.95, 9) as number, origin: 'assumed' },
      stockHollow: { value: 0, origin: 'assumed' },
      placement: { pick: 'middle' },
    });
  });
  it('reads inches as inches', () => {
    const { measures } = readEntry(
      method,
      typed({ stockDiameter: '0.4', scionDiameter: '0.4', stockLength: '1.4', scionLength: '1.4' }),
      'in',
    );
    expect(measures!.stockLength).toMatchObject({ value: expect.closeTo(35.56, 6) as number });
  });
  it('names what is missing and what cannot be read', () => {
    expect(readEntry(method, typed({ ...four, stockLength: '' }), 'mm').missing).toEqual(['stockLength']);
    const bad = readEntry(method, typed({ ...four, stockDiameter: '1O' }), 'mm');
    expect(bad.measures).toBeNull();
    expect(bad.errors.stockDiameter).toContain('in figures');
  });
  it('keeps the seat’s last diameters as assumed until typed', () => {
    const entry = newEntry(method, exampleMeasures(method, { stockDiameter: 11 }), 'mm');
    expect(entry.texts.stockDiameter).toBe('11');
    const read = readEntry(method, { ...entry, texts: { ...entry.texts, stockLength: '30', scionLength: '30' } }, 'mm');
    expect(read.measures!.stockDiameter).toEqual({ value: 11, origin: 'assumed' });
  });
  it.each(METHODS.map((method) => [method.id, method] as const))(
    'gives back every entry of a %s, picks and figures',
    (_id, method) => {
      const changes = Object.fromEntries(
        method.fields.filter(({ place }) => place === 'picked').map((field) => [field.id, field.picks!.at(-1)!.id]),
      );
      const measures = exampleMeasures(method, changes);
      expect(readEntry(method, entryOf(method, { ...JUDGED, measures }, 'mm', null), 'mm').measures).toEqual(measures);
    },
  );
  it('keeps the stage, the strokes and what was foretold', () => {
    const entry = entryOf(method, { ...JUDGED, measures: exampleMeasures(method) }, 'mm', 'j');
    expect(entry).toMatchObject({
      stage: 'wrapped',
      strokes: 3,
      outlook: 'perhaps',
      outlookBy: 'maker',
      correctsId: 'j',
    });
  });
  it('gives back the entry of a saved judgement', () => {
    const measures = exampleMeasures(method, { scionHollow: 'hollow', stockBark: 1.4, placement: -1.2, lift: 2 });
    const again = readEntry(
      method,
      entryOf(method, { ...JUDGED, measures, marks: { hold: 'poor' } }, 'mm', null),
      'mm',
    ).measures;
    expect(again).toEqual(measures);
  });
});

describe('nextMark', () => {
  const point = (id: string) => pointsOf(method).find((candidate) => candidate.id === id)!;
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
