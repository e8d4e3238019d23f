import { describe, expect, it } from 'vitest';
import { ENGLISH } from '../wording/english';
import { growerLetter, type LetterAsk } from './letter';
import { mayAsk, mayWrite } from './letter-due';

const ask = (changes: Partial<LetterAsk> = {}): LetterAsk => ({
  code: 'K7M4XQ',
  variety: 'Grey Heron',
  position: 'sole',
  question: 'Are its buds swelling?',
  workshop: { title: 'Bench day', date: '2027-03-06' },
  before: 0,
  lookedBefore: false,
  ...changes,
});
const letter = (asks: LetterAsk[], told = 0) =>
  growerLetter(ENGLISH, { name: 'Ona Ferrel', club: 'Reed Islet Grafters', asks, told, url: 'https://x.example/r/t' });

describe('a letter to a grower', () => {
  it('asks all that is due at once, each question with its plants', () => {
    const { subject, text } = letter([
      ask(),
      ask({ code: 'W4C4TF', position: 'upper' }),
      ask({ code: 'P2P2P2', question: 'Is the tip swelling?' }),
    ]);
    expect(subject).toContain('How are your grafts of');
    expect(text.match(/Are its buds swelling\?/g)).toHaveLength(1);
    expect(text).toContain('3 of your grafts want a look now');
    expect(text).toContain('W4C 4TF  Grey Heron, the upper one');
    expect(text).toContain('https://x.example/r/t');
  });
  it('is worded by who has not answered, and says when it is the last', () => {
    expect(letter([ask({ before: 1 })]).text).toContain('we have not heard yet how your graft does');
    expect(letter([ask({ before: 1 })], 2).text).toContain('thank you for what you told us');
    const last = letter([ask({ before: 2 })]);
    expect(last.subject).toContain('The last time');
    expect(last.text).toContain('We do not ask a third time');
    expect(letter([ask({ lookedBefore: true })]).text).toContain('now is the day to look again');
  });
  it('is written once a week at most, and of one thing three times', () => {
    expect([
      mayWrite(null, '2027-05-01'),
      mayWrite('2027-04-25', '2027-05-01'),
      mayWrite('2027-04-24', '2027-05-01'),
    ]).toEqual([true, false, true]);
    expect([mayAsk(0), mayAsk(2), mayAsk(3)]).toEqual([true, true, false]);
    expect(() => letter([])).toThrow(RangeError);
  });
});
