import { describe, expect, it } from 'vitest';
import { METHODS } from '../../methods/registry';
import { woodOf } from '../../methods/shown-technique';
import { QUESTION_KINDS } from './question-kinds';
import { shortAnswer } from './short-answer';
import { stepAnswers } from './step-answers';

describe.each(METHODS.map((method) => [method.id, method] as const))(
  'what is answered at steps of %s',
  (_id, method) => {
    const wood = woodOf(method.shownWith);
    const answers = stepAnswers(method, {}, wood, 'mm');
    it('is something for each step and each question, in the method’s own words', () => {
      const { steps } = method.technique({}, wood);
      expect(Object.keys(answers)).toEqual(steps.map(({ id }) => id));
      for (const [step, said] of Object.entries(answers)) {
        expect(Object.keys(said)).toEqual(QUESTION_KINDS.map(({ id }) => id));
        for (const { id: kind } of QUESTION_KINDS)
          expect(said[kind]).toEqual(shortAnswer(method, {}, wood, 'mm', { step, kind }));
      }
    });
    it('is in the unit of whoever asks', () => {
      const inches = JSON.stringify(stepAnswers(method, {}, wood, 'in'));
      expect(inches).not.toMatch(/\d\s?mm\b/);
    });
  },
);
