import type { Method, Wood } from '../../methods/method';
import type { Choices } from '../../methods/school';
import type { LengthUnit } from '../../units/length';
import { QUESTION_KINDS, type QuestionKind } from './question-kinds';
import { shortAnswer, type ShortAnswer } from './short-answer';

/** The short answers to all that can be asked at each step of a method, by the step's id. */
export function stepAnswers(
  method: Method,
  choices: Choices,
  wood: Wood,
  unit: LengthUnit,
): Record<string, Record<QuestionKind, ShortAnswer>> {
  const { steps } = method.technique(choices, wood);
  return Object.fromEntries(
    steps.map(({ id: step }) => [
      step,
      Object.fromEntries(
        QUESTION_KINDS.map(({ id: kind }) => [kind, shortAnswer(method, choices, wood, unit, { step, kind })!]),
      ) as Record<QuestionKind, ShortAnswer>,
    ]),
  );
}
