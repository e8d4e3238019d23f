'use client';

import { useRef, useState } from 'react';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useEntry } from '@/ui/kit/form/use-entry';

/** Answers a club that asks, with the password of the account it asks. */
export function JoinForm({ token, email }: { token: string; email: string }) {
  const [done, setDone] = useState<'yes' | 'no' | null>(null);
  const said = useRef<'yes' | 'no'>('yes');
  const { register, submit, errors, problem, busy } = useEntry(
    () => import('@/core/club/own-password').then(({ ownPasswordInput }) => ownPasswordInput),
    async (values, { run }) => {
      const answer = said.current;
      const sent = await run('POST', '/api/invitations/link', { token, ...values, answer });
      if (sent?.ok) setDone(answer);
    },
  );
  if (done)
    return (
      <p role="status" className="board font-bold">
        {done === 'yes' ? 'You belong to the club now.' : 'You said no; nothing was changed.'}{' '}
        <a href="/sign-in">Sign in</a>
      </p>
    );
  return (
    <form onSubmit={submit} className="flex flex-col gap-3" noValidate>
      <Problem>{problem}</Problem>
      <input type="hidden" name="username" autoComplete="username" value={email} readOnly />
      <Field label="Your password" error={errors.password}>
        <input {...register('password')} type="password" autoComplete="current-password" required />
      </Field>
      <div className="flex gap-3">
        <button
          type="submit"
          className="bench-button"
          data-weight="main"
          disabled={busy}
          onClick={() => (said.current = 'yes')}
        >
          Yes, join
        </button>
        <button type="submit" className="bench-button" disabled={busy} onClick={() => (said.current = 'no')}>
          No
        </button>
      </div>
    </form>
  );
}
