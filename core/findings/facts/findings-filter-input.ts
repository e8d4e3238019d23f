import { object, string } from 'yup';
import { METHODS } from '../../methods/registry';
import { MILESTONES } from '../../methods/milestones';
import { decimal, optionalId } from '../../inputs/fields';

const nothing = (value: unknown): unknown => (value === '' ? null : value);

const whole = (what: string, least: number, most: number) =>
  decimal()
    .transform((value: unknown, typed: unknown) => (typed === '' || typed === null ? null : value))
    .nullable()
    .default(null)
    .typeError(`Enter ${what} as a number.`)
    .integer(`Enter ${what} without decimals.`)
    .min(least, `Enter ${what} from ${least} on.`)
    .max(most, `Enter ${what} up to ${most}.`);

/** Which keepers findings are about; what is left open is all of them. */
export const findingsFilterInput = object({
  workshopId: optionalId('the workshop'),
  method: string()
    .transform(nothing)
    .nullable()
    .default(null)
    .oneOf([...METHODS.map(({ id }) => id), null], 'Choose a method of the list.'),
  year: whole('a year', 1900, 2200),
  lotId: optionalId('the lot'),
  siteId: optionalId('the site'),
  personId: optionalId('the person'),
  /** Scores from and up to, for the unions behind a mark. */
  scoreFrom: whole('a score', 0, 100),
  scoreTo: whole('a score', 0, 100),
  milestone: string()
    .transform(nothing)
    .nullable()
    .default(null)
    .oneOf([...MILESTONES, null], 'Choose a milestone of the list.'),
});
