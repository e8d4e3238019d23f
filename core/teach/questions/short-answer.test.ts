import { describe, expect, it } from 'vitest';
import { METHODS } from '../../methods/registry';
import { woodOf } from '../../methods/shown-technique';
import { QUESTION_KINDS } from './question-kinds';
import { shortAnswer } from './short-answer';

const method = (id: string) => METHODS.find((known) => known.id === id)!;
const answer = (
  id: string,
  step: string,
  kind: (typeof QUESTION_KINDS)[number]['id'],
  choices = {},
  unit: 'mm' | 'in' = 'mm',
) => shortAnswer(method(id), choices, woodOf(method(id).shownWith), unit, { step, kind });

describe('the short answer to what learners ask', () => {
  it('is there for every kind at every step of every method', () => {
    for (const { id, technique, shownWith } of METHODS)
      for (const { id: step } of technique({}, woodOf(shownWith)).steps)
        for (const { id: kind } of QUESTION_KINDS)
          expect(answer(id, step, kind)?.text.length, `${id} ${step} ${kind}`).toBeGreaterThan(5);
  });
  it('says how tight from the wrap, and how the schools turn it', () => {
    const tight = answer('whip-and-tongue', 'stock-cut', 'how-tight')!;
    expect(tight.text).toContain('the scion cannot be turned');
    expect(tight.schools.map(({ question }) => question)).toContain('Turns of the wrap');
  });
  it('says how deep from the step’s figures, in the reader’s unit', () => {
    expect(answer('whip-and-tongue', 'stock-cut', 'how-deep')!.text).toMatch(/mm/);
    expect(answer('whip-and-tongue', 'stock-cut', 'how-deep', {}, 'in')!.text).not.toMatch(/\bmm\b/);
  });
  it('says what must come off by variant and school, with what happens if it is missed', () => {
    expect(answer('patch', 'bind', 'come-off')!.text).toMatch(/girdles/i);
    const early = answer('whip-and-tongue', 'bind', 'come-off', { 'binding-off': 'perforate' })!.text;
    const looked = answer('whip-and-tongue', 'bind', 'come-off')!.text;
    expect(early).not.toBe(looked);
  });
  it('is none for a step the method does not have', () => {
    expect(answer('cleft', 'tongue', 'how-deep')).toBeNull();
  });
});
