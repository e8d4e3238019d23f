import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { betterOfTwo } from './better-of-two';

const counts = fc.record({ alive: fc.nat(40), dead: fc.nat(40), unknown: fc.nat(10) });

describe('which of two did better', () => {
  it('is not told from few, and is from many', () => {
    expect(betterOfTwo({ alive: 4, dead: 1, unknown: 0 }, { alive: 3, dead: 2, unknown: 0 })).toMatchObject({
      told: 'not apart',
    });
    expect(betterOfTwo({ alive: 40, dead: 4, unknown: 2 }, { alive: 20, dead: 20, unknown: 3 })).toEqual({
      told: 'ahead',
      first: true,
      certain: true,
      turn: null,
    });
  });
  it('is not certain where the silent of either could turn it', () =>
    expect(betterOfTwo({ alive: 30, dead: 3, unknown: 30 }, { alive: 20, dead: 20, unknown: 30 })).toMatchObject({
      told: 'ahead',
      first: true,
      certain: false,
    }));
  it('is null where nobody was heard of one', () =>
    expect(betterOfTwo({ alive: 0, dead: 0, unknown: 9 }, { alive: 3, dead: 2, unknown: 0 })).toBeNull());
  it('turns round with the two, and is certain only where no fate of the silent changes it', () => {
    fc.assert(
      fc.property(counts, counts, (a, b) => {
        const [straight, other] = [betterOfTwo(a, b), betterOfTwo(b, a)];
        expect(straight?.told).toBe(other?.told);
        if (straight?.told !== 'ahead' || other?.told !== 'ahead') return;
        expect(straight.first).toBe(!other.first);
        const [better, worse] = straight.first ? [a, b] : [b, a];
        const all = (each: typeof a): number => each.alive + each.dead + each.unknown;
        if (!straight.certain) return;
        for (const [x, y] of [
          [0, 1],
          [0, 0],
          [1, 1],
        ] as const)
          expect((better.alive + x * better.unknown) / all(better)).toBeGreaterThan(
            (worse.alive + y * worse.unknown) / all(worse),
          );
      }),
    );
  });
});
