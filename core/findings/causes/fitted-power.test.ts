import { describe, expect, it } from 'vitest';
import { seededRandom } from '../../chance/seeded-random';
import { fittedPower, SETTLED_TO_FIT } from './fitted-power';

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
  it('is not fitted from too few', () => {
    expect(fittedPower(drawn(SETTLED_TO_FIT - 1, 1))).toBeNull();
    expect(fittedPower(drawn(SETTLED_TO_FIT, 1))).not.toBeNull();
  });
  it('stands a settled cause whose share is nothing', () => {
    const deaths = drawn(200, 1).concat([{ shares: [1, 0, 0, 0, 0, 0], settled: 1 }]);
    expect(fittedPower(deaths)).toBeGreaterThanOrEqual(0.1);
  });
});
