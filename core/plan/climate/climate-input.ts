import { array, object } from 'yup';
import { count, decimal, optionalMonthDay, text } from '@/core/inputs/fields';

const temperatures = () =>
  array(decimal().typeError('Enter every temperature in figures.').required('Enter every temperature.')).required(
    'Enter the temperatures of twelve months.',
  );

/** A usual year as it is entered: °C by month, frosts as month and day. */
export const climateInput = object({
  normals: object({ low: temperatures(), high: temperatures() }),
  lastFrost: optionalMonthDay('the last frost'),
  firstFrost: optionalMonthDay('the first frost'),
  frostMargin: count('the margin of the frost dates', 0, 60),
  source: text('where the figures come from', 200),
  version: count('the version', 0, 1_000_000),
});
