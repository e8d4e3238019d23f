'use client';

import { useState } from 'react';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useSend } from '@/ui/kit/form/use-send';
import { PASSWORD_HINT } from './new-password-form';

/** Changes one's own password; the old one is asked. */
export function PasswordForm({ email }: { email: string }) {
  const { run, busy, problem } = useSend();
  const [said, setSaid] = useState('');
  const change = async (event: React.FormEvent<HTMLFormElement>): Promise<void> => {
    event.preventDefault();
    const form = event.currentTarget;
    setSaid('');
    const sent = await run('PUT', '/api/password', Object.fromEntries(new FormData(form)));
    if (!sent?.ok) return;
    form.reset();
    setSaid('Changed. You are signed out everywhere else.');
  };
  return (
    <form onSubmit={(event) => void change(event)} className="flex flex-col gap-3" noValidate>
      <Problem>{problem?.message}</Problem>
      <input type="hidden" name="username" autoComplete="username" value={email} readOnly />
      <Field label="Password you have now" error={problem?.fields.old}>
        <input name="old" type="password" autoComplete="current-password" required />
      </Field>
      <Field label="New password" hint={PASSWORD_HINT} error={problem?.fields.password}>
        <input name="password" type="password" autoComplete="new-password" required />
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
