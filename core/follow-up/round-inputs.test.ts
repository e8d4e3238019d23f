import { describe, expect, it } from 'vitest';
import { refusals, taken } from '@/core/testing/refusals';
import { answerInput, enteredInput } from './answer-input';
import { closing, roundInput } from './round-input';

const OWN_ID = '018f6b1e-7c1a-7d2e-9c3b-0a1b2c3d4e5f';

describe('a round', () => {
  it('may lie years ahead, as trees ask', () => {
    const round = { milestone: 'wintered', opensOn: '2030-04-20', closesOn: '2030-05-20' };
    expect(refusals(roundInput, round)).toEqual({});
    expect(refusals(roundInput, { ...round, milestone: 'fruited' })).toEqual({
      milestone: 'Choose what the round asks.',
    });
    expect(refusals(closing, { closesOn: '2020-30-05' })).toEqual({
      closesOn: 'Enter the day the round closes as an existing date, year-month-day.',
    });
  });
});

describe('an answer', () => {
  it('is of a plant, with a note that may be empty', () => {
    expect(taken(answerInput, { unionId: OWN_ID, answer: 'not-sure' })).toEqual({
      seenOn: '',
      unionId: OWN_ID,
      answer: 'not-sure',
      note: '',
    });
    expect(refusals(answerInput, { unionId: 'mine', answer: 'green', note: 'q'.repeat(501) })).toEqual({
      unionId: 'Choose the plant again; its identity is damaged.',
      answer: 'Choose yes, not sure yet, dead, or cannot find it.',
      note: 'Keep the note to 500 characters.',
    });
  });
  it('that somebody enters for a grower says how it came', () => {
    const answer = { unionId: OWN_ID, roundId: OWN_ID, answer: 'yes' };
    expect(refusals(enteredInput, { ...answer, source: 'slip' })).toEqual({});
    expect(refusals(enteredInput, answer)).toEqual({ source: 'Say how the answer came.' });
    expect(refusals(enteredInput, { ...answer, source: 'dream' })).toEqual({
      source: 'Say whether it came by phone or on a slip.',
    });
  });
});
