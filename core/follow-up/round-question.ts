import type { RoundKind } from '../methods/milestones';
import type { Question } from '../methods/timetable/round-advice';
import type { Variant } from '../methods/variant';
import type { LengthUnit } from '../units/length';
import { saidLength } from '../units/prose';
import type { Wording } from './wording/wording';

/** Length from which a shoot is long enough, mm, where no site says otherwise. */
const GROWN = 50;

/** A round's question of a variant by its code; null where the round has none of its own for it. */
export function questionOfRound({ rounds }: Pick<Variant, 'rounds'>, kind: RoundKind): Question | null {
  return rounds.find(({ milestone }) => milestone === kind)?.question ?? null;
}

/**
 * How a round is put to whoever looks.
 *
 * @param question of the variant; where it has none the round's own is said
 * @param grown length from which a shoot is long enough, mm
 */
export function questionSaid(
  wording: Wording,
  { kind, question }: { kind: RoundKind; question: Question | null },
  unit: LengthUnit,
  grown = GROWN,
): string {
  return wording.say(question ? `question.${question}` : `question.${kind}`, {
    length: saidLength({ mm: grown }, unit),
  });
}
