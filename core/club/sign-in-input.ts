import { object, string } from 'yup';
import { email } from '@/core/inputs/fields';

export const credentials = object({
  email: email().required('Enter your e-mail address.'),
  password: string()
    .strict()
    .typeError('Enter your password.')
    .required('Enter your password.')
    .max(200, 'A password has 200 characters at most.'),
});
