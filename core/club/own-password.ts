import { object, string } from 'yup';

/** The password somebody has already, asked once more. */
export const ownPassword = () =>
  string()
    .strict()
    .typeError('Enter your password.')
    .required('Enter your password.')
    .max(200, 'A password has 200 characters at most.');

export const ownPasswordInput = object({ password: ownPassword() });
