import { describe, expect, it } from 'vitest';
import { seededRandom } from '../../chance/seeded-random';
import { askedBlind } from './asked-blind';
import { fittedPower, POWER_BEFORE } from './fitted-power';

/** Deaths whose settled cause is drawn from their shares raised to a power. */
function drawn(count: number, power: number) {
  const random = seededRandom(7);
  return Array.from({ length: count }, () => {
    const raw = Array.from({ length: 6 }, () => random() ** 3);
    const sum = raw.reduce((a, b) => a + b, 0);
    const shares = raw.map((x) => x / sum);
    const sharp = shares.map((share) => share ** power);
    let left = random() * sharp.reduce((a, b) => a + b, 0);
    const settled = sharp.findIndex((x) => (left -= x) <= 0);
    return { shares, settled };
  });
}

describe('the power of the shares', () => {
  it.each([0.5, 1, 2])('is found again where causes were drawn with %s', (power) => {
    expect(Math.abs(fittedPower(drawn(5000, power))! - power)).toBeLessThan(0.08 * power);
  });
  it('is none before the first, near what was believed after it, and moves with more', () => {
    expect(fittedPower([])).toBeNull();
    const first = fittedPower(drawn(1, 2))!;
    expect(Math.abs(first - POWER_BEFORE.mean)).toBeLessThan(0.15);
    expect(fittedPower(drawn(2000, 2))!).toBeGreaterThan(fittedPower(drawn(40, 2))!);
  });
  it('stands a settled cause whose share is nothing', () => {
    const deaths = drawn(200, 1).concat([{ shares: [1, 0, 0, 0, 0, 0], settled: 1 }]);
    expect(fittedPower(deaths)).toBeGreaterThanOrEqual(0.1);
  });
});

describe('which deaths are judged blind', () => {
  it('is one in five, and always the same', () => {
    const ids = Array.from({ length: 4000 }, (_, i) => `union ${i}`);
    const share = ids.filter(askedBlind).length / ids.length;
    expect(share).toBeGreaterThan(0.17);
    expect(share).toBeLessThan(0.23);
    expect(ids.filter(askedBlind)).toEqual(ids.filter(askedBlind));
  });
});
