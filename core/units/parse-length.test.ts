import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { parseLength } from './parse-length';

describe('parseLength', () => {
  it.each([
    ['9.5', 'mm', 9.5],
    ['9,52 mm', 'mm', 9.52],
    ['9,5mm', 'in', 9.5],
    ['0.375 in', 'mm', 9.525],
    ['0,375"', 'mm', 9.525],
    ['0.4', 'in', 10.16],
    ['1 cm', 'in', 10],
    [' 12 ', 'mm', 12],
    ['1 INCH', 'mm', 25.4],
    ['1/2', 'in', 12.7],
    ['1/2"', 'mm', 12.7],
    ['1 1/2 in', 'mm', 38.1],
    ['1½″', 'mm', 38.1],
    ['3/8', 'in', 9.525],
    ['12 in', 'mm', 304.8],
    ['12 inches', 'mm', 304.8],
    ['1/2 ins', 'mm', 12.7],
    ['6 in.', 'mm', 152.4],
  ] as const)('reads %s for a reader of %s', (text, unit, mm) => {
    expect(parseLength(text, unit)).toBe(mm);
  });
  it.each(['', 'mm', 'Er--', '9.5 kg', '9 5', '9.5 mm mm', '1,200.5'])('takes %s for no length', (text) => {
    expect(parseLength(text, 'mm')).toBeNull();
  });
  it('never makes a figure of anything else', () => {
    fc.assert(
      fc.property(fc.string(), (text) => {
        const value = parseLength(text, 'mm');
        expect(value === null || Number.isFinite(value)).toBe(true);
        if (value !== null) expect(text).toMatch(/[\d¼-¾⅓-⅞]/);
      }),
    );
  });
});
