'use client';

import { deviceToday } from '@/ui/kit/device/device-clock';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useEntry } from '@/ui/kit/form/use-entry';
import { DayVerdictLine } from './day-verdict-line';

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

/** What the form is read by; what is grafted on what is asked of a new workshop only. */
const schemaOf = async (workshop: WorkshopFigures | null, methods: WorkshopFormProps['methods']) => {
  const { newWorkshopInput, workshopInput } = await import('@/core/plan/workshop-input');
  return (workshop ? workshopInput : newWorkshopInput)(methods.map(({ id }) => id));
};

/** Title, date, site, method and promise of a workshop; what is grafted on what, when it is new. */
export function WorkshopForm({ workshop, sites, methods, onDone }: WorkshopFormProps) {
  const router = useRouter();
  // Made once, so that a second try of the same entry changes the same workshop.
  const [id] = useState(() => workshop?.id ?? uuid());
  const [questioned, setQuestioned] = useState<string | null>(null);
  const { register, submit, errors, problem, busy, watch } = useEntry(
    () => schemaOf(workshop, methods),
    async (values, { run }) => {
      // A day that is here or over is mostly a slip of the calendar: asked once, then taken as it is.
      if (!workshop && questioned !== values.date && String(values.date) <= deviceToday()) {
        setQuestioned(String(values.date));
        return;
      }
      const sent = await run('PUT', `/api/workshops/${id}`, values);
      if (!sent?.ok) return;
      if (onDone) onDone();
      else router.push(`/workshops/${id}/plan`);
    },
  );
  return (
    <form onSubmit={submit} className="flex flex-col gap-3" noValidate>
      <Problem>{problem}</Problem>
      <Field needed label="Title" error={errors.title}>
        <input {...register('title')} defaultValue={workshop?.title} maxLength={120} />
      </Field>
      <div className="grid grid-cols-[minmax(0,1fr)] gap-3 sm:grid-cols-2">
        <Field needed label="Date" error={errors.date}>
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
      {!workshop && (
        <div className="grid grid-cols-[minmax(0,1fr)] gap-3 sm:grid-cols-2">
          <Field needed label="What is grafted" hint="Such as pear" error={errors.scionSpecies}>
            <input {...register('scionSpecies')} maxLength={60} autoComplete="off" />
          </Field>
          <Field needed label="On what" hint="Such as quince" error={errors.stockSpecies}>
            <input {...register('stockSpecies')} maxLength={60} autoComplete="off" />
          </Field>
        </div>
      )}
      <div className="grid gap-3 sm:grid-cols-[13rem_1fr]">
        <Field needed label="Keepers promised each" error={errors.promisedKeepers}>
          <input {...register('promisedKeepers')} inputMode="numeric" defaultValue={workshop?.promisedKeepers ?? 2} />
        </Field>
        <Field label="What they take home, in words" error={errors.promise} hint="Such as: two pears on quince, potted">
          <input {...register('promise')} defaultValue={workshop?.promise} maxLength={200} />
        </Field>
      </div>
      {!workshop && <DayVerdictLine entered={watch()} siteId={sites[0]?.id} method={methods[0]?.id} />}
      {questioned && <PastDay day={questioned} />}
      <button type="submit" className="bench-button self-start" data-weight="main" disabled={busy}>
        {workshop ? 'Save' : questioned ? 'Plan it anyway' : 'Plan it'}
      </button>
    </form>
  );
}

/** A day that is here or over is mostly a slip of the calendar. */
function PastDay({ day }: { day: string }) {
  return (
    <p role="alert" className="border-l-4 border-loud pl-3">
      <strong>{day === deviceToday() ? 'That is today.' : 'That day is over.'}</strong> Wood, stocks and dates before
      the day can no longer be planned. Change the date, or plan it anyway.
    </p>
  );
}
