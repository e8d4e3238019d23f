import { array, boolean, type InferType, mixed, object, string } from 'yup';
import { id, isPlainObject, optionalDate, optionalId, optionalText, trimmed } from '@/core/inputs/fields';
import { parseDecimal } from '../units/decimal';
import { MM_PER_INCH } from '../units/length';
import { parseLength } from '../units/parse-length';
import { SAID } from './said';
import { TYPED_WAYS } from './way-in';

/** Units growers measure a shoot in; a hand-width is about 100 mm, a hand's own measure and no figure of a caliper. */
export const GROWTH_UNITS = { mm: 1, in: MM_PER_INCH, hand: 100 } as const;
export type GrowthUnit = keyof typeof GROWTH_UNITS;

/** Shoots longer than this are mistyped, mm. */
const MOST_GROWTH = 5000;

/**
 * A length of a shoot as somebody typed it.
 *
 * @returns mm; null for nothing, and NaN for what is no length of a shoot
 * @example growthTyped('1,5', 'hand') // 150
 */
export function growthTyped(text: string, unit: GrowthUnit): number | null {
  if (text.trim() === '') return null;
  // A unit that was typed with the figure goes before the one that is chosen.
  const hands = unit === 'hand' ? parseDecimal(text) : null;
  const length = hands === null ? parseLength(text, unit === 'hand' ? 'mm' : unit) : hands * GROWTH_UNITS.hand;
  const mm = length === null ? NaN : Math.round(length * 10) / 10;
  return mm >= 0 && mm <= MOST_GROWTH ? mm : NaN;
}

/** Options chosen, by group of signs. Which there are hangs on the union, so that the server looks at them. */
const choices = () =>
  mixed<Record<string, string>>((value): value is Record<string, string> => isChoices(value))
    .typeError('This choice is none of those offered. Reload the page and choose again.')
    .default({});

function isChoices(value: unknown): value is Record<string, string> {
  return (
    isPlainObject(value) &&
    Object.keys(value).length <= 8 &&
    Object.values(value).every((chosen) => typeof chosen === 'string' && chosen.length <= 20)
  );
}

export const answerInput = object({
  unionId: id('the plant'),
  signs: choices(),
  /** In so many words; may be left out where signs were seen. */
  said: string()
    .transform((value: unknown) => (value === null ? '' : value))
    .oneOf(['', ...SAID], 'Say that it lives, that it is dead, that you are not sure, or that you cannot find it.')
    .default(''),
  snapped: boolean().typeError('Say whether it has snapped off.').default(false),
  /** Length of the new shoot, and in what. */
  growth: trimmed()
    .typeError('Enter the length of the shoot as a number.')
    .default('')
    .max(24, 'Enter the length of the shoot as a number.'),
  growthUnit: string()
    .oneOf(Object.keys(GROWTH_UNITS) as GrowthUnit[], 'Choose mm, inches or hand-widths.')
    .default('mm'),
  /** The day it was seen; empty for the day it is told. */
  seenOn: optionalDate('the day you saw it'),
  note: optionalText('the note', 500),
});

/** What somebody said of a plant. */
export type AnswerInput = InferType<typeof answerInput>;

export const enteredInput = answerInput.shape({
  /** The round it answers; what is due where none is named. */
  roundId: optionalId('the round'),
  source: string()
    // What a letter says is entered beside it.
    .oneOf([...TYPED_WAYS, 'mail' as const], 'Say whether it came by phone, on a visit, on a slip or on a bed list.')
    .required('Say how the answer came.'),
  /** The day it came in; empty for today. */
  cameOn: optionalDate('the day it came'),
});
export type EnteredInput = InferType<typeof enteredInput>;

/** Which of two answers that contradict each other is set aside, and why. */
export const settlementInput = object({
  setAside: array(id('the answer'))
    .required('Choose which of the answers was wrong.')
    .min(1, 'Choose which of the answers was wrong.')
    .max(20, 'Choose which of the answers was wrong.'),
  why: trimmed().required('Say why, so that others can follow it.').max(300, 'Keep the reason to 300 characters.'),
});
