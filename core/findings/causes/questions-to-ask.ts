import type { CauseModel } from './cause-model';
import type { CauseGroup, QuestionRow } from './cause-tables';

/** A question that would tell something, and how much: the fall of entropy to expect, in bits. */
export interface AskNext {
  question: QuestionRow;
  bits: number;
}

/** How undecided shares are, bits. */
function entropy(shares: readonly number[]): number {
  return shares.reduce((sum, share) => (share > 0 ? sum - share * Math.log2(share) : sum), 0);
}

/** Bits a question is expected to tell: entropy now less the mean of that after each of its answers. */
function bitsOf(model: CauseModel, shares: readonly number[], { answers }: QuestionRow): number {
  let after = 0;
  for (const { code, found } of answers) {
    const { scaled } = model.evidence.get(code)!;
    const joint = shares.map((share, at) => share * scaled[at]! * found);
    const chance = joint.reduce((sum, value) => sum + value, 0);
    after += chance * entropy(joint.map((value) => value / chance));
  }
  return Math.max(0, entropy(shares) - after);
}

/**
 * Questions worth asking next, the one that tells most for its trouble first. Left out are those that are answered,
 * not asked of this way of making, or not allowed (cutting a union open that may live).
 *
 * @param codes what is known already
 * @example questionsToAsk(model, 'bench', shares, ['contact-part'])[0].question.question
 */
export function questionsToAsk(
  model: CauseModel,
  group: CauseGroup,
  shares: readonly number[],
  codes: readonly string[],
  allowed: (question: QuestionRow) => boolean = () => true,
): AskNext[] {
  const known = new Set(codes);
  return model.questions
    .filter(
      (question) =>
        question.askedOf.includes(group) && !question.answers.some(({ code }) => known.has(code)) && allowed(question),
    )
    .map((question) => ({ question, bits: bitsOf(model, shares, question) }))
    .sort((a, b) => b.bits / b.question.effort - a.bits / a.question.effort);
}
