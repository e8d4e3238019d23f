'use client';

import { useState } from 'react';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { send } from '@/ui/kit/form/send';

/** Answers a club that asks, with the password of the account it asks. */
export function JoinForm({ token, email }: { token: string; email: string }) {
  const [busy, setBusy] = useState(false);
  const [password, setPassword] = useState('');
  const [done, setDone] = useState<'yes' | 'no' | null>(null);
  const [problem, setProblem] = useState<{ message: string; fields: Record<string, string> } | null>(null);
  const answer = async (said: 'yes' | 'no'): Promise<void> => {
    if (busy) return;
    setBusy(true);
    setProblem(null);
    const sent = await send('POST', '/api/invitations/link', { token, password, answer: said });
    setBusy(false);
    if (sent.ok) setDone(said);
    else setProblem(sent);
  };
  if (done)
    return (
      <p role="status" className="board font-bold">
        {done === 'yes' ? 'You belong to the club now.' : 'You said no; nothing was changed.'}{' '}
        <a href="/sign-in">Sign in</a>
      </p>
    );
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void answer('yes');
      }}
      className="flex flex-col gap-3"
      noValidate
    >
      <Problem>{problem?.message}</Problem>
      <input type="hidden" name="username" autoComplete="username" value={email} readOnly />
      <Field label="Your password" error={problem?.fields.password}>
        <input
          type="password"
          autoComplete="current-password"
          value={password}
          onChange={(event) => setPassword(event.target.value)}
          required
        />
      </Field>
      <div className="flex gap-3">
        <button type="submit" className="bench-button" data-weight="main" disabled={busy}>
          Yes, join
        </button>
        <button type="button" className="bench-button" disabled={busy} onClick={() => void answer('no')}>
          No
        </button>
      </div>
    </form>
  );
}
