/** What learners ask at a step, in the order it is offered. */
export const QUESTION_KINDS = [
  { id: 'how-tight', words: 'How tight?' },
  { id: 'how-deep', words: 'How deep?' },
  { id: 'which-side', words: 'Which side?' },
  { id: 'come-off', words: 'Must it come off?' },
] as const;

export type QuestionKind = (typeof QUESTION_KINDS)[number]['id'];

/** How often something was asked at a step: on this day, and on all the club's days with this method. */
export interface AskedCount {
  method: string;
  step: string;
  kind: QuestionKind;
  here: number;
  ever: number;
}
