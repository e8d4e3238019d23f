import { describe, expect, it } from 'vitest';
import { addDays } from '../../units/iso-date';
import { batchProgress } from './batch';
import { frostFreeAfter, holdBack } from './hold-back';
import type { DayOfWarmth } from './warmth-by-day';

const days = (knits: number[], measured = 24): DayOfWarmth[] =>
  knits.map((knit, i) => ({ on: addDays('2027-03-06', i), knit, heatHours: i, frostHours: 0, measured }));

describe('a batch in a callus place', () => {
  it('counts from the day after it came, and says when it is done', () => {
    const progress = batchProgress(days([1, 0.5, 0.5, 1]), '2027-03-06', 14);
    // The first day does not count: 2 of 14 are done at two thirds a day, 12 are left.
    expect(progress).toMatchObject({ knit: 2, days: 18, soonest: 12, latest: 24, heatHours: 6, unknownHours: 0 });
  });
  it('takes no rate from a day that is not over', () => {
    const begun = [...days([1, 1, 1]), { ...days([0.1], 3)[0]!, on: '2027-03-09' }];
    expect(batchProgress(begun, '2027-03-05', 14)).toMatchObject({ knit: 3.1, days: 11, latest: 11, unknownHours: 0 });
  });
  it('says how many hours nobody measured', () => {
    const gap = [...days([1, 0.25, 1])];
    gap[1] = { ...gap[1]!, measured: 6 };
    expect(batchProgress(gap, '2027-03-05', 14).unknownHours).toBe(17);
    expect(batchProgress([], '2027-03-05', 14)).toMatchObject({ knit: 0, days: null });
  });
});

describe('grafts that leafed out in the warmth', () => {
  it('are planted once frost is over, if they can be held back that long, and potted if not', () => {
    const frostFree = frostFreeAfter('2027-04-20', '04-24', 12);
    expect(frostFree).toBe('2027-05-06');
    expect(holdBack('2027-04-20', 28, frostFree)).toEqual({ until: '2027-05-18', frostFree, plantBy: '2027-05-18' });
    expect(holdBack('2027-03-20', 28, frostFree).plantBy).toBeNull();
    expect(holdBack('2027-03-20', 28, null).plantBy).toBe('2027-04-17');
  });
  it('wait for the frost of their own spring, in the south too', () => {
    expect(frostFreeAfter('2027-06-10', '04-24', 12)).toBe('2027-06-10');
    expect(frostFreeAfter('2027-12-20', '04-24', 12)).toBe('2028-05-06');
    expect(frostFreeAfter('2027-09-01', '09-22', 16)).toBe('2027-10-08');
    expect(frostFreeAfter('2027-09-01', null, 0)).toBeNull();
  });
});
