'use client';

import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { TimeZoneInput } from '@/ui/kit/form/time-zone-input';
import { useEntry } from '@/ui/kit/form/use-entry';

/** A place where workshops are held. */
export function SiteForm() {
  const { register, submit, errors, problem, busy } = useEntry(
    () => import('@/core/club/site-input').then(({ siteInput }) => siteInput),
    async (values, { run, reset }) => {
      const sent = await run('POST', '/api/sites', values);
      if (sent?.ok) reset();
    },
  );
  return (
    <form onSubmit={submit} className="flex flex-col gap-3" noValidate>
      <Problem>{problem}</Problem>
      <Field needed label="Name of the site" error={errors.name}>
        <input {...register('name')} maxLength={120} />
      </Field>
      <Field label="Hemisphere" error={errors.hemisphere}>
        <select {...register('hemisphere')} defaultValue="north">
          <option value="north">Northern</option>
          <option value="south">Southern</option>
        </select>
      </Field>
      <Field
        needed
        label="Time zone"
        hint="Type a part of it, such as Vienna; the clocks of the site go by it"
        error={errors.timeZone}
      >
        <TimeZoneInput {...register('timeZone')} />
      </Field>
      <button type="submit" className="bench-button self-start" disabled={busy}>
        Add the site
      </button>
    </form>
  );
}
