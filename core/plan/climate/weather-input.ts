import { array, type InferType, object, string } from 'yup';
import { decimal, isoDate, SEEN_YEARS } from '../../inputs/fields';

const degrees = (what: string) =>
  decimal().typeError(`Enter the ${what} temperature as a number.`).required(`Enter the ${what} temperature.`);

/** Days that are typed at once at most. */
export const MOST_TYPED = 31;

/** Days of weather as they are typed, in °C or °F, rain in mm. */
export const weatherInput = object({
  unit: string()
    .oneOf(['C', 'F'] as const, 'Choose °C or °F.')
    .default('C'),
  days: array(
    object({
      date: isoDate('the day', SEEN_YEARS),
      low: degrees('lowest'),
      high: degrees('highest'),
      rain: decimal()
        .transform((value: unknown, typed: unknown) => (typed === '' || typed === null ? null : value))
        .typeError('Enter the rain as a number.')
        .nullable()
        .default(null),
    }),
  )
    .required('Enter a day.')
    .min(1, 'Enter a day.')
    .max(MOST_TYPED, `Enter ${MOST_TYPED} days at once at most.`),
});
export type WeatherInput = InferType<typeof weatherInput>;
