import { describe, expect, it } from 'vitest';
import { answersMissing, MINIMUM } from '../facts/answers-missing';
import { filterQuery, EVERYTHING } from '../facts/findings-filter';
import { findingsFilterInput } from '../facts/findings-filter-input';
import { takeOfStates } from '../take/take-of-plants';
import type { TakeState } from '../take/take-state';
import { turnbull } from '../survival/turnbull';
import { costsSentence } from './costs-sentence';
import { survivalSentence } from './survival-sentence';
import { takeSentence } from './take-sentence';

const states = (alive: number, dead: number, unknown: number): TakeState[] => [
  ...Array<TakeState>(alive).fill('alive'),
  ...Array<TakeState>(dead).fill('dead'),
  ...Array<TakeState>(unknown).fill('unknown'),
];

describe('take in a sentence', () => {
  it('says a share with what would fit too, and between what the truth of all lies', () => {
    expect(takeSentence(takeOfStates(states(30, 10, 8)), 'season', 'of the club').replace(/\s/g, ' ')).toBe(
      '75 % of 40 keepers of the club live (season; 60 to 86 % would fit too), and 8 were not heard of, so of all 63 to 79 %.',
    );
  });
  it('says counts where they are few, and nothing where nothing is known', () => {
    expect(takeSentence(takeOfStates(states(4, 2, 1)), null, 'of 2025')).toContain('too few for a share');
    expect(takeSentence(takeOfStates(states(0, 0, 9)), null, 'of 2025')).toBe(
      'Nothing is known yet of 9 keepers of 2025.',
    );
    expect(takeSentence(takeOfStates([]), null, 'of 2025')).toContain('no take to speak of');
  });
});

describe('how many answers are missing', () => {
  it('is none where there are enough, and else as many as would bring the rarer fate', () => {
    expect(answersMissing({ alive: 40, dead: 12 }, MINIMUM.score)).toBe(0);
    expect(answersMissing({ alive: 5, dead: 1 }, MINIMUM.score)).toBe(36);
    expect(answersMissing({ alive: 0, dead: 0 }, MINIMUM.score)).toBe(30);
    expect(answersMissing({ alive: 200, dead: 0 }, MINIMUM.compare)).toBeGreaterThan(1000);
  });
});

describe('costs and deaths in a sentence', () => {
  const cost = (point: string, perHundred: number, low: number) => ({
    point,
    had: 9,
    perHundred,
    low,
    high: perHundred + 4,
    p: low > 0 ? 0.01 : 0.4,
    named: low > 0,
  });
  it('names the dearest that is beyond chance, and claims none that is not', () => {
    expect(costsSentence([cost('bind', 8.2, 5), cost('seal', 3, 1)], (point) => point)).toMatch(
      /^Teach bind first: .*8\.2 more trees in a hundred.* Next comes seal with 3\.0\.$/,
    );
    expect(costsSentence([cost('seal', 2, -1)], (point) => point)).toMatch(/no fault is known to cost trees/);
  });
  it('says in which days most died', () => {
    const seen = [
      { left: 0, right: 21 },
      { left: 21, right: 60 },
      { left: 21, right: 60 },
      { left: 60, right: null },
    ];
    expect(survivalSentence(turnbull(seen), 3)).toMatch(
      /^Most died between day 21 and day 60 .*67\s% of all that died/,
    );
    expect(survivalSentence(turnbull([{ left: 9, right: null }]), 0)).toMatch(/^None of them was seen dead/);
  });
});

describe('a filter', () => {
  it('is read from an address and written to one', () => {
    expect(findingsFilterInput.cast({ year: '2025', method: '', lotId: '' })).toMatchObject({
      year: 2025,
      method: null,
    });
    expect(filterQuery({ ...EVERYTHING, year: 2025, method: 'chip' })).toBe('method=chip&year=2025');
    expect(() => findingsFilterInput.validateSync({ year: 'soon' })).toThrow('Enter a year as a number.');
    expect(() => findingsFilterInput.validateSync({ method: 'wand' })).toThrow('Choose a method of the list.');
    expect(() => findingsFilterInput.validateSync({ scoreFrom: '140' })).toThrow('up to 100');
  });
});
