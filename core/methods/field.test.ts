import { describe, expect, it } from 'vitest';
import { exampleMeasures } from './example-measures';
import { type Field, figuresOf, fillMeasures, pickMeasure, usualPick } from './field';
import { METHODS } from './registry';

const FIELDS: Field[] = [
  { id: 'caliper', name: 'the caliper', short: 'Ø', unit: 'mm', least: 1, most: 100, place: 'first' },
  {
    id: 'bark',
    name: 'the bark',
    short: 'Bark',
    unit: 'mm',
    least: 0,
    most: 30,
    place: 'further',
    assumed: (figures) => figures.caliper! / 10,
  },
  {
    id: 'set',
    name: 'the place',
    short: 'Set',
    unit: 'mm',
    least: -9,
    most: 9,
    place: 'picked',
    typed: true,
    keepsPick: true,
    picks: [
      { id: 'left', words: 'Left', value: (figures) => -figures.bark! },
      { id: 'middle', words: 'Middle', value: 0, usual: true },
    ],
  },
  {
    id: 'hollow',
    name: 'the hollow',
    short: 'Hollow',
    unit: 'mm',
    least: 0,
    most: 9,
    place: 'picked',
    picks: [
      { id: 'none', words: 'None', value: 0, usual: true },
      { id: 'deep', words: 'Deep', value: 1 },
    ],
  },
];

describe('fillMeasures', () => {
  it('measures what is given, assumes the rest, and keeps picks whose figure moves in words', () => {
    expect(fillMeasures(FIELDS, { caliper: 12 })).toEqual({
      caliper: { value: 12, origin: 'measured' },
      bark: { value: 1.2, origin: 'assumed' },
      set: { pick: 'middle' },
      hollow: { value: 0, origin: 'assumed' },
    });
    expect(fillMeasures(FIELDS, { caliper: 12, set: 'left', hollow: 'deep' })).toMatchObject({
      set: { pick: 'left' },
      hollow: { value: 1, origin: 'picked' },
    });
    expect(fillMeasures(FIELDS, { caliper: 12, set: -2 }).set).toEqual({ value: -2, origin: 'measured' });
  });
});

describe('figuresOf', () => {
  it('works picks out from the figures before them', () => {
    expect(figuresOf(FIELDS, fillMeasures(FIELDS, { caliper: 20, set: 'left' }))).toEqual({
      caliper: 20,
      bark: 2,
      set: -2,
      hollow: 0,
    });
    expect(figuresOf(FIELDS, fillMeasures(FIELDS, { caliper: 20, bark: 3, set: 'left' })).set).toBe(-3);
  });
  it('falls back to what is usual for a measure that is not there, or a pick no longer known', () => {
    expect(figuresOf(FIELDS, { caliper: { value: 10, origin: 'measured' }, set: { pick: 'sideways' } })).toEqual({
      caliper: 10,
      bark: 1,
      set: 0,
      hollow: 0,
    });
    expect(figuresOf(FIELDS, {}).caliper).toBeNaN();
  });
});

describe('picks', () => {
  it('are told apart: usual ones are assumed, others picked', () => {
    expect(usualPick(FIELDS[2]!).id).toBe('middle');
    expect(pickMeasure(FIELDS[3]!, 'none')).toEqual({ value: 0, origin: 'assumed' });
    expect(pickMeasure(FIELDS[3]!, 'deep')).toEqual({ value: 1, origin: 'picked' });
  });
});

describe.each(METHODS.map((method) => [method.id, method] as const))('fields of %s', (_id, method) => {
  it('stay within their own limits when assumed or picked, and depend only on fields before them', () => {
    const seen: string[] = [];
    for (const field of method.fields) {
      const changes = Object.fromEntries(field.picks?.map((pick) => [field.id, pick.id]).slice(-1) ?? []);
      const figures = figuresOf(method.fields, exampleMeasures(method, changes));
      expect(figures[field.id]! >= field.least - 1e-9 && figures[field.id]! <= field.most + 1e-9, field.id).toBe(true);
      const known = Object.fromEntries(Object.entries(figures).filter(([id]) => seen.includes(id)));
      for (const value of [field.assumed, ...(field.picks ?? []).map((pick) => pick.value)])
        if (typeof value === 'function') expect(Number.isFinite(value(known)), field.id).toBe(true);
      seen.push(field.id);
    }
  });
});
