import { capital } from '@/core/units/capital';
import { object, string } from 'yup';
import { count, decimal } from '@/core/inputs/fields';

const time = (what: string) =>
  string()
    .required(`Enter ${what}.`)
    .matches(/^([01]?\d|2[0-3]):[0-5]\d$/, `Enter ${what} as hours and minutes, such as 09:30.`);

const part = (what: string, least: number, most: number) =>
  decimal()
    .typeError(`Enter ${what} in figures.`)
    .required(`Enter ${what}.`)
    .min(least, `${capital(what)} must be ${least} or more.`)
    .max(most, `${capital(what)} must be ${most} or less.`);

export const dayInput = object({
  start: time('when it starts'),
  end: time('when it ends'),
  briefing: count('minutes of the briefing', 0, 240),
  demonstration: count('minutes of showing a method', 0, 240),
  firstUnion: part('minutes of a first union', 1, 120),
  falling: part('the factor at each doubling', 0.4, 1),
  breakEvery: count('minutes between breaks', 0, 600),
  breakLength: count('minutes of a break', 0, 120),
  lunchAt: time('when midday is'),
  lunch: count('minutes at midday', 0, 240),
  clearing: count('minutes of clearing', 0, 240),
  knives: decimal()
    .nullable()
    .default(null)
    .transform((value, original) => (original === '' ? null : value))
    .typeError('Enter the number of knives in figures.')
    .integer('Enter a whole number of knives.')
    .min(1, 'Without a knife nobody cuts: enter one or more, or leave it empty.')
    .max(500, 'More than 500 knives cannot be right.'),
});
