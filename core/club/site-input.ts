import { object, string } from 'yup';
import { text, optionalText, decimal } from '@/core/inputs/fields';

export const siteInput = object({
  name: text('the name of the site', 120),
  region: optionalText('the region', 80),
  hemisphere: string()
    .oneOf(['north', 'south'] as const, 'Choose north or south.')
    .required('Choose the hemisphere.'),
  timeZone: string()
    .required('Enter the time zone.')
    .test('zone', 'Enter a time zone such as Europe/Vienna.', (zone) => {
      try {
        new Intl.DateTimeFormat('en', { timeZone: zone });
        return true;
      } catch {
        return false;
      }
    }),
});

export const editInput = object({
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
