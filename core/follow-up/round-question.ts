import { type Milestone, MILESTONE_WORDS } from '../methods/milestones';
import { questionWords } from '../methods/timetable/round-advice';
import type { Variant } from '../methods/variant';

/**
 * What a round asks of a union, by its variant; where the variant is not asked for this milestone but a round was made
 * for it all the same, the milestone's own question.
 *
 * @param length writes a length in the reader's unit.
 */
export function roundQuestion(
  { rounds }: Pick<Variant, 'rounds'>,
  milestone: Milestone,
  length: (mm: number) => string,
): string {
  const asked = rounds.find((round) => round.milestone === milestone);
  return asked ? questionWords(asked.question, length) : MILESTONE_WORDS[milestone].question;
}
