import { describe, expect, it } from 'vitest';
import { fingersWide } from './fingers-wide';

describe('fingers', () => {
  it('stand for a length: three for 50 mm, never none', () => {
    expect([5, 17, 50, 100].map(fingersWide)).toEqual([1, 1, 3, 6]);
    expect(() => fingersWide(0)).toThrow(RangeError);
    expect(() => fingersWide(NaN)).toThrow(RangeError);
  });
});
