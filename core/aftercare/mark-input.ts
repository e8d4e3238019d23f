import { array, type InferType, number, object, string } from 'yup';
import { OUTCOMES } from './outcome';
import { id, isoDate, optionalText, SEEN_YEARS } from '@/core/inputs/fields';

/** Tasks that one tap closes at most: a large bed. */
export const MOST_MARKS = 2000;

const markedInput = object({
  unionId: id('a plant'),
  task: string()
    .required('Choose a task.')
    .matches(/^[a-z0-9-]{1,40}$/, 'Choose a task again.'),
  occurrence: number()
    .typeError('Reload the page and mark it again.')
    .required('Reload the page and mark it again.')
    .integer('Reload the page and mark it again.')
    .min(0, 'Reload the page and mark it again.')
    .max(1000, 'Reload the page and mark it again.'),
});

/** One tap: a task closed for some unions, on a day, and why where it was left undone. */
export const markInput = object({
  marks: array(markedInput)
    .required('Choose at least one plant.')
    .min(1, 'Choose at least one plant.')
    .max(MOST_MARKS, `Choose ${MOST_MARKS} plants at most.`),
  outcome: string()
    .oneOf([...OUTCOMES], 'Say whether it was done.')
    .required('Say whether it was done.'),
  on: isoDate('the day it was done', SEEN_YEARS),
  reason: optionalText('the reason', 300).when('outcome', ([outcome], schema) =>
    outcome === 'skipped' ? schema.required('Say why it is left undone.') : schema,
  ),
  assessorId: string().max(36).default(undefined),
  sentAt: string().max(40).default(undefined),
});

export type Marking = InferType<typeof markInput>;
/** A task of one union, as it is marked. */
export type Marked = Marking['marks'][number];
