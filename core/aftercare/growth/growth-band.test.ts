import { describe, expect, it } from 'vitest';
import { growthBand, type MeasuredShoot } from './growth-band';

let made = 0;
const shoot = (mm: number, changes: Partial<MeasuredShoot> = {}): MeasuredShoot => ({
  unionId: `u${made++}`,
  variety: 'Grey Heron',
  species: 'pear',
  stockType: 'Reedmoor quince',
  made: 'whip-and-tongue bench',
  age: 80,
  mm,
  ...changes,
});
const heights = (count: number, changes: Partial<MeasuredShoot> = {}): MeasuredShoot[] =>
  Array.from({ length: count }, (_, i) => shoot(10 * (i + 1), changes));

describe('growth beside its like', () => {
  it('goes by variety and stock from ten plants on, and says where a height lies', () => {
    // 10 to 110 in tens: quartiles by hand, 35 and 85.
    const all = heights(11);
    expect(growthBand(shoot(20), all)).toMatchObject({
      low: 35,
      middle: 60,
      high: 85,
      plants: 11,
      among: 'variety',
      place: 'below',
    });
    expect(growthBand(shoot(60), all)?.place).toBe('within');
    expect(growthBand(shoot(90), all)?.place).toBe('above');
  });
  it('goes by kin where its variety was measured too seldom, and is nothing where both were', () => {
    const kin = heights(10, { variety: 'Lantern Bay', stockType: 'Seedling' });
    expect(growthBand(shoot(50), [...heights(9), ...kin])).toMatchObject({ among: 'kin', plants: 19 });
    expect(growthBand(shoot(50), heights(9))).toBeNull();
    expect(growthBand(shoot(50), heights(12, { species: 'persimmon', variety: 'Amber Wane' }))).toBeNull();
  });
  it('compares what was made alike at the same age, each plant once, and never itself', () => {
    const all = heights(11);
    const own = { ...shoot(20), unionId: all[0]!.unionId };
    expect(growthBand(own, all)?.plants).toBe(10);
    expect(growthBand(shoot(20, { made: 'chip late-summer' }), all)).toBeNull();
    expect(growthBand(shoot(20, { age: 120 }), all)).toBeNull();
    const twice = [...all, ...all.map((each) => ({ ...each, age: 85, mm: 500 }))];
    expect(growthBand(shoot(20), twice)).toMatchObject({ plants: 11, high: 85 });
  });
});
