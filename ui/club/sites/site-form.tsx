'use client';

import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useSend } from '@/ui/kit/form/use-send';

/** A place where workshops are held. */
export function SiteForm() {
  const { run, busy, problem } = useSend();
  const submit = async (event: React.FormEvent<HTMLFormElement>): Promise<void> => {
    event.preventDefault();
    const form = event.currentTarget;
    const sent = await run('POST', '/api/sites', Object.fromEntries(new FormData(form)));
    if (sent?.ok) form.reset();
  };
  const zone = typeof Intl === 'undefined' ? 'UTC' : Intl.DateTimeFormat().resolvedOptions().timeZone;
  return (
    <form onSubmit={(event) => void submit(event)} className="flex flex-col gap-3" noValidate>
      <Problem>{problem?.message}</Problem>
      <Field label="Name of the site" error={problem?.fields.name}>
        <input name="name" maxLength={120} />
      </Field>
      <Field label="Hemisphere" error={problem?.fields.hemisphere}>
        <select name="hemisphere" defaultValue="north">
          <option value="north">Northern</option>
          <option value="south">Southern</option>
        </select>
      </Field>
      <Field label="Time zone" hint="As area and city, such as Europe/Vienna" error={problem?.fields.timeZone}>
        <input name="timeZone" defaultValue={zone} suppressHydrationWarning />
      </Field>
      <button type="submit" className="bench-button self-start" disabled={busy}>
        Add the site
      </button>
    </form>
  );
}
