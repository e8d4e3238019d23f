import { describe, expect, it } from 'vitest';
import { takeOf } from './take-state';
import { countingAnswers, type OneAnswer } from './counting-answers';

const answer = (source: OneAnswer['source'], said: OneAnswer['answer'], seenOn: string): OneAnswer => ({
  source,
  answer: said,
  seenOn,
});
const take = (...answers: OneAnswer[]) =>
  takeOf(countingAnswers(answers).map((each) => ({ milestones: ['growing'], ...each })));

describe('which answers count', () => {
  it('is the last one, of those that were told and of those that looked', () => {
    const told = [answer('link', 'dead', '2027-06-01'), answer('phone', 'yes', '2027-06-02')];
    expect(countingAnswers(told)).toEqual([told[1]]);
    const looked = [answer('visit', 'dead', '2027-06-01'), answer('list', 'yes', '2027-06-02')];
    expect(countingAnswers(looked)).toEqual([looked[1]]);
    expect(countingAnswers([])).toEqual([]);
  });
  it('is that of who looked, before what was told within a fortnight, whichever came first', () => {
    const look = answer('visit', 'yes', '2027-06-10');
    for (const said of ['yes', 'not-sure', 'not-found'] as const) {
      expect(countingAnswers([look, answer('mail', said, '2027-06-20')])).toEqual([look]);
      expect(countingAnswers([answer('mail', said, '2027-06-20'), look])).toEqual([look]);
    }
    // Told of a day before the look, it is what the look corrects.
    expect(countingAnswers([look, answer('link', 'dead', '2027-06-09')])).toEqual([look]);
    expect(countingAnswers([look, answer('link', 'dead', '2027-06-10')])).toEqual([look]);
    // After a fortnight it is news.
    const later = answer('link', 'not-sure', '2027-06-25');
    expect(countingAnswers([look, later])).toEqual([later]);
  });
  it('never outranks what changed: alive and then dead is dead, dead and then alive is for the lead', () => {
    const dead = take(answer('visit', 'yes', '2027-06-10'), answer('link', 'dead', '2027-06-14'));
    expect(dead).toMatchObject({ firstDeadOn: '2027-06-14', lastAliveOn: '2027-06-10', contradicted: false });
    expect(take(answer('visit', 'dead', '2027-06-10'), answer('link', 'yes', '2027-06-14')).contradicted).toBe(true);
  });
  it('knows nothing of a look that could not tell', () => {
    const told = answer('link', 'yes', '2027-06-12');
    expect(countingAnswers([answer('visit', 'not-sure', '2027-06-10'), told])).toEqual([told]);
  });
});
