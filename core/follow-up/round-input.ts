import { object, string } from 'yup';
import { ROUND_KINDS } from '@/core/methods/milestones';
import { isoDate, FAR_YEARS } from '@/core/inputs/fields';

export const roundInput = object({
  milestone: string()
    .oneOf([...ROUND_KINDS], 'Choose what the round asks.')
    .required('Choose what the round asks.'),
  /** Unions it asks of, as methods with their variants; all of them where none is named. */
  asks: string()
    .default('')
    .max(300, 'Choose what the round asks again.')
    .matches(/^([a-z-]+\/[a-z-]+( [a-z-]+\/[a-z-]+)*)?$/, 'Choose what the round asks again.'),
  opensOn: isoDate('the day the round opens', FAR_YEARS),
  closesOn: isoDate('the day the round closes', FAR_YEARS),
});

export const closing = object({ closesOn: isoDate('the day the round closes', FAR_YEARS) });
