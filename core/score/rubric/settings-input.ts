import { object, string } from 'yup';
import { count, decimal } from '@/core/inputs/fields';

export const settingsInput = object({
  ready: object({
    last: count('the number of last unions', 1, 10),
    score: count('the score to reach', 1, 100),
  }).required('Enter when somebody is ready.'),
  blindRate: decimal()
    .typeError('Choose how many unions are scored twice.')
    .required('Choose how many unions are scored twice.')
    .min(0, 'No fewer than none.')
    .max(1, 'No more than all.'),
  wall: string()
    .oneOf(['names', 'seats', 'totals'] as const, 'Choose what the wall shows.')
    .required('Choose what the wall shows.'),
});
