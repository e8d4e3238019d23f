import { object, string } from 'yup';
import { isoDate, SEEN_YEARS, optionalText, decimal } from '@/core/inputs/fields';

export const lookInput = object({
  callus: string()
    .oneOf(['ring', 'parts', 'none'] as const, 'Say how far the callus line goes.')
    .required('Say how far the callus line goes.'),
  /** Share of the line that was seen joined, percent. */
  contactSeen: decimal()
    .nullable()
    .default(null)
    .transform((value, original) => (original === '' ? null : value))
    .typeError('Enter the share in figures.')
    .min(0, 'A share is 0 to 100 %.')
    .max(100, 'A share is 0 to 100 %.'),
  lookedOn: isoDate('the day it was cut open', SEEN_YEARS),
  note: optionalText('the note', 500),
});
