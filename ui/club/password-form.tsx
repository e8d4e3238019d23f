'use client';

import { useState } from 'react';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useEntry } from '@/ui/kit/form/use-entry';
import { PASSWORD_HINT } from './new-password-form';

/** Changes one's own password; the old one is asked. */
export function PasswordForm({ email }: { email: string }) {
  const [said, setSaid] = useState('');
  const { register, submit, errors, problem, busy } = useEntry(
    () => import('@/core/club/password-input').then(({ changeInput }) => changeInput),
    async (values, { run, reset }) => {
      setSaid('');
      const sent = await run('PUT', '/api/password', values);
      if (!sent?.ok) return;
      reset();
      setSaid('Changed. You are signed out everywhere else.');
    },
  );
  return (
    <form onSubmit={submit} className="flex flex-col gap-3" noValidate>
      <Problem>{problem}</Problem>
      <input type="hidden" name="username" autoComplete="username" value={email} readOnly />
      <Field label="Password you have now" error={errors.old}>
        <input {...register('old')} type="password" autoComplete="current-password" required />
      </Field>
      <Field label="New password" hint={PASSWORD_HINT} error={errors.password}>
        <input {...register('password')} type="password" autoComplete="new-password" required />
      </Field>
      <button type="submit" className="bench-button self-start" data-weight="main" disabled={busy}>
        Change the password
      </button>
      <p role="status" className="font-bold">
        {said}
      </p>
    </form>
  );
}
