import { type InferType, object, string } from 'yup';
import { id, optionalDate, trimmed } from '@/core/inputs/fields';
import { ANSWERS } from '@/core/methods/milestones';

export const answerInput = object({
  unionId: id('the plant'),
  answer: string()
    .oneOf([...ANSWERS], 'Choose yes, not sure yet, dead, or cannot find it.')
    .required('Choose an answer.'),
  /** The day it was seen; empty for the day it is told. */
  seenOn: optionalDate('the day you saw it'),
  note: trimmed().default('').max(500, 'Keep the note to 500 characters.'),
});

/** What somebody said of a plant. */
export type AnswerInput = InferType<typeof answerInput>;

export const enteredInput = answerInput.shape({
  roundId: id('the round'),
  source: string()
    .oneOf(['phone', 'slip'] as const, 'Say whether it came by phone or on a slip.')
    .required('Say how the answer came.'),
});
