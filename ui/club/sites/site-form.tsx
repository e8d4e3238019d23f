'use client';

import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { TimeZoneInput } from '@/ui/kit/form/time-zone-input';
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
      <Field
        label="Time zone"
        hint="Type a part of it, such as Vienna; the clocks of the site go by it"
        error={problem?.fields.timeZone}
      >
        <TimeZoneInput name="timeZone" />
      </Field>
      <button type="submit" className="bench-button self-start" disabled={busy}>
        Add the site
      </button>
    </form>
  );
}
