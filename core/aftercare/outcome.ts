/** How a task is closed. */
export const OUTCOMES = ['done', 'not-needed', 'skipped'] as const;
export type Outcome = (typeof OUTCOMES)[number];
export const OUTCOME_WORDS: Record<Outcome, string> = {
  done: 'done',
  'not-needed': 'not needed',
  skipped: 'left undone',
};
