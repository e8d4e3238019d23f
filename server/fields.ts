import { boolean, number, object, string } from 'yup';
import { addDays, isIsoDate } from '@/core/units/iso-date';

/* Fields that several inputs share, with messages that say what to do. */

const ID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/;

/** True for what can be an id of ours at all. */
export function isId(text: string): boolean {
  return ID.test(text);
}

export const id = (what: string) => string().strict().typeError(`Choose ${what} again; its identity is damaged.`).required(`Choose ${what}.`).matches(ID, `Choose ${what} again; its identity is damaged.`);

/** Text without space around it. An input of another kind stays what it is, and is refused as such. */
export const trimmed = () => string().transform((value: unknown) => (typeof value === 'string' ? value.trim() : value));

export const text = (what: string, most: number) =>
  trimmed().typeError(`Enter ${what} as text.`).required(`Enter ${what}.`).max(most, `Keep ${what} to ${most} characters.`);

export const optionalText = (what: string, most: number) => trimmed().typeError(`Enter ${what} as text.`).default('').max(most, `Keep ${what} to ${most} characters.`);

export const isoDate = (what: string) =>
  string().required(`Enter ${what}.`).test('iso-date', `Enter ${what} as an existing date, year-month-day.`, (value) => isIsoDate(value ?? ''));

/**
 * An address as it is kept and looked up: one form for what looks the same, small letters. Everything
 * else is compared by its bytes: é is not e.
 */
export function normaliseEmail(text: string): string {
  return text.normalize('NFKC').trim().toLowerCase();
}

export const email = () =>
  trimmed().transform((value: unknown) => (typeof value === 'string' ? normaliseEmail(value) : value)).typeError('Enter the e-mail address as text.').max(254, 'Keep the e-mail address to 254 characters.').matches(/^[^\s@]+@[^\s@]+\.[^\s@]+$/, {
    message: 'Enter an e-mail address of the form name@place.example.',
    excludeEmptyString: true,
  });

export const count = (what: string, least: number, most: number) =>
  number()
    .typeError(`Enter ${what} as a number.`)
    .required(`Enter ${what}.`)
    .integer(`Enter ${what} as a whole number.`)
    .min(least, `${what} must be ${least} or more.`)
    .max(most, `${what} must be ${most} or less.`);

export const flag = () => boolean().strict();

/** True for an object with keys, and not a list. */
export function isPlainObject(value: unknown): value is Record<string, unknown> {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

/** The paper a file is asked for. */
export const paper = () => string().oneOf(['A4', 'Letter'] as const, 'Choose A4 or Letter.').default('A4');

export const paperInput = object({ paper: paper() });

/** True for a day that has begun nowhere on earth yet: nobody can have seen anything on it. */
export function isAhead(date: string, now: Date): boolean {
  return date > addDays(now.toISOString().slice(0, 10), 1);
}
