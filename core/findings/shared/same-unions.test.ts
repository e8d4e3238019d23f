import { describe, expect, it } from 'vitest';
import { sameUnions } from './same-unions';

const range = (from: number, to: number): number[] => Array.from({ length: to - from }, (_, i) => from + i);

describe('the same unions', () => {
  it('are two levels that share nine tenths of the larger, and what hangs on either', () => {
    const same = sameUnions([
      { group: 'wood_lot', level: 'a', members: range(0, 20) },
      { group: 'workshop', level: 'd', members: range(0, 21) },
      { group: 'grafter', level: 'h', members: range(1, 23) },
      { group: 'grafter', level: 'i', members: range(30, 40) },
    ]);
    const [lot, day, hand, other] = [0, 1, 2, 3].map(same);
    expect(lot!.twins).toEqual([1, 2]);
    expect(day!.twins).toEqual([0, 2]);
    // The lot and the hand share 19 of 22, but each is the day's.
    expect(hand!.twins).toEqual([0, 1]);
    expect(other!.twins).toEqual([]);
  });
  it('say what lies within another, and compare no two of one group', () => {
    const same = sameUnions([
      { group: 'wood_lot', level: 'few', members: range(0, 10) },
      { group: 'workshop', level: 'many', members: range(1, 50) },
      { group: 'wood_lot', level: 'alike', members: range(0, 10) },
    ]);
    const [few, many, alike] = [0, 1, 2].map(same);
    expect(few).toEqual({ twins: [], within: [1] });
    expect(many!.within).toEqual([]);
    expect(alike).toEqual({ twins: [], within: [1] });
  });
});
