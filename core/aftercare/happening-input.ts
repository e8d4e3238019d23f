import { array, boolean, type InferType, object, string } from 'yup';
import { id, isoDate, optionalText, SEEN_YEARS } from '../inputs/fields';
import { HAPPENINGS, type Happening } from './happening';

/** What happened to some plants on one day: a row that was mown, a bed that stood in water. */
export const happeningInput = object({
  plantIds: array(id('a plant'))
    .required('Choose at least one plant.')
    .min(1, 'Choose at least one plant.')
    .max(1000, 'Choose 1000 plants at most.'),
  what: string()
    .oneOf(Object.keys(HAPPENINGS) as Happening[], 'Say what happened.')
    .required('Say what happened.'),
  dead: boolean().strict().default(false),
  on: isoDate('the day it happened', SEEN_YEARS),
  note: optionalText('the note', 300),
});
export type HappeningInput = InferType<typeof happeningInput>;
