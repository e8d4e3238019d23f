import { object, string } from 'yup';
import { text, email } from '@/core/inputs/fields';
import { newPassword } from './new-password';
import { ROLES } from './role';

export const role = string().oneOf(ROLES, 'Choose lead, assistant or viewer.').required('Choose a role.');

export const firstLead = object({
  club: text("the club's name", 120),
  name: text('your name', 120),
  email: email().required('Enter your e-mail address.'),
  password: newPassword(),
});

export const newMember = object({
  name: text('a name', 120),
  email: email().required('Enter an e-mail address.'),
  role,
});

export const preferences = object({
  lengthUnit: string()
    .oneOf(['mm', 'in'] as const, 'Choose millimetres or inches.')
    .required('Choose millimetres or inches.'),
  temperatureUnit: string()
    .oneOf(['C', 'F'] as const, 'Choose °C or °F.')
    .required('Choose °C or °F.'),
});
