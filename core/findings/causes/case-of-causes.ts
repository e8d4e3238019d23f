import { InputError } from '../../contact/input-error';
import type { CauseModel } from './cause-model';
import type { CauseGroup } from './cause-tables';
import { diagnose } from './diagnose';

/** What is computed of a case, as text; empty where there is none. */
export interface ComputedCase {
  verdict: string;
  likely: [cause: string, share: string][];
  askNext: string;
  bits: string;
}

/**
 * Reads a case of `reference/cases.csv`: a way of making and a list of evidence.
 *
 * @throws InputError for a group or a code that no table names, or evidence that is no list of codes
 */
export function caseOfCauses(model: CauseModel, group: string, evidence: unknown): ComputedCase {
  if (!Array.isArray(evidence) || evidence.some((code) => typeof code !== 'string'))
    throw new InputError('evidence', 'The column evidence is a JSON list of codes.');
  const { verdict, likely, ask } = diagnose(model, group as CauseGroup, evidence as string[]);
  const digits = (value: number): string => String(Number(value.toFixed(6)));
  return {
    verdict: verdict ?? 'not known',
    likely: likely.slice(0, 3).map(({ cause, share }) => [cause, digits(share)]),
    askNext: ask[0]?.question.question ?? '',
    bits: ask[0] ? digits(ask[0].bits) : '',
  };
}
