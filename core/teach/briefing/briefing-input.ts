import { object } from 'yup';
import { optionalText, flag } from '@/core/inputs/fields';

export const briefingInput = object({
  firstAid: optionalText('who is trained in first aid', 300),
  kit: optionalText('where the kit is', 300),
  localRules: optionalText('the local rules', 2000),
  sap: flag().default(false),
});
