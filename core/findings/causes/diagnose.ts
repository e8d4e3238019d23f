import type { CauseModel } from './cause-model';
import { OTHER, type CauseGroup, type QuestionRow } from './cause-tables';
import { questionsToAsk, type AskNext } from './questions-to-ask';
import { evidenceOf, sharesOfCauses } from './shares-of-causes';

/** A cause is said from this share on, and when it is this many times as likely as the next. */
const SAID_FROM = 0.5;
const TIMES_THE_SECOND = 2;

export interface LikelyCause {
  cause: string;
  share: number;
}

/** What is said of a death. */
export interface Diagnosis {
  /** The cause, or null: it is not known. */
  verdict: string | null;
  /** All causes, the likeliest first. */
  likely: LikelyCause[];
  /** What to ask next, what tells most for its trouble first. */
  ask: AskNext[];
}

/**
 * Why a union died, by what is known of it. A cause is said only when it has at least half of the shares and twice
 * that of the second, is no mere "something else", and something speaks for it; all else is "not known".
 *
 * @param codes evidence (cause-tables.ts); contradictions count by their groups
 * @throws InputError for a way of making or a code that no table names
 */
export function diagnose(
  model: CauseModel,
  group: CauseGroup,
  codes: readonly string[],
  allowed?: (question: QuestionRow) => boolean,
): Diagnosis {
  const shares = sharesOfCauses(model, group, codes);
  const likely = model.causes
    .map((cause, at) => ({ cause, share: shares[at]!, at }))
    .sort((a, b) => b.share - a.share || a.at - b.at)
    .map(({ cause, share }) => ({ cause, share }));
  const [first, second] = likely;
  const at = model.causes.indexOf(first!.cause);
  const spoken = evidenceOf(model, codes).some(({ ratios }) => ratios[at]! > 1);
  const sure =
    first!.share >= SAID_FROM &&
    first!.share >= TIMES_THE_SECOND * (second?.share ?? 0) &&
    first!.cause !== OTHER &&
    spoken;
  return { verdict: sure ? first!.cause : null, likely, ask: questionsToAsk(model, group, shares, codes, allowed) };
}
