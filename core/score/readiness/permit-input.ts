import { object, array } from 'yup';
import { id, flag, trimmed } from '@/core/inputs/fields';

export const permitInput = object({
  seatIds: array(id('a seat')).required('Choose who.').min(1, 'Choose who.').max(500, '500 people at most.'),
  may: flag().required('Say whether they may.'),
  reason: trimmed().required('Say why, in a few words; it is kept.').max(300, 'Keep the reason to 300 characters.'),
});
