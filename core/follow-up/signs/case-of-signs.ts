import { InputError } from '../../contact/input-error';
import { readSigns } from './read-signs';
import { SIGN_VARIANTS, signsFrom, type SignVariant } from './signs';

/** A case as a table holds it: variant, day and days since leaf as text. */
export interface CaseOfSigns {
  variant?: string;
  day?: string;
  since_leaf?: string;
}

/**
 * Reads the signs of a case of `reference/cases.csv`.
 *
 * @returns the answer, and the day of the next look as text, empty where there is none
 * @throws InputError for a variant, a day or a sign that cannot be
 */
export function caseOfSigns(row: CaseOfSigns, signs: Record<string, unknown>): { answer: string; nextLook: string } {
  const { variant = '' } = row;
  if (!SIGN_VARIANTS.includes(variant as SignVariant))
    throw new InputError('variant', `There is no variant "${variant}". Known are ${SIGN_VARIANTS.join(', ')}.`);
  const { reading, nextLook } = readSigns(signsFrom(signs), {
    variant: variant as SignVariant,
    day: days('day', row.day ?? ''),
    sinceLeaf: (row.since_leaf ?? '').trim() === '' ? null : days('since_leaf', row.since_leaf!),
  });
  return { answer: reading, nextLook: nextLook === null ? '' : String(nextLook) };
}

function days(column: string, text: string): number {
  const value = Number(text);
  if (text.trim() === '' || !(value >= 0 && Number.isFinite(value)))
    throw new InputError(column, `The column ${column} is missing or no number of days.`);
  return value;
}
