import { object, string } from 'yup';
import { text, optionalText } from '@/core/inputs/fields';

export const pairInput = object({
  stock: text('the kind of stock', 60),
  scion: text('the kind of scion', 60),
  verdict: string()
    .oneOf(['works', 'mind', 'fails'] as const, 'Choose how they fare.')
    .required('Choose how they fare.'),
  note: optionalText('the note', 300),
  source: text('where this comes from', 200),
});
