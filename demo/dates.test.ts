import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { addDays, daysBetween } from '@/core/units/iso-date';
import { demoDates } from './dates';

describe('demoDates', () => {
  it('fit the day they are loaded on, whichever it is', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 3000 }), (days) => {
        const today = addDays('2026-01-01', days);
        const { past, upcoming, round } = demoDates(today);
        expect(daysBetween(past, today)).toBeGreaterThanOrEqual(60);
        expect(daysBetween(past, today)).toBeLessThan(430);
        expect(daysBetween(today, upcoming)).toBeGreaterThanOrEqual(7);
        expect(new Date(`${past}T00:00:00Z`).getUTCDay()).toBe(6);
        expect(round.opensOn > past && round.opensOn < today && round.closesOn > today).toBe(true);
      }),
    );
  });
});
