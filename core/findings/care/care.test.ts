import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type TieFate, tiesInTime } from './ties-in-time';
import { isDrawn, lookBy, lotOf, type ToldAnswer, toldErrors } from './told-and-looked';

const fate = (changes: Partial<TieFate> = {}): TieFate => ({
  year: 2027,
  withUs: false,
  latest: '2027-08-31',
  offOn: '2027-08-20',
  endedOn: null,
  ...changes,
});
let count = 0;
const answer = (source: ToldAnswer['source'], said: ToldAnswer['answer'], seenOn: string): ToldAnswer => ({
  id: `answer ${count++}`,
  source,
  answer: said,
  seenOn,
});

describe('ties in time', () => {
  it('are those off by their last day; what is on past it is late, what has days left is open', () => {
    const fates = [
      fate(),
      fate({ offOn: '2027-08-31' }),
      fate({ offOn: '2027-09-01' }),
      fate({ offOn: null }),
      fate({ latest: '2027-12-01', offOn: null }),
      fate({ withUs: true }),
      fate({ year: 2026, offOn: null, endedOn: '2026-09-01', latest: '2026-08-01' }),
    ];
    expect(tiesInTime(fates, '2027-10-01')).toMatchObject([
      { year: 2027, withUs: false, inTime: 2, late: 2, open: 1, rate: 0.5 },
      { year: 2027, withUs: true, inTime: 1, late: 0, rate: 1 },
      { year: 2026, inTime: 0, late: 1 },
    ]);
  });
  it('say nothing of a union that died first, nor where nobody knows a last day', () => {
    expect(tiesInTime([fate({ offOn: null, endedOn: '2027-06-01' }), fate({ latest: null })], '2027-10-01')).toEqual(
      [],
    );
    expect(tiesInTime([fate({ offOn: null, latest: '2027-12-01' })], '2027-10-01')[0]).toMatchObject({
      rate: null,
      interval: null,
      open: 1,
    });
  });
});

describe('what was told and looked at', () => {
  it('is wrong where the look says otherwise, but for what can have died since', () => {
    const errors = (...answers: ToldAnswer[]) => toldErrors([answers], () => true);
    expect(errors(answer('link', 'yes', '2027-06-01'), answer('visit', 'yes', '2027-06-03'))).toMatchObject({
      looked: 1,
      wrong: 0,
    });
    expect(errors(answer('link', 'dead', '2027-06-01'), answer('visit', 'yes', '2027-06-03')).wrong).toBe(1);
    expect(errors(answer('link', 'yes', '2027-06-01'), answer('visit', 'dead', '2027-06-03')).wrong).toBe(0);
    expect(errors(answer('link', 'yes', '2027-06-01'), answer('visit', 'dead', '2027-05-30')).wrong).toBe(1);
    expect(errors(answer('link', 'yes', '2027-06-01'), answer('visit', 'dead', '2027-06-20')).looked).toBe(0);
    expect(errors(answer('link', 'not-sure', '2027-06-01'), answer('visit', 'yes', '2027-06-01')).looked).toBe(0);
  });
  it('is drawn by lot: the same every time, one in twenty, of each club its own', () => {
    const told = Array.from({ length: 20_000 }, (_, i) => ({ ...answer('link', 'yes', '2027-06-01'), id: `id ${i}` }));
    const drawn = (seed: string) => told.filter((each) => isDrawn(each, seed)).map(({ id }) => id);
    // Within four standard deviations of a binomial of 20,000 and 0.05.
    expect(Math.abs(drawn('one club').length - 1000)).toBeLessThan(4 * Math.sqrt(20_000 * 0.05 * 0.95));
    expect(drawn('one club')).toEqual(drawn('one club'));
    const ofThisClub = new Set(drawn('one club'));
    const both = drawn('another').filter((id) => ofThisClub.has(id));
    expect(both.length).toBeLessThan(120);
    expect(isDrawn(answer('visit', 'yes', '2027-06-01'), 'one club', 1)).toBe(false);
    expect(isDrawn(answer('link', 'not-found', '2027-06-01'), 'one club', 1)).toBe(false);
    fc.assert(fc.property(fc.string(), (text) => lotOf(text) >= 0 && lotOf(text) < 1));
  });
  it('is looked at within a fortnight of its coming, or lapses', () => {
    const told = { ...answer('mail', 'yes', '2027-06-01'), cameOn: '2027-06-02' };
    expect(lookBy(told, [told], '2027-06-10')).toBe('2027-06-16');
    expect(lookBy(told, [told], '2027-06-17')).toBeNull();
    expect(lookBy(told, [told, answer('list', 'yes', '2027-06-05')], '2027-06-10')).toBeNull();
  });
});
