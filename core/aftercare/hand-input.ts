import { array, boolean, type InferType, object, string } from 'yup';
import { email, id, isoDate, optionalId, optionalText, SEEN_YEARS } from '../inputs/fields';

/** To whom a plant goes: it stays with the club, is whoever's made it, or goes to somebody on record or new. */
export const HANDED_TO = ['us', 'maker', 'person', 'new'] as const;

/** Plants handed on at once at most. */
const MOST_HANDED = 1000;

/** Plants that somebody else has from a day on. Of somebody new the name, how to reach them, and whether they may be written to. */
export const handInput = object({
  plantIds: array(id('a plant'))
    .required('Choose at least one plant.')
    .min(1, 'Choose at least one plant.')
    .max(MOST_HANDED, `Choose ${MOST_HANDED} plants at most.`),
  to: string()
    .oneOf([...HANDED_TO], 'Choose who has it from now on.')
    .required('Choose who has it from now on.'),
  personId: optionalId('the person').when('to', ([to], schema) =>
    to === 'person' || to === 'new' ? schema.required('Choose who has it from now on.') : schema,
  ),
  name: optionalText('the name', 120).when('to', ([to], schema) =>
    to === 'new' ? schema.required('Enter the name.') : schema,
  ),
  email: email().default(''),
  phone: optionalText('the telephone number', 40),
  mayContact: boolean().strict().default(false),
  on: isoDate('the day it was handed on', SEEN_YEARS),
});
export type Handing = InferType<typeof handInput>;
