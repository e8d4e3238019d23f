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
      <fieldset className="grid grid-cols-3 gap-2">
        <legend className="mb-1 text-sm text-muted">
          Month and day, such as 04-24. The two frost dates are enough to know what is in season here; leave all empty
          where it never freezes, and enter the temperatures afterwards.
        </legend>
        <Field label="Last frost" error={errors.lastFrost}>
          <input {...register('lastFrost')} placeholder="04-24" />
        </Field>
        <Field label="First frost" error={errors.firstFrost}>
          <input {...register('firstFrost')} placeholder="10-28" />
        </Field>
        <Field label="Apples bloom" error={errors.appleBloom}>
          <input {...register('appleBloom')} placeholder="04-30" />
        </Field>
      </fieldset>
      <button type="submit" className="bench-button self-start" disabled={busy}>
        Add the site
      </button>
    </form>
  );
}
