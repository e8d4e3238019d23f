import { object } from 'yup';
import { id, optionalId, decimal } from '@/core/inputs/fields';

export const bookingInput = object({
  workshopId: id('the workshop'),
  seatId: optionalId('the seat'),
  sticks: decimal()
    .typeError('Enter the number of sticks in figures.')
    .required('Enter the number of sticks.')
    .integer('Enter a whole number of sticks.')
    .min(1, 'Book one stick or more.')
    .max(10_000, 'More than 10000 sticks cannot be right.'),
});
