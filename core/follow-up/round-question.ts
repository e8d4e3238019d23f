import { type Milestone, MILESTONE_WORDS } from '../methods/milestones';
import { questionWords } from '../methods/timetable/round-advice';
import type { Variant } from '../methods/variant';
import type { LengthUnit } from '../units/length';
import { written } from '../units/prose';

/**
 * What a round asks of a union, by its variant; where the variant is not asked for this milestone but a round was made
 * for it all the same, the milestone's own question.
 */
export function roundQuestion({ rounds }: Pick<Variant, 'rounds'>, milestone: Milestone, unit: LengthUnit): string {
  const asked = rounds.find((round) => round.milestone === milestone);
  return asked ? questionWords(asked.question, unit) : written(MILESTONE_WORDS[milestone].question, unit);
}
