import { object, mixed } from 'yup';
import { text, email, optionalText, trimmed, flag } from '@/core/inputs/fields';
import type { SkillLevel } from '@/core/plan/pairing/hand';

export const walkIn = object({ name: text('the name', 120), email: email().default('') });

export const seatChange = object({
  name: optionalText('the name', 120).default(undefined),
  email: email().default(undefined),
  phone: trimmed().max(40, 'Keep the phone number to 40 characters.').default(undefined),
  mayContact: flag().default(undefined),
  absent: flag().default(undefined),
  leftHanded: flag().default(undefined),
  // Left open in a form, it is read from earlier workshops.
  skill: mixed<SkillLevel>()
    .transform((value: unknown, typed: unknown) => (typed === '' ? null : value))
    .nullable()
    .oneOf(['first', 'some', 'sure', null], 'Choose how practised the hands are.')
    .default(undefined),
});
