'use client';

import { useState } from 'react';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { send } from '@/ui/kit/form/send';

/** Asks for the address of an account; what is said afterwards is the same whether there is one. */
export function ForgottenForm() {
  const [busy, setBusy] = useState(false);
  const [sent, setSent] = useState(false);
  const [problem, setProblem] = useState<{ message: string; fields: Record<string, string> } | null>(null);
  const submit = async (event: React.FormEvent<HTMLFormElement>): Promise<void> => {
    event.preventDefault();
    if (busy) return;
    setBusy(true);
    setProblem(null);
    const answer = await send(
      'POST',
      '/api/password/forgotten',
      Object.fromEntries(new FormData(event.currentTarget)) as Record<string, string>,
    );
    setBusy(false);
    if (answer.ok) setSent(true);
    else setProblem(answer);
  };
  if (sent)
    return (
      <p role="status" className="board font-bold">
        If the address has an account, a letter is on its way. Open its link within 20 minutes.
      </p>
    );
  return (
    <form onSubmit={(event) => void submit(event)} className="flex flex-col gap-3" noValidate>
      <Problem>{problem?.message}</Problem>
      <Field label="E-mail" error={problem?.fields.email}>
        <input name="email" type="email" autoComplete="username" required />
      </Field>
      <button type="submit" className="bench-button self-start" data-weight="main" disabled={busy}>
        {busy ? 'One moment' : 'Send me a link'}
      </button>
    </form>
  );
}
