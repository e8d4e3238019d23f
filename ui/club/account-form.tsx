'use client';

import { useState } from 'react';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useEntry } from '@/ui/kit/form/use-entry';

/** What each door is asked with. */
const SCHEMAS = {
  '/api/session': () => import('@/core/club/sign-in-input').then(({ credentials }) => credentials),
  '/api/first-lead': () => import('@/core/club/member-input').then(({ firstLead }) => firstLead),
};

interface Entry {
  name: string;
  label: string;
  type: string;
  autoComplete: string;
  hint?: string;
}

interface AccountFormProps {
  url: keyof typeof SCHEMAS;
  entries: Entry[];
  button: string;
  /** Where to go once signed in, a path of our own. */
  next: string;
}

/** A form that ends with being signed in: signing in, or making the first account. */
export function AccountForm({ url, entries, button, next }: AccountFormProps) {
  const [gone, setGone] = useState(false);
  const { register, submit, errors, problem, busy } = useEntry(SCHEMAS[url], async (values, { run }) => {
    const sent = await run('POST', url, values);
    if (!sent?.ok) return;
    setGone(true);
    window.location.assign(next);
  });
  return (
    <form onSubmit={submit} className="flex flex-col gap-3" noValidate>
      <Problem>{problem}</Problem>
      {entries.map(({ label, hint, ...input }) => (
        <Field key={input.name} needed label={label} {...(hint ? { hint } : {})} error={errors[input.name]}>
          <input {...input} {...register(input.name)} required />
        </Field>
      ))}
      <button type="submit" className="bench-button self-start" data-weight="main" disabled={busy || gone}>
        {busy || gone ? 'One moment' : button}
      </button>
    </form>
  );
}
