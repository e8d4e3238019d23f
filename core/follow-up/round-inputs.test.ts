import { describe, expect, it } from 'vitest';
import { refusals, taken } from '@/core/testing/refusals';
import { answerInput, enteredInput, growthTyped, settlementInput } from './answer-input';
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
  it('is of a plant, with what was seen, said and noted, all of which may be empty', () => {
    expect(taken(answerInput, { unionId: OWN_ID, said: 'unsure', signs: { growth: 'none' } })).toEqual({
      unionId: OWN_ID,
      signs: { growth: 'none' },
      said: 'unsure',
      snapped: false,
      growth: '',
      growthUnit: 'mm',
      seenOn: '',
      note: '',
    });
    expect(refusals(answerInput, { unionId: 'mine', said: 'green', growthUnit: 'ell', note: 'q'.repeat(501) })).toEqual(
      {
        unionId: 'Choose the plant again; its identity is damaged.',
        said: 'Say that it lives, that it is dead, that you are not sure, or that you cannot find it.',
        growthUnit: 'Choose mm, inches or hand-widths.',
        note: 'Keep the note to 500 characters.',
      },
    );
    for (const signs of [['ring'], { callus: { is: 'ring' } }, 'ring'])
      expect(refusals(answerInput, { unionId: OWN_ID, signs }).signs).toContain('none of those offered');
  });
  it('has a length as people measure it, in mm, inches or hand-widths', () => {
    expect([growthTyped('120', 'mm'), growthTyped('2,5', 'in'), growthTyped('1.5', 'hand')]).toEqual([120, 63.5, 150]);
    expect(growthTyped(' ', 'mm')).toBeNull();
    for (const wrong of ['long', '-3', '99999']) expect(growthTyped(wrong, 'mm')).toBeNaN();
  });
  it('that somebody enters for a grower says how it came', () => {
    const answer = { unionId: OWN_ID, said: 'alive' };
    expect(refusals(enteredInput, { ...answer, source: 'slip' })).toEqual({});
    expect(refusals(enteredInput, answer)).toEqual({ source: 'Say how the answer came.' });
    expect(refusals(enteredInput, { ...answer, source: 'dream' })).toEqual({
      source: 'Say whether it came by phone, on a visit, on a slip or on a bed list.',
    });
  });
  it('is set aside with a reason, where it contradicts another', () => {
    expect(refusals(settlementInput, { setAside: [OWN_ID], why: 'the tags were swapped' })).toEqual({});
    expect(refusals(settlementInput, { setAside: [], why: ' ' })).toEqual({
      setAside: 'Choose which of the answers was wrong.',
      why: 'Say why, so that others can follow it.',
    });
  });
});
