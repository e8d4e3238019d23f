import { describe, expect, it } from 'vitest';
import { growthRate, weeklyGrowth } from './weekly-growth';

const seen = (...heights: [day: number, height: number, shortened?: boolean][]) =>
  heights.map(([day, height, shortened]) => ({ day, height, ...(shortened ? { shortened } : {}) }));

describe('growth per week', () => {
  it('is that between the last height and the latest one a week before it', () => {
    expect(growthRate(seen([70, 60], [84, 160]))).toEqual({ perWeek: 50, day: 84 });
    // Three days before is too near: the one of day 70 is taken.
    expect(growthRate(seen([70, 60], [81, 150], [84, 160]))!.perWeek).toBe(50);
    // A shoot that was measured lower has not shrunk.
    expect(growthRate(seen([70, 60], [77, 50]))!.perWeek).toBe(0);
  });
  it('is not known of one height, and starts anew where the shoot was shortened', () => {
    expect(growthRate(seen([70, 60]))).toBeNull();
    expect(growthRate([])).toBeNull();
    expect(growthRate(seen([70, 300], [80, 100, true], [84, 120]))).toBeNull();
    expect(growthRate(seen([70, 300], [80, 100, true], [94, 140]))!.perWeek).toBe(20);
  });
  it('is slow where it is less than half of the middle of three kin or more, as they grew at that time', () => {
    const kin = [40, 50, 60].map((perWeek) => seen([70, 0], [84, 2 * perWeek]));
    expect(weeklyGrowth(seen([70, 60], [84, 106]), kin)).toEqual({
      perWeek: 23,
      kin: { perWeek: 50, count: 3 },
      slow: true,
    });
    expect(weeklyGrowth(seen([70, 60], [84, 110]), kin)!.slow).toBe(false);
    expect(weeklyGrowth(seen([70, 60], [84, 62]), kin.slice(1))).toMatchObject({ kin: null, slow: false });
    const later = kin.map((own) => own.map(({ day, height }) => ({ day: day + 40, height })));
    expect(weeklyGrowth(seen([70, 60], [84, 62]), later)!.kin).toBeNull();
    expect(weeklyGrowth(seen([70, 60]), kin)).toBeNull();
  });
});
