import { array, object, string } from 'yup';
import { count, decimal, text } from '@/core/inputs/fields';
import { isMonthDay } from '@/core/units/month-day';

const temperatures = () =>
  array(decimal().typeError('Enter every temperature in figures.').required('Enter every temperature.')).required(
    'Enter the temperatures of twelve months.',
  );
const frost = (what: string) =>
  string()
    .nullable()
    .default(null)
    .test(
      'month-day',
      `Enter ${what} as month and day, such as 04-24, or leave it empty.`,
      (value) => !value || isMonthDay(value),
    );

/** A usual year as it is entered: °C by month, frosts as month and day. */
export const climateInput = object({
  normals: object({ low: temperatures(), high: temperatures() }),
  lastFrost: frost('the last frost'),
  firstFrost: frost('the first frost'),
  frostMargin: count('the margin of the frost dates', 0, 60),
  source: text('where the figures come from', 200),
  version: count('the version', 0, 1_000_000),
});
