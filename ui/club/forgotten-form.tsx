'use client';

import { useState } from 'react';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useEntry } from '@/ui/kit/form/use-entry';

/** Asks for the address of an account; what is said afterwards is the same whether there is one. */
export function ForgottenForm() {
  const [sent, setSent] = useState(false);
  const { register, submit, errors, problem, busy } = useEntry(
    () => import('@/core/club/password-input').then(({ forgottenInput }) => forgottenInput),
    async (values, { run }) => {
      const answer = await run('POST', '/api/password/forgotten', values);
      if (answer?.ok) setSent(true);
    },
  );
  if (sent)
    return (
      <p role="status" className="board font-bold">
        If the address has an account, a letter is on its way. Open its link within 20 minutes.
      </p>
    );
  return (
    <form onSubmit={submit} className="flex flex-col gap-3" noValidate>
      <Problem>{problem}</Problem>
      <Field label="E-mail" error={errors.email}>
        <input {...register('email')} type="email" autoComplete="username" required />
      </Field>
      <button type="submit" className="bench-button self-start" data-weight="main" disabled={busy}>
        {busy ? 'One moment' : 'Send me a link'}
      </button>
    </form>
  );
}
