import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ranksTurnAt, takeAsHeard, takeAsReminded, takeIf, turnsAt } from './unheard-scenarios';
import { takeOfPlants } from './take-of-plants';

const counts = { alive: 30, dead: 10, unknown: 8 };
const drawn = fc.record({ alive: fc.nat(50), dead: fc.nat(50), unknown: fc.integer({ min: 1, max: 50 }) });

describe('those not heard from', () => {
  it('move the take from one bound to the other', () => {
    expect([takeIf(counts, 0), takeIf(counts, 1)]).toEqual([30 / 48, 38 / 48]);
    expect(takeAsHeard(counts)).toBeCloseTo(0.75, 12);
    expect(takeIf({ alive: 0, dead: 0, unknown: 0 }, 0.5)).toBeNull();
    expect(() => takeIf(counts, 1.2)).toThrow('between 0 and 1');
  });
  it('as often as those who needed a reminder: from ten of these on', () => {
    expect(takeAsReminded(counts, { alive: 5, dead: 4 })).toBeNull();
    expect(takeAsReminded(counts, { alive: 5, dead: 5 })).toBeCloseTo((30 + 4) / 48, 12);
  });
  it('turn a conclusion where the take is just the rate, and nowhere else', () => {
    fc.assert(
      fc.property(drawn, fc.double({ min: 0, max: 1, noNaN: true }), (some, rate) => {
        const share = turnsAt(some, rate);
        if (share === null)
          expect(takeIf(some, 0)! > rate === takeIf(some, 1)! > rate || takeIf(some, 1) === rate).toBe(true);
        else expect(takeIf(some, share)).toBeCloseTo(rate, 9);
      }),
    );
  });
  it('turn which of two is better where both are equal', () => {
    fc.assert(
      fc.property(drawn, drawn, (first, second) => {
        const share = ranksTurnAt(first, second);
        if (share !== null) expect(takeIf(first, share)).toBeCloseTo(takeIf(second, share)!, 9);
      }),
    );
    expect(ranksTurnAt({ alive: 8, dead: 2, unknown: 0 }, { alive: 5, dead: 1, unknown: 4 })).toBeCloseTo(0.75, 9);
  });
});

describe('plants and varieties', () => {
  it('live by one union, are dead by all, and else unknown', () => {
    const { unions, plants, varieties } = takeOfPlants([
      { plant: 'a', state: 'alive', variety: 'Tessel' },
      { plant: 'a', state: 'dead', variety: 'Tessel' },
      { plant: 'b', state: 'dead', variety: 'Tessel' },
      { plant: 'c', state: 'dead', variety: 'Orrin' },
      { plant: 'c', state: 'unknown', variety: 'Orrin' },
      { plant: 'd', state: 'dead', variety: null },
    ]);
    expect([unions.alive, unions.dead, unions.unknown]).toEqual([1, 4, 1]);
    expect([plants.alive, plants.dead, plants.unknown]).toEqual([1, 2, 1]);
    expect([varieties!.alive, varieties!.dead, varieties!.unknown]).toEqual([1, 0, 1]);
  });
});
