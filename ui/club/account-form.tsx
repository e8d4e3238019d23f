'use client';

import { useState } from 'react';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { send } from '@/ui/kit/form/send';

interface Entry {
  name: string;
  label: string;
  type: string;
  autoComplete: string;
  hint?: string;
}

interface AccountFormProps {
  url: string;
  entries: Entry[];
  button: string;
  /** Where to go once signed in, a path of our own. */
  next: string;
}

/** A form that ends with being signed in: signing in, or making the first account. */
export function AccountForm({ url, entries, button, next }: AccountFormProps) {
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<{ message: string; fields: Record<string, string> } | null>(null);
  const submit = async (event: React.FormEvent<HTMLFormElement>): Promise<void> => {
    event.preventDefault();
    if (busy) return;
    setBusy(true);
    setProblem(null);
    const sent = await send(
      'POST',
      url,
      Object.fromEntries(new FormData(event.currentTarget)) as Record<string, string>,
    );
    if (sent.ok) {
      window.location.assign(next);
      return;
    }
    setBusy(false);
    setProblem(sent);
  };
  return (
    <form onSubmit={(event) => void submit(event)} className="flex flex-col gap-3" noValidate>
      <Problem>{problem?.message}</Problem>
      {entries.map(({ label, hint, ...input }) => (
        <Field key={input.name} label={label} {...(hint ? { hint } : {})} error={problem?.fields[input.name]}>
          <input {...input} required />
        </Field>
      ))}
      <button type="submit" className="bench-button self-start" data-weight="main" disabled={busy}>
        {busy ? 'One moment' : button}
      </button>
    </form>
  );
}
