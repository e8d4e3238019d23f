import { withoutWinter } from './asks/without-winter';
import type { Milestone, RoundKind } from '../methods/milestones';
import { isMilestone } from '../methods/milestones';
import { methodById } from '../methods/registry';
import { type Variant, variantWith } from '../methods/variant';
import type { VariantId } from '../methods/use';

/** How a union was made, as far as its follow-up goes by it. */
export interface Made {
  method: string;
  variant: VariantId;
}

/** The variant a union was made in; the method's first where the method has no such one any more. */
export function variantMade({ method, variant }: Made): Variant {
  return variantWith(methodById(method), variant);
}

/** What an answer to a round tells of a union: the round's milestone, and a later one that the same look answers. */
export function milestonesTold(made: Made, milestone: Milestone): Milestone[] {
  const also = variantMade(made).rounds.find((round) => round.milestone === milestone)?.answers;
  return also ? [milestone, also] : [milestone];
}

/** How a round names the unions it asks of: "chip/spring". */
export function madeKey({ method, variant }: Made): string {
  return `${method}/${variant}`;
}

/**
 * Whether a round asks of a union. One made for certain unions asks of those; one made for all asks of those whose variant
 * has something to be asked then: a bud that sleeps is not asked whether it is alive at leaf fall. A look once a year is
 * asked of all.
 */
export function asksOf({ asks, milestone }: { asks: string; milestone: RoundKind }, made: Made): boolean {
  if (asks !== '') return asks.split(' ').includes(madeKey(made));
  return !isMilestone(milestone) || variantMade(made).rounds.some((round) => round.milestone === milestone);
}

/** A question of a round, and the unions it is put of. */
export interface AskedQuestion<Union extends Made> {
  question: string;
  unions: Union[];
}

/**
 * What a round asks of some unions, each question once with those it is put of, in the order of the unions.
 *
 * @param winter whether one comes where they were made
 */
export function questionsAsked<Union extends Made>(
  unions: readonly Union[],
  questionOf: (variant: Variant) => string,
  winter = true,
): AskedQuestion<Union>[] {
  const asked: AskedQuestion<Union>[] = [];
  for (const union of unions) {
    const made = variantMade(union);
    const question = questionOf(winter ? made : withoutWinter(made));
    const same = asked.find((other) => other.question === question);
    if (same) same.unions.push(union);
    else asked.push({ question, unions: [union] });
  }
  return asked;
}

/** Questions in a sentence each, with whose they are where there are several. */
export function questionText<Union extends Made>(
  asked: readonly AskedQuestion<Union>[],
  called: (union: Union) => string,
): string {
  if (asked.length === 1) return asked[0]!.question;
  return asked.map(({ question, unions: put }) => `${[...new Set(put.map(called))].join(', ')}: ${question}`).join(' ');
}
