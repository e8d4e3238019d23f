import { capital } from '@/core/units/capital';
import { type Paper, PAPERS } from '@/core/units/paper';
import { boolean, number, object, setLocale, string } from 'yup';
import { parseDecimal } from '@/core/units/decimal';
import { addDays, isIsoDate } from '@/core/units/iso-date';
import { isMonthDay } from '@/core/units/month-day';

// Where a schema has no words of its own for a kind of input that no page of ours sends.
const UNREADABLE = 'This cannot be read. Reload the page and enter it again.';
setLocale({
  mixed: {
    notType: UNREADABLE,
    required: UNREADABLE,
    defined: UNREADABLE,
    notNull: UNREADABLE,
    oneOf: UNREADABLE,
    default: UNREADABLE,
  },
  string: { max: UNREADABLE, min: UNREADABLE, matches: UNREADABLE },
  number: { min: UNREADABLE, max: UNREADABLE, integer: UNREADABLE },
  array: { min: UNREADABLE, max: UNREADABLE },
});

/* Fields that several inputs share, with messages that say what to do. */

const ID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/;

/** True for what can be an id of ours at all. */
export function isId(text: string): boolean {
  return ID.test(text);
}

export const id = (what: string) =>
  string()
    .strict()
    .typeError(`Choose ${what} again; its identity is damaged.`)
    .required(`Choose ${what}.`)
    .matches(ID, `Choose ${what} again; its identity is damaged.`);

/** An id or nothing; a choice left open, as a form sends it, is nothing. */
export const optionalId = (what: string) =>
  string()
    .transform((_value: unknown, typed: unknown) => (typed === '' ? null : typed))
    .nullable()
    .typeError(`Choose ${what} again; its identity is damaged.`)
    .default(null)
    .matches(ID, `Choose ${what} again; its identity is damaged.`);

/** Text without space around it. An input of another kind stays what it is, and is refused as such. */
export const trimmed = () => string().transform((value: unknown) => (typeof value === 'string' ? value.trim() : value));

export const text = (what: string, most: number) =>
  trimmed()
    .typeError(`Enter ${what} as text.`)
    .required(`Enter ${what}.`)
    .max(most, `Keep ${what} to ${most} characters.`);

export const optionalText = (what: string, most: number) =>
  trimmed().typeError(`Enter ${what} as text.`).default('').max(most, `Keep ${what} to ${most} characters.`);

/** How many years back and ahead of now a day may lie. */
interface Years {
  back: number;
  ahead: number;
}

/** Nobody plans a workshop further off, and nobody enters an older one. */
export const WORKSHOP_YEARS: Years = { back: 20, ahead: 5 };
/** Looks, observations and cuts: what was, with a day or two for clocks and zones. */
export const SEEN_YEARS: Years = { back: 20, ahead: 5 };
/** Follow-up of a planting, and the protection of a variety, reach further. */
export const FAR_YEARS: Years = { back: 20, ahead: 40 };

/** True for a day within so many years of now; a year typed as 27 is not. */
export function isWithinYears(date: string, now: Date, { back, ahead }: Years): boolean {
  const today = now.toISOString().slice(0, 10);
  return date >= shiftYears(today, -back) && date <= shiftYears(today, ahead);
}

function shiftYears(date: string, years: number): string {
  return `${String(Number(date.slice(0, 4)) + years).padStart(4, '0')}${date.slice(4)}`;
}

/** A day within bounds of now, which is given to `parse`. */
export const isoDate = (what: string, years: Years = WORKSHOP_YEARS) =>
  string()
    .typeError(`Enter ${what} as year-month-day.`)
    .required(`Enter ${what}.`)
    .test(
      'iso-date',
      ({ value }) => datedProblem(what, value as string, years),
      function test(value) {
        return isDayWithin(value ?? '', this.options.context?.now as Date | undefined, years);
      },
    );

/** A day that may be left empty. */
export const optionalDate = (what: string, years: Years = FAR_YEARS) =>
  string()
    .typeError(`Enter ${what} as year-month-day, or leave it empty.`)
    .default('')
    .test(
      'iso-date',
      ({ value }) => datedProblem(what, value as string, years),
      function test(value) {
        return !value || isDayWithin(value, this.options.context?.now as Date | undefined, years);
      },
    );

function isDayWithin(value: string, now: Date | undefined, years: Years): boolean {
  if (!now) throw new Error('A day is checked against now: hand it to parse.');
  return isIsoDate(value) && isWithinYears(value, now, years);
}

function datedProblem(what: string, value: string, { back, ahead }: Years): string {
  return isIsoDate(value ?? '')
    ? `Check the year of ${what}: it must lie between ${back} years back and ${ahead} ahead.`
    : `Enter ${what} as an existing date, year-month-day.`;
}

/**
 * An address as it is kept and looked up: one form for what looks the same, small letters. Everything
 * else is compared by its bytes: é is not e.
 */
export function normaliseEmail(text: string): string {
  return text.normalize('NFKC').trim().toLowerCase();
}

export const email = () =>
  trimmed()
    .transform((value: unknown) => (typeof value === 'string' ? normaliseEmail(value) : value))
    .typeError('Enter the e-mail address as text.')
    .max(254, 'Keep the e-mail address to 254 characters.')
    .matches(/^[^\s@]+@[^\s@]+\.[^\s@]+$/, {
      message: 'Enter an e-mail address of the form name@place.example.',
      excludeEmptyString: true,
    });

/**
 * A number as people type it: a decimal point or a comma. Nothing, and what is none, is refused as no number; so is
 * a list of one number, which Yup would read as that number.
 */
export const decimal = () =>
  number().transform((value: unknown, typed: unknown) => {
    if (typeof typed === 'object' && typed !== null) return NaN;
    return typeof typed === 'string' && typed.trim() !== '' ? (parseDecimal(typed) ?? NaN) : value;
  });

export const count = (what: string, least: number, most: number) =>
  decimal()
    .typeError(`Enter ${what} as a number.`)
    .required(`Enter ${what}.`)
    .integer(`Enter ${what} as a whole number.`)
    .min(least, `${capital(what)} must be ${least} or more.`)
    .max(most, `${capital(what)} must be ${most} or less.`);

export const flag = () => boolean().strict();

/** True for an object with keys, and not a list. */
export function isPlainObject(value: unknown): value is Record<string, unknown> {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

/** The paper a file is asked for. */
export const paper = () =>
  string()
    .oneOf(PAPERS, 'Choose A4 or Letter.')
    .default('A4' satisfies Paper);

export const paperInput = object({ paper: paper() });

/** True for a day that has begun nowhere on earth yet: nobody can have seen anything on it. */
export function isAhead(date: string, now: Date): boolean {
  return date > addDays(now.toISOString().slice(0, 10), 1);
}

/** A turn of the usual year as month and day, such as 04-24; it may be left empty. */
export const optionalMonthDay = (what: string) =>
  string()
    .nullable()
    .default(null)
    .test(
      'month-day',
      `Enter ${what} as month and day, such as 04-24, or leave it empty.`,
      (value) => !value || isMonthDay(value),
    );
