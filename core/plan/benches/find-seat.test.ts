import { describe, expect, it } from 'vitest';
import { codeFromBytes } from '../../codes/plant-code';
import { codeIn, findSeats } from './find-seat';

const code = codeFromBytes(Uint8Array.from([3, 9, 14, 20, 27]))!;
const room = {
  seats: [
    { id: 'a', number: 4, name: 'Yrsa Kolm' },
    { id: 'b', number: 14, name: 'Ékla Tomsen' },
    { id: 'c', number: 2, name: 'Bartom Reed' },
  ],
  keepers: [{ code, seatId: 'b' }],
};

describe('findSeats', () => {
  it('takes figures for a seat and nothing else', () => {
    expect(findSeats('4', room)).toEqual(['a']);
    expect(findSeats('44', room)).toEqual([]);
  });
  it('finds a part of a name whatever its capitals and accents, beginnings of words first', () => {
    expect(findSeats('ekla', room)).toEqual(['b']);
    expect(findSeats('TOM', room)).toEqual(['b', 'c']);
    expect(findSeats(' ', room)).toEqual([]);
  });
  it('finds the seat of a tag, typed in any way or scanned as an address', () => {
    for (const text of [
      code,
      code.toLowerCase(),
      `${code.slice(0, 3)} ${code.slice(3)}`,
      `https://bench.example/u/${code}?x=1`,
    ])
      expect(findSeats(text, room)).toEqual(['b']);
    const wrong = code.slice(0, 5) + (code.endsWith('2') ? '3' : '2');
    expect(codeIn(wrong)).toBeNull();
    expect(findSeats(wrong, room)).toEqual([]);
  });
});
