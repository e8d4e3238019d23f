import { object, string } from 'yup';
import { newPassword } from './new-password';
import { email } from '@/core/inputs/fields';

export const changeInput = object({
  old: string()
    .strict()
    .typeError('Enter the password you have now.')
    .required('Enter the password you have now.')
    .max(200, 'A password has 200 characters at most.'),
  password: newPassword(),
});

export const forgottenInput = object({ email: email().required('Enter your e-mail address.') });

export const setInput = object({
  token: string()
    .strict()
    .typeError('Open the link again.')
    .required('Open the link again.')
    .max(100, 'Open the link again.'),
  password: newPassword(),
});
