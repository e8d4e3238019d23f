import { object, string } from 'yup';
import { optionalMonthDay, optionalText, text } from '@/core/inputs/fields';

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
  // Two frost dates give the site a year of its own from the first day on.
  lastFrost: optionalMonthDay('the last frost'),
  firstFrost: optionalMonthDay('the first frost'),
  appleBloom: optionalMonthDay('the day apples bloom'),
});
