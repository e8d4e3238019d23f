import { describe, expect, it } from 'vitest';
import { shrunkSince } from './seen-form';

const at = (on: string, mm: number, shortened = false) => ({ on, mm, shortened });

describe('a shoot that is lower than it was', () => {
  const heights = [at('2027-06-01', 120), at('2027-07-01', 300)];
  it('is asked about, with the day it was higher', () => {
    expect(shrunkSince(heights, 200, '2027-07-20')).toEqual(heights[1]);
    // What is entered later of an earlier day is compared with what was before that day.
    expect(shrunkSince(heights, 130, '2027-06-10')).toBeNull();
  });
  it('is not asked about within what two people measure, after it was shortened, or the first time', () => {
    expect(shrunkSince(heights, 280, '2027-07-20')).toBeNull();
    expect(shrunkSince([...heights, at('2027-07-10', 150, true)], 200, '2027-07-20')).toBeNull();
    expect(shrunkSince([], 20, '2027-07-20')).toBeNull();
  });
});
