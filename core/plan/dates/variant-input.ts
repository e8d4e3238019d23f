import { object, string } from 'yup';
import { optionalText } from '@/core/inputs/fields';
import { VARIANTS } from '../../methods/use';

/**
 * How a method of a day is meant to live on.
 * @param known ids of the methods there are.
 */
export const variantInput = (known: readonly string[]) =>
  object({
    method: string()
      .oneOf([...known], 'Choose a method from the list.')
      .required('Choose a method.'),
    variant: string()
      .oneOf([...VARIANTS], 'Choose one of those in the list.')
      .required('Choose one.'),
    reason: optionalText('the reason', 200),
  });
