import { describe, expect, it } from 'vitest';
import { addDays, daysBetween } from '../../units/iso-date';
import { dayNormals } from '../climate/day-normals';
import { assumptionsWith, knittingBand } from './assumptions';
import { buddingOf } from './budding-window';
import { dayRate } from './day-rate';
import type { Estimate } from './estimate';
import { written } from '../../units/prose';

const COOL = { low: [2, 2, 3, 5, 8, 10, 12, 12, 10, 7, 4, 2], high: [8, 9, 12, 15, 18, 21, 24, 24, 21, 15, 10, 7] };
const assumption = assumptionsWith({});
const on = (best: string): Estimate => ({ early: best, best, late: best, basis: '', source: null, observed: false });
const budding = (kin: string | null, changes: object = {}) =>
  buddingOf({
    kin,
    climate: { normals: COOL, lastFrost: '04-10', firstFrost: '11-01', frostMargin: 14 },
    firstFrost: on('2027-11-01'),
    leavesOut: on('2027-04-01'),
    assumption,
    ...changes,
  });

describe('when a bud can be set to sleep', () => {
  it('closes where a fortnight of full warmth is left before the frost, counted hour by hour', () => {
    const band = knittingBand('pome', assumption);
    const left = (from: string): number => {
      let sum = 0;
      for (let day = from; day < '2027-11-01'; day = addDays(day, 1)) {
        const { low, high } = dayNormals(COOL, day);
        sum += dayRate(band, low, high);
      }
      return sum;
    };
    const { best, early, late } = budding('pome').budClose!;
    expect(left(best)).toBeGreaterThanOrEqual(14);
    expect(left(addDays(best, 1))).toBeLessThan(14);
    expect(early < best && best < late).toBe(true);
  });
  it('closes sooner for kin that want it warmer, and never opens where it is never warm enough for them', () => {
    expect(budding('stone').budClose!.best < budding('pome').budClose!.best).toBe(true);
    const cold = { low: COOL.low.map((t) => t - 8), high: COOL.high.map((t) => t - 8) };
    expect(
      budding('walnut', { climate: { normals: cold, lastFrost: '05-10', firstFrost: '10-01', frostMargin: 9 } })
        .budClose,
    ).toBeNull();
  });
  it('is sure ten weeks before the frost, or later where buds ripen later', () => {
    expect(daysBetween(budding('pome').budOpen!.best, '2027-11-01')).toBe(70);
    const late = budding('pome', { leavesOut: on('2027-07-20') });
    expect(late.budOpen).toBe(late.budRipe);
  });
  it('takes what pome fruit does for kin it does not know, and says so', () => {
    expect(budding(null).budClose!.best).toBe(budding('pome').budClose!.best);
    expect(written(budding(null).budClose!.basis, 'mm', 'C')).toContain('as pome fruit knits');
    expect(written(budding('pome').budClose!.basis, 'mm', 'C')).not.toContain('as pome');
  });
  it('has no dates where it never freezes', () => {
    expect(budding('pome', { firstFrost: null })).toEqual({ budRipe: null, budOpen: null, budClose: null });
  });
});
