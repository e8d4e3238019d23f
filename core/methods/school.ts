/** One answer to a question on which practitioners differ. */
export interface SchoolOption {
  id: string;
  words: string;
  /** Why one would. */
  reason: string;
}

/** A question with more than one good answer; the first option stands unless another is chosen. */
export interface SchoolQuestion {
  id: string;
  question: string;
  options: SchoolOption[];
}

/** Chosen option by question. */
export type Choices = Record<string, string>;

/** The option chosen for a question, or the usual one. An answer no longer known counts as none. */
export function chosen(choices: Choices, question: SchoolQuestion): string {
  const id = choices[question.id];
  return question.options.find((option) => option.id === id)?.id ?? question.options[0]!.id;
}

/** Only the choices that a list of questions knows, and only those that differ from the usual. */
export function relevantChoices(choices: Choices, questions: SchoolQuestion[]): Choices {
  return Object.fromEntries(
    questions.flatMap((question) => {
      const id = chosen(choices, question);
      return id === question.options[0]!.id ? [] : [[question.id, id]];
    }),
  );
}
