import type { Prose } from '../units/prose';

/** One answer to a question on which practitioners differ. */
export interface SchoolOption<Answer extends string = string> {
  id: Answer;
  words: Prose;
  /** Why one would. */
  reason: Prose;
}

/** What a question is about, which is how a page groups them. */
export type SchoolSubject = 'wood' | 'cut' | 'cover' | 'aftercare';

/** A question with more than one good answer; the first option stands unless another is chosen. */
export interface SchoolQuestion<Answer extends string = string> {
  id: string;
  about: SchoolSubject;
  question: string;
  options: readonly SchoolOption<Answer>[];
}

/** Chosen option by question. */
export type Choices = Record<string, string>;

/**
 * A question with its answers, the usual one first.
 *
 * @example question('knife', 'cut', 'The knife', ['single', 'bevelled on one side', 'Rides flat.'], ['any', 'any', 'Sharp.'])
 */
export function question<const Answer extends string>(
  id: string,
  about: SchoolSubject,
  text: string,
  ...options: [answer: Answer, words: Prose, reason: Prose][]
): SchoolQuestion<Answer> {
  return {
    id,
    about,
    question: text,
    options: options.map(([answer, words, reason]) => ({ id: answer, words, reason })),
  };
}

/** The same question for methods where another answer is the usual one; answers left out are not offered there. */
export function usually<Answer extends string, Offered extends Answer>(
  asked: SchoolQuestion<Answer>,
  ...answers: Offered[]
): SchoolQuestion<Offered> {
  return {
    ...asked,
    options: answers.map((answer) => ({ ...asked.options.find(({ id }) => id === answer)!, id: answer })),
  };
}

/** The option chosen for a question, or the usual one. An answer no longer known counts as none. */
export function chosen<Answer extends string>(choices: Choices, { id, options }: SchoolQuestion<Answer>): Answer {
  return (options.find((option) => option.id === choices[id]) ?? options[0]!).id;
}

/** How the chosen answer is said. */
export function chosenWords<Answer extends string>(choices: Choices, asked: SchoolQuestion<Answer>): Prose {
  const answer = chosen(choices, asked);
  return asked.options.find(({ id }) => id === answer)!.words;
}

/** Only the choices that a list of questions knows, and only those that differ from the usual. */
export function relevantChoices(choices: Choices, questions: readonly SchoolQuestion[]): Choices {
  return Object.fromEntries(
    questions.flatMap((asked) => {
      const answer = chosen(choices, asked);
      return answer === asked.options[0]!.id ? [] : [[asked.id, answer]];
    }),
  );
}

/** The answers a question has. */
export type AnswerTo<Question> = Question extends SchoolQuestion<infer Answer> ? Answer : never;
