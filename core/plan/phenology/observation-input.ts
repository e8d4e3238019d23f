import { object, string } from 'yup';
import { isoDate, optionalText, SEEN_YEARS, text } from '@/core/inputs/fields';
import { SIGNS } from './observation';

export const observationInput = object({
  species: text('the species', 60),
  sign: string().oneOf(SIGNS, 'Choose what was seen.').required('Choose what was seen.'),
  seenOn: isoDate('the day it was seen', SEEN_YEARS),
  note: optionalText('the note', 300),
});
