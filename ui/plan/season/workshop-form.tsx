'use client';

import { workshopInput } from '@/core/plan/workshop-input';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useEntry } from '@/ui/kit/form/use-entry';

export interface WorkshopFigures {
  id: string;
  title: string;
  date: string;
  siteId: string;
  method: string;
  promisedKeepers: number;
  promise: string;
}

interface WorkshopFormProps {
  workshop: WorkshopFigures | null;
  sites: { id: string; name: string }[];
  methods: { id: string; name: string }[];
  onDone?: () => void;
}

/** Title, date, site, method and promise of a workshop. */
export function WorkshopForm({ workshop, sites, methods, onDone }: WorkshopFormProps) {
  const router = useRouter();
  // Made once, so that a second try of the same entry changes the same workshop.
  const [id] = useState(() => workshop?.id ?? uuid());
  const { register, submit, errors, problem, busy } = useEntry(
    workshopInput(methods.map((method) => method.id)),
    async (values, { run }) => {
      const sent = await run('PUT', `/api/workshops/${id}`, values);
      if (!sent?.ok) return;
      if (onDone) onDone();
      else router.push(`/workshops/${id}/plan`);
    },
  );
  return (
    <form onSubmit={submit} className="flex flex-col gap-3" noValidate>
      <Problem>{problem}</Problem>
      <Field label="Title" error={errors.title}>
        <input {...register('title')} defaultValue={workshop?.title} maxLength={120} />
      </Field>
      <div className="grid grid-cols-[minmax(0,1fr)] gap-3 sm:grid-cols-2">
        <Field label="Date" error={errors.date}>
          <input {...register('date')} type="date" defaultValue={workshop?.date} />
        </Field>
        <Field label="Site" error={errors.siteId}>
          <select {...register('siteId')} defaultValue={workshop?.siteId ?? sites[0]?.id}>
            {sites.map((site) => (
              <option key={site.id} value={site.id}>
                {site.name}
              </option>
            ))}
          </select>
        </Field>
      </div>
      <Field label="Method" error={errors.method}>
        <select {...register('method')} defaultValue={workshop?.method ?? methods[0]?.id}>
          {methods.map((method) => (
            <option key={method.id} value={method.id}>
              {method.name}
            </option>
          ))}
        </select>
      </Field>
      <div className="grid gap-3 sm:grid-cols-[10rem_1fr]">
        <Field label="Keepers promised each" error={errors.promisedKeepers}>
          <input {...register('promisedKeepers')} inputMode="numeric" defaultValue={workshop?.promisedKeepers ?? 2} />
        </Field>
        <Field label="What they take home, in words" error={errors.promise} hint="Such as: two pears on quince, potted">
          <input {...register('promise')} defaultValue={workshop?.promise} maxLength={200} />
        </Field>
      </div>
      <button type="submit" className="bench-button self-start" data-weight="main" disabled={busy}>
        {workshop ? 'Save' : 'Plan it'}
      </button>
    </form>
  );
}
