'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { send } from '@/ui/kit/form/send';

export const PASSWORD_HINT =
  '12 characters or more, and not a common one: four words that do not belong together are good.';

/** Chooses the password of an account by a link, and leads to signing in with it. */
export function NewPasswordForm({ token, email }: { token: string; email: string }) {
  const router = useRouter();
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<{ message: string; fields: Record<string, string> } | null>(null);
  const submit = async (event: React.FormEvent<HTMLFormElement>): Promise<void> => {
    event.preventDefault();
    if (busy) return;
    const data = new FormData(event.currentTarget);
    setBusy(true);
    setProblem(null);
    const sent = await send('POST', '/api/password/link', { token, password: String(data.get('password')) });
    if (sent.ok) return router.replace('/sign-in');
    setBusy(false);
    setProblem(sent);
  };
  return (
    <form onSubmit={(event) => void submit(event)} className="flex flex-col gap-3" noValidate>
      <Problem>{problem?.message}</Problem>
      {/* So that a password keeper knows whose it is. */}
      <input type="hidden" name="username" autoComplete="username" value={email} readOnly />
      <Field label="New password" hint={PASSWORD_HINT} error={problem?.fields.password}>
        <input name="password" type="password" autoComplete="new-password" required />
      </Field>
      <button type="submit" className="bench-button self-start" data-weight="main" disabled={busy}>
        {busy ? 'One moment' : 'Set the password'}
      </button>
    </form>
  );
}
