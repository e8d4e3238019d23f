import { string } from 'yup';

export const SHORTEST_PASSWORD = 12;

/** A password of a form; long enough, and no longer than what is worth hashing. */
export const newPassword = () =>
  string()
    .strict()
    .typeError('Enter a password.')
    .required('Enter a password.')
    .min(
      SHORTEST_PASSWORD,
      `Use ${SHORTEST_PASSWORD} characters or more for the password. Four words that do not belong together are good.`,
    )
    .max(200, 'A password has 200 characters at most.');
