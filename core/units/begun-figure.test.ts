import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { isBegunFigure } from './begun-figure';
import { parseLength } from './parse-length';

describe('isBegunFigure', () => {
  it('takes every beginning of what can be read as a length', () => {
    const figure = fc
      .tuple(
        fc.constantFrom('', '+', '-'),
        fc.integer({ min: 0, max: 999 }),
        fc.constantFrom('', '.5', ',25', '.', '/8', ' 1/2', '-3/16', '½', ' 5 / 8'),
        fc.constantFrom('', ' '),
        fc.constantFrom('', 'mm', 'cm', 'in', 'inch', '"'),
      )
      .map((parts) => parts.join(''));
    fc.assert(
      fc.property(figure, (text) => {
        expect(parseLength(text, 'mm')).not.toBeNull();
        for (let i = 0; i <= text.length; i++)
          expect(isBegunFigure(text.slice(0, i), 'mm'), text.slice(0, i)).toBe(true);
      }),
    );
  });
  it.each([
    'ERR',
    'Er--',
    'no data',
    'OL',
    '-OL',
    '---',
    '9.4.1',
    'mm',
    'i',
    '9 x',
    '1e5',
    'NaN',
    't',
    '12 9.1',
    '1/2/3',
    '1//2',
  ])('refuses %s at its first wrong sign', (text) => {
    expect(isBegunFigure(text, 'mm')).toBe(false);
  });
  it('knows degrees by their own sign', () => {
    expect(isBegunFigure('-12.5°', 'degrees')).toBe(true);
    expect(isBegunFigure('12 mm', 'degrees')).toBe(false);
  });
});
