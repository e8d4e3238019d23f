'use client';

import { useRouter } from 'next/navigation';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useEntry } from '@/ui/kit/form/use-entry';

export const PASSWORD_HINT =
  '12 characters or more, and not a common one: four words that do not belong together are good.';

/** Chooses the password of an account by a link, and leads to signing in with it. */
export function NewPasswordForm({ token, email }: { token: string; email: string }) {
  const router = useRouter();
  const { register, submit, errors, problem, busy } = useEntry(
    () => import('@/core/club/password-input').then(({ setInput }) => setInput.pick(['password'])),
    async ({ password }, { run }) => {
      const sent = await run('POST', '/api/password/link', { token, password: String(password) });
      if (sent?.ok) router.replace('/sign-in');
    },
  );
  return (
    <form onSubmit={submit} className="flex flex-col gap-3" noValidate>
      <Problem>{problem}</Problem>
      {/* So that a password keeper knows whose it is. */}
      <input type="hidden" name="username" autoComplete="username" value={email} readOnly />
      <Field label="New password" hint={PASSWORD_HINT} error={errors.password}>
        <input {...register('password')} type="password" autoComplete="new-password" required />
      </Field>
      <button type="submit" className="bench-button self-start" data-weight="main" disabled={busy}>
        {busy ? 'One moment' : 'Set the password'}
      </button>
    </form>
  );
}
