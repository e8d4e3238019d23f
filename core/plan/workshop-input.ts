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
    scionSpecies: optionalText('what is grafted', 60),
    stockSpecies: optionalText('what it is grafted on', 60),
  });

/** A workshop as it is planned for the first time: what is grafted on what sets its dates and its wood. */
export const newWorkshopInput = (known: string[]) =>
  workshopInput(known).concat(
    object({
      scionSpecies: text('what is grafted, such as pear', 60),
      stockSpecies: text('what it is grafted on, such as quince', 60),
    }),
  );
