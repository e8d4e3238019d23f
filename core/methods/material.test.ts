import { describe, expect, it } from 'vitest';
import { helicalTape } from './helical-tape';
import { materialAmount } from './material';
import { stretchTape } from './common/materials';

describe('helical tape', () => {
  it('is turns times the length of a turn', () => {
    // 40 mm wrapped with 10 mm tape at half overlap: pitch 5, 9 turns, each sqrt((pi*10)^2 + 5^2) = 31.81 mm.
    expect(helicalTape({ length: 40, width: 10, overlap: 0.5, stretch: 0 }, 10)).toBeCloseTo(286.3, 1);
    expect(helicalTape({ length: 40, width: 10, overlap: 0.5, stretch: 0.5 }, 10)).toBeCloseTo(190.87, 1);
    // Without overlap and on a thread of no thickness it is the length and one more width.
    expect(helicalTape({ length: 40, width: 10, overlap: 0, stretch: 0 }, 1e-9)).toBeCloseTo(50, 6);
  });
  it('refuses a wrap no hand can make', () => {
    expect(() => helicalTape({ length: 40, width: 10, overlap: 1, stretch: 0 }, 10)).toThrow('overlaps');
    expect(() => helicalTape({ length: 40, width: 0, overlap: 0, stretch: 0 }, 10)).toThrow('above 0');
  });
});

describe('tape of a union', () => {
  it('goes round the piece it is wrapped on, so many times as it has layers', () => {
    const wood = { stock: 10, scion: 6 };
    const once = materialAmount(stretchTape(50), wood);
    expect(once).toBeCloseTo(helicalTape({ length: 50, width: 12, overlap: 0.5, stretch: 0.5 }, 10), 9);
    expect(materialAmount(stretchTape(50, 'layers'), wood)).toBeCloseTo(2 * once, 9);
  });
});
