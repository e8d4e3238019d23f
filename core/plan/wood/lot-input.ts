import { object, string } from 'yup';
import { ARRIVALS, postInOrder } from './by-post';
import { text, optionalDate, optionalText, count, optionalId, isoDate, SEEN_YEARS } from '@/core/inputs/fields';

export const lotInput = object({
  variety: text('the variety', 80),
  species: text('the species', 60),
  source: text('where the wood comes from', 120),
  cutOn: optionalDate('the date it was cut'),
  stage: string()
    .oneOf(['dormant', 'budwood', 'tip'] as const, 'Choose the stage of the wood.')
    .default('dormant'),
  place: optionalText('the place', 120),
  wrap: optionalText('the wrap', 120),
  protectedUntil: optionalDate('the end of protection'),
  leaveWords: optionalText('the leave', 200),
  certificate: optionalText('the certificate', 120),
  region: optionalText('the region', 80),
  sticks: count('sticks', 0, 100_000).default(0),
  usableBuds: count('usable buds on a stick', 1, 40).default(8),
  sourceId: optionalId('the plant it was cut from'),
  orderedOn: optionalDate('the day it was ordered'),
  sentOn: optionalDate('the day it was sent'),
  arrivedOn: optionalDate('the day it arrived').test(
    'order',
    'It cannot arrive before it is sent, or be sent before it is ordered. Mend one of the days.',
    function inOrder(arrivedOn) {
      const { orderedOn, sentOn } = this.parent as { orderedOn?: string; sentOn?: string };
      return postInOrder({ orderedOn: orderedOn || null, sentOn: sentOn || null, arrivedOn: arrivedOn || null });
    },
  ),
  arrival: string()
    .oneOf(['', ...ARRIVALS] as const, 'Choose how it arrived.')
    .default(''),
});

export const checkInput = object({
  lookedOn: isoDate('the day of the look', SEEN_YEARS),
  green: string()
    .oneOf(['yes', 'partly', 'no'] as const, 'Choose what is under the bark.')
    .required('Choose what is under the bark.'),
  buds: string()
    .oneOf(['shut', 'moving', 'open'] as const, 'Choose how the buds are.')
    .required('Choose how the buds are.'),
  note: optionalText('the note', 300),
});
