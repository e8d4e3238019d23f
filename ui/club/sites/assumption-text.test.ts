import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ASSUMPTIONS } from '@/core/plan/phenology/assumptions';
import { assumptionText, assumptionUnit, readAssumption } from './assumption-text';

const warmth = { unit: '°C' };
const sum = { unit: '°C days' };
const FAHRENHEIT = { length: 'in', temperature: 'F' } as const;
const CELSIUS = { length: 'mm', temperature: 'C' } as const;

describe('an assumption in its field', () => {
  it('is told in the reader’s degrees, sums and margins without the zero of the scale', () => {
    expect(assumptionText(warmth, 'value', 5, FAHRENHEIT)).toBe('41');
    expect(assumptionText(warmth, 'margin', 1.5, FAHRENHEIT)).toBe('2.7');
    expect(assumptionText(sum, 'value', 150, FAHRENHEIT)).toBe('270');
    expect(assumptionText({ unit: 'days' }, 'value', 21, FAHRENHEIT)).toBe('21');
    expect([warmth, sum, { unit: 'days' }].map((assumption) => assumptionUnit(assumption, FAHRENHEIT))).toEqual([
      '°F',
      '°F days',
      'days',
    ]);
  });
  it('is no temperature where it is how far two of them lie apart', () => {
    const spring = ASSUMPTIONS.find(({ id }) => id === 'warm-year')!;
    expect(`${assumptionText(spring, 'value', 1.5, FAHRENHEIT)} ${assumptionUnit(spring, FAHRENHEIT)}`).toBe(
      '2.7 °F more or less',
    );
  });
  it('is read back as what it stood for when nobody touched it', () => {
    fc.assert(
      fc.property(fc.constantFrom(...ASSUMPTIONS), fc.constantFrom(CELSIUS, FAHRENHEIT), (assumption, unit) => {
        for (const key of ['value', 'margin'] as const) {
          const text = assumptionText(assumption, key, assumption[key], unit);
          expect(readAssumption(assumption, key, text, [assumption[key]], unit)).toBe(assumption[key]);
        }
      }),
    );
  });
  it('is a length in the reader’s inches, and in mm again when it is sent', () => {
    const girdle = ASSUMPTIONS.find(({ id }) => id === 'girdle')!;
    expect(`${assumptionText(girdle, 'value', 300, FAHRENHEIT)} ${assumptionUnit(girdle, FAHRENHEIT)}`).toBe(
      '11.81 in',
    );
    expect(assumptionText(girdle, 'value', 300, CELSIUS)).toBe('300');
    expect(readAssumption(girdle, 'value', '12', [300], FAHRENHEIT)).toBe(304.8);
    expect(readAssumption(girdle, 'value', '12 1/2', [300], FAHRENHEIT)).toBe(317.5);
    expect(readAssumption(girdle, 'value', 'long', [300], FAHRENHEIT)).toBe('long');
  });
  it('is read in degF, and refused by the schema when it is no figure', () => {
    expect(readAssumption(warmth, 'value', '50', [5], FAHRENHEIT)).toBe(10);
    expect(readAssumption(sum, 'margin', '36', [45], FAHRENHEIT)).toBe(20);
    expect(readAssumption(warmth, 'value', 'warm', [5], FAHRENHEIT)).toBe('warm');
    expect(readAssumption(warmth, 'value', '7,5', [5], CELSIUS)).toBe('7,5');
  });
});
