import { describe, expect, it } from 'vitest';
import { isEvergreen } from './evergreens';

describe('isEvergreen', () => {
  it('is told by kin, but for trifoliate orange, which loses its leaves', () => {
    expect(['lemon', 'avocado', 'olive', 'litchi'].map(isEvergreen)).toEqual([true, true, true, true]);
    expect(['trifoliate orange', 'fig', 'apple', 'reedwood'].map(isEvergreen)).toEqual([false, false, false, false]);
  });
});
