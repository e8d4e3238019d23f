import { object, string } from 'yup';
import { text, isoDate, id, count, optionalText } from '@/core/inputs/fields';
import { METHODS } from '@/core/methods/registry';

export const workshopInput = object({
  title: text('a title', 120),
  date: isoDate('the date'),
  siteId: id('the site'),
  method: string()
    .oneOf(
      METHODS.map((method) => method.id),
      'Choose a method from the list.',
    )
    .required('Choose a method.'),
  promisedKeepers: count('keepers promised to each person', 0, 20),
  promise: optionalText('the promise', 200),
});
