import { array, object } from 'yup';
import { count, decimal, optionalText, trimmed } from '@/core/inputs/fields';
import { ASSUMPTIONS, assumptionsWith, type Edits, KNITTING_KINS, knittingBand } from './assumptions';

const figureInput = object({
  value: decimal()
    .typeError('Enter the figure as a number.')
    .required('Enter the figure.')
    .min(-100, 'A figure under -100 cannot be right.')
    .max(5000, 'A figure over 5000 cannot be right.'),
  margin: decimal()
    .typeError('Enter the margin as a number.')
    .required('Enter the margin.')
    .min(0, 'A margin is 0 or more.')
    .max(2000, 'A margin over 2000 cannot be right.'),
  source: optionalText('the source', 200),
});

const UNREADABLE = 'The figures cannot be read. Reload the page and enter them again.';

/** A site's own figures by the id of their assumption, what is not to come there, and its region. */
export const assumptionsInput = object({
  edits: object(Object.fromEntries(ASSUMPTIONS.map(({ id }) => [id, figureInput.default(undefined)])))
    .default(undefined)
    .typeError(UNREADABLE)
    .required('Enter the figures.')
    .test(
      'known',
      'One of the figures is not known here. Reload the page and enter them again.',
      (_edits, { originalValue }) =>
        Object.keys((originalValue ?? {}) as object).every((key) => ASSUMPTIONS.some(({ id }) => id === key)),
    )
    .test('knitting', '', (edits, { createError }) => {
      const assumption = assumptionsWith((edits ?? {}) as Edits);
      const torn = KNITTING_KINS.find((kin) => {
        const { a, b, c, d } = knittingBand(kin, assumption);
        return !(a < b && b <= c && c < d);
      });
      return torn === undefined
        ? true
        : createError({
            message: `The temperatures in which ${torn} kin knits must rise: where it begins, callus from, callus up to, where it stops.`,
          });
    }),
  quarantine: array(trimmed().required().max(60)).max(40, 'A list of more than 40 species is too long.').default([]),
  region: optionalText('the region', 80),
  version: count('the version', 0, 1_000_000),
});
