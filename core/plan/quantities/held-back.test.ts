import { describe, expect, it } from 'vitest';
import { heldBack } from './held-back';

describe('sticks to hold back', () => {
  it('are as many as are expected to fail, rounded up', () => {
    expect([heldBack(60, 0.9), heldBack(10, 0.75), heldBack(7, 1), heldBack(0, 0.5)]).toEqual([6, 3, 0, 0]);
    expect(() => heldBack(3, 1.2)).toThrow(RangeError);
  });
});
