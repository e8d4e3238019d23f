import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ASSUMPTIONS } from '@/core/plan/phenology/assumptions';
import { assumptionText, assumptionUnit, readAssumption } from './assumption-text';

const warmth = { unit: '°C' };
const sum = { unit: '°C days' };

describe('an assumption in its field', () => {
  it('is told in the reader’s degrees, sums and margins without the zero of the scale', () => {
    expect(assumptionText(warmth, 'value', 5, 'F')).toBe('41');
    expect(assumptionText(warmth, 'margin', 1.5, 'F')).toBe('2.7');
    expect(assumptionText(sum, 'value', 150, 'F')).toBe('270');
    expect(assumptionText({ unit: 'days' }, 'value', 21, 'F')).toBe('21');
    expect([warmth, sum, { unit: 'days' }].map((assumption) => assumptionUnit(assumption, 'F'))).toEqual([
      '°F',
      '°F days',
      'days',
    ]);
  });
  it('is no temperature where it is how far two of them lie apart', () => {
    const spring = ASSUMPTIONS.find(({ id }) => id === 'warm-year')!;
    expect(`${assumptionText(spring, 'value', 1.5, 'F')} ${assumptionUnit(spring, 'F')}`).toBe('2.7 °F more or less');
  });
  it('is read back as what it stood for when nobody touched it', () => {
    fc.assert(
      fc.property(fc.constantFrom(...ASSUMPTIONS), fc.constantFrom('C', 'F'), (assumption, unit) => {
        for (const key of ['value', 'margin'] as const) {
          const text = assumptionText(assumption, key, assumption[key], unit);
          expect(readAssumption(assumption, key, text, [assumption[key]], unit)).toBe(assumption[key]);
        }
      }),
    );
  });
  it('is read in degF, and refused by the schema when it is no figure', () => {
    expect(readAssumption(warmth, 'value', '50', [5], 'F')).toBe(10);
    expect(readAssumption(sum, 'margin', '36', [45], 'F')).toBe(20);
    expect(readAssumption(warmth, 'value', 'warm', [5], 'F')).toBe('warm');
    expect(readAssumption(warmth, 'value', '7,5', [5], 'C')).toBe('7,5');
  });
});
