import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { groupSpoilRate, piecesWithSpoiled, spoilRate, spoilSource } from './spoiled-cuts';

const NONE = { spoiled: 0, cuts: 0 };

describe('cuts that spoil their wood', () => {
  it('are guessed by how hard a method is, until twenty were counted', () => {
    expect(spoilRate({ skill: 1 }, NONE, NONE)).toEqual({ share: 0.1, spoiled: 0, cuts: 0 });
    expect(spoilRate({ skill: 3 }, { spoiled: 9, cuts: 19 }, { spoiled: 9, cuts: 19 }).share).toBe(0.3);
    expect(spoilRate({ skill: 3 }, { spoiled: 5, cuts: 20 }, NONE)).toEqual({ share: 0.25, spoiled: 5, cuts: 20 });
  });
  it('are the hand’s own before the club’s', () => {
    const club = { spoiled: 10, cuts: 100 };
    expect(spoilRate({ skill: 1 }, { spoiled: 5, cuts: 20 }, club).share).toBe(0.25);
    expect(spoilRate({ skill: 1 }, { spoiled: 5, cuts: 12 }, club).share).toBe(0.1);
    expect(spoilRate({ skill: 1 }, { spoiled: 0, cuts: 40 }, club).share).toBe(0);
    // Nobody is planned for with more than this, however the count fell.
    expect(spoilRate({ skill: 1 }, { spoiled: 30, cuts: 30 }, NONE).share).toBe(0.6);
  });
  it('of a group count each hand once, and are guessed as soon as one is', () => {
    const [sure, other] = [
      spoilRate({ skill: 1 }, { spoiled: 10, cuts: 20 }, NONE),
      spoilRate({ skill: 1 }, { spoiled: 0, cuts: 60 }, NONE),
    ];
    expect(groupSpoilRate([sure, other])).toEqual({ share: 0.25, spoiled: 10, cuts: 80 });
    expect(groupSpoilRate([sure, spoilRate({ skill: 1 }, NONE, NONE)])).toMatchObject({ share: 0.3, cuts: 0 });
    expect(() => groupSpoilRate([])).toThrow(RangeError);
  });
  it('ask for wood besides: eighteen buds for sixteen chips', () => {
    expect(piecesWithSpoiled(16, 0.1)).toBe(18);
    expect(piecesWithSpoiled(16, 0)).toBe(16);
    expect(piecesWithSpoiled(0, 0.3)).toBe(0);
    expect(piecesWithSpoiled(9, 0.1)).toBe(10);
    fc.assert(
      fc.property(fc.nat(500), fc.double({ min: 0, max: 0.6, noNaN: true }), (good, share) => {
        const pieces = piecesWithSpoiled(good, share);
        expect(pieces * (1 - share)).toBeGreaterThanOrEqual(good - 1e-6);
        expect((pieces - 1) * (1 - share)).toBeLessThan(good + 1e-6);
      }),
    );
  });
  it('say where the rate is from, and refuse what cannot be', () => {
    expect(spoilSource(NONE)).toBe('a guess until the bench has counted 20 cuts');
    expect(spoilSource({ spoiled: 3, cuts: 24 })).toBe('3 of 24 cuts counted at the bench');
    expect(() => spoilRate({ skill: 1 }, { spoiled: 3, cuts: 2 }, NONE)).toThrow(RangeError);
  });
});
