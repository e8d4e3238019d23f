import { array, type InferType, number, object } from 'yup';
import { count, decimal, isoDate } from '@/core/inputs/fields';

const AGAIN = 'Choose the days again.';

/** On which days one can go to a site: weekdays, single dates, and how often at most; that alone means any day. */
export const visitRuleInput = object({
  weekdays: array(number().typeError(AGAIN).required(AGAIN).integer(AGAIN).min(1, AGAIN).max(7, AGAIN))
    .default([])
    .max(7, AGAIN),
  dates: array(isoDate('a day one can go'))
    .default([])
    .max(60, 'Sixty single days are the most; choose weekdays instead.')
    .test('some', 'Choose a weekday, enter a day, or say how many visits at most.', function someDay(dates) {
      const { weekdays = [], most = null } = this.parent as { weekdays?: unknown[]; most?: unknown };
      return (dates ?? []).length > 0 || weekdays.length > 0 || most !== null;
    }),
  most: decimal()
    .typeError('Enter how many visits at most as a number.')
    .nullable()
    .default(null)
    .integer('Enter a whole number of visits.')
    .min(1, 'At least one visit; leave it empty for as many as it takes.')
    .max(60, 'More than 60 visits are no limit; leave it empty.'),
  version: count('the version', 0, 1_000_000),
});

export type VisitRule = InferType<typeof visitRuleInput>;
