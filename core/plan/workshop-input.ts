import { object, string } from 'yup';
import { text, isoDate, id, count, optionalText } from '@/core/inputs/fields';

/**
 * A workshop as it is entered.
 * @param known ids of the methods there are.
 */
export const workshopInput = (known: string[]) =>
  object({
    title: text('a title', 120),
    date: isoDate('the date'),
    siteId: id('the site'),
    method: string().oneOf(known, 'Choose a method from the list.').required('Choose a method.'),
    promisedKeepers: count('keepers promised to each person', 0, 20),
    promise: optionalText('the promise', 200),
  });
