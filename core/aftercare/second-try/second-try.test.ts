import { describe, expect, it } from 'vitest';
import { secondTry, type SecondTryFacts } from './second-try';

const MAY: SecondTryFacts = {
  today: '2027-05-02',
  needsSlip: false,
  slip: { from: '2027-04-28', to: '2027-06-27' },
  sticksUntil: '2027-05-08',
  firstFrost: '2027-10-20',
  ripen: 110,
  sticksLeft: 4,
  budding: { from: '2027-08-11', to: '2027-09-08' },
};

describe('a second try in the same season', () => {
  it('is possible until the first thing ends that it hangs on', () => {
    expect(secondTry(MAY)).toEqual({ redoBy: '2027-05-08', whyNot: null, budIn: MAY.budding });
    expect(secondTry({ ...MAY, needsSlip: true, slip: { from: '2027-04-28', to: '2027-05-05' } }).redoBy).toBe(
      '2027-05-05',
    );
    // 110 days before the first frost.
    expect(secondTry({ ...MAY, firstFrost: '2027-08-22' }).redoBy).toBe('2027-05-04');
  });
  it('counts the last day in, and says why not from the next on', () => {
    expect(secondTry({ ...MAY, today: '2027-05-08' }).whyNot).toBeNull();
    expect(secondTry({ ...MAY, today: '2027-05-09' })).toMatchObject({ redoBy: null, whyNot: 'buds-awake' });
    expect(secondTry({ ...MAY, sticksLeft: 0 })).toMatchObject({ redoBy: null, whyNot: 'no-sticks' });
  });
  it('is not forbidden by what nobody knows', () => {
    const unknown = { ...MAY, sticksUntil: null, firstFrost: null, slip: null };
    expect(secondTry(unknown)).toMatchObject({ redoBy: null, whyNot: null });
  });
  it('leaves a bud in the budding window, from today on once it has begun', () => {
    expect(secondTry({ ...MAY, today: '2027-08-20' }).budIn).toEqual({ from: '2027-08-20', to: '2027-09-08' });
    expect(secondTry({ ...MAY, today: '2027-09-09' }).budIn).toBeNull();
    expect(secondTry({ ...MAY, budding: null }).budIn).toBeNull();
  });
  it('refuses what cannot be counted', () => {
    expect(() => secondTry({ ...MAY, sticksLeft: -1 })).toThrow(RangeError);
  });
});
