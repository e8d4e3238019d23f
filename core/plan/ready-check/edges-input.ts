import { array, boolean, object, string } from 'yup';
import { isoDate, optionalText, SEEN_YEARS, text } from '@/core/inputs/fields';
import { HANDS } from './edges';

/** Knives of a day at most. */
const MOST_KNIVES = 200;

export const edgesInput = object({
  knives: array(
    object({
      id: string().required('Reload the page.').max(60, 'Reload the page.'),
      knife: text('what the knife is called', 40),
      hand: string().oneOf(HANDS, 'Choose the hand it is ground for.').required('Choose the hand it is ground for.'),
      passed: boolean().required('Say whether it passed.'),
      testedOn: isoDate('the day of the test cut', SEEN_YEARS),
      testedBy: text('who made the test cut', 80),
      sharpenedBy: optionalText('who sharpened it', 80),
    }),
  )
    .required('Enter the knives.')
    .max(MOST_KNIVES, `${MOST_KNIVES} knives are the most.`)
    .test('once', 'Two knives are called the same. Give each a name or number of its own.', (knives) => {
      // What is no knife at all is refused by its own test.
      const names = (knives ?? []).flatMap((each: { knife?: unknown } | null) =>
        typeof each?.knife === 'string' ? each.knife.trim().toLowerCase() : [],
      );
      return new Set(names).size === names.length;
    }),
});
