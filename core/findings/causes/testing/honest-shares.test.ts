import { describe, expect, it } from 'vitest';
import { seededRandom } from '../../../chance/seeded-random';
import { CAUSE_GROUPS } from '../cause-tables';
import { sharesOfCauses } from '../shares-of-causes';
import { SHIPPED_MODEL } from '../shipped-tables';
import { drawnDeath } from './drawn-death';

describe('the shares are honest', () => {
  it('of what is said with so many per cent, about so many are right', () => {
    const random = seededRandom(5);
    const fifths = Array.from({ length: 5 }, () => ({ all: 0, right: 0, said: 0 }));
    for (let i = 0; i < 3000; i++) {
      const group = CAUSE_GROUPS[i % CAUSE_GROUPS.length]!;
      const { cause, codes } = drawnDeath(random, SHIPPED_MODEL, group);
      sharesOfCauses(SHIPPED_MODEL, group, codes).forEach((share, at) => {
        const fifth = fifths[Math.min(4, Math.floor(share * 5))]!;
        fifth.all++;
        fifth.said += share;
        fifth.right += Number(SHIPPED_MODEL.causes[at] === cause);
      });
    }
    for (const { all, right, said } of fifths) {
      expect(all).toBeGreaterThan(300);
      expect(Math.abs(right / all - said / all)).toBeLessThan(0.05);
    }
  });
});
