import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { roomLength, roomNumber, roomUnit, toMetres } from './room-length';

describe('lengths of a room', () => {
  it('are in metres, or in feet for whoever reads inches', () => {
    expect([roomUnit('mm'), roomUnit('in')]).toEqual(['m', 'ft']);
    expect(roomLength(7.2, 'mm')).toBe('7.2 m');
    // 7.2 m is 23.62 ft.
    expect(roomLength(7.2, 'in')).toBe('23.6 ft');
    expect(toMetres(24, 'in')).toBe(7.32);
  });
  it('come back within the tenth of a foot they are told to', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.6, max: 60, noNaN: true }), (metres) => {
        expect(Math.abs(toMetres(Number(roomNumber(metres, 'in')), 'in') - metres)).toBeLessThan(0.021);
      }),
    );
  });
});
