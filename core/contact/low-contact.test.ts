import { describe, expect, it } from 'vitest';
import { lowContactWords, PLAIN_CAUSES } from './low-contact';
import { patchGrade } from './patch-grade';
import { patchContact } from './patch-contact';

describe('causes of low contact', () => {
  it('are each told in a sentence of their own', () => {
    const told = PLAIN_CAUSES.map((code) => lowContactWords({ code }));
    for (const words of told) expect(words).toMatch(/^[A-Z].*\.$/);
    expect(new Set(told).size).toBe(PLAIN_CAUSES.length);
  });
  it('say where and by how much, where that is known', () => {
    const patch = { patchHeight: 30, windowHeight: 31.25, patchWidth: 15, windowWidth: 15, set: 'bottom' as const };
    const { cause } = patchGrade(patch, patchContact(patch));
    expect(cause).toEqual({ code: 'window-tall', edge: 'top', off: 1.25 });
    expect(lowContactWords(cause!)).toBe('The top edge stands 1.3 mm off; the window is taller than the patch.');
    expect(lowContactWords({ code: 'window-tall', edge: 'both', off: 0.8 })).toContain('both ends stand 0.8 mm off');
    expect(lowContactWords({ code: 'flats-narrow', flaps: [1, 3] })).toContain('Flat 1 and 3 is much narrower');
    expect(lowContactWords({ code: 'flap-covers-least', flap: 2 })).toContain('Flap 2 covers its flat least');
  });
});
