'use client';

import { useState } from 'react';
import { ARRIVAL_WORDS, ARRIVALS } from '@/core/plan/wood/by-post';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useEntry } from '@/ui/kit/form/use-entry';

export interface LotValues {
  variety: string;
  species: string;
  source: string;
  cutOn: string | null;
  stage: string;
  place: string;
  wrap: string;
  protectedUntil: string | null;
  leaveWords: string;
  certificate: string;
  region: string;
  sticks: number;
  usableBuds: number;
  sourceId: string | null;
  orderedOn: string | null;
  sentOn: string | null;
  arrivedOn: string | null;
  arrival: string;
  version: number;
}

const NEEDED: readonly (keyof LotValues)[] = ['variety', 'species', 'source'];

/** Fields of a lot besides those that name it. */
export function LotFields({
  lot,
  sources,
  errors,
  register,
}: {
  lot: Partial<LotValues>;
  sources: { id: string; name: string }[];
} & Pick<ReturnType<typeof useEntry>, 'errors' | 'register'>) {
  const input = (name: keyof LotValues, label: string, type = 'text', hint?: string): React.ReactNode => (
    <Field label={label} needed={NEEDED.includes(name)} error={errors[name]} {...(hint ? { hint } : {})}>
      <input
        {...register(name)}
        type={type}
        defaultValue={lot[name] ?? ''}
        {...(type === 'text' ? { maxLength: 200 } : {})}
      />
    </Field>
  );
  return (
    <>
      <div className="grid grid-cols-2 gap-2">
        {input('variety', 'Variety')}
        {input('species', 'Species')}
        {input('cutOn', 'Date cut', 'date')}
        <Field label="Stage when cut" error={errors.stage}>
          <select {...register('stage')} defaultValue={lot.stage ?? 'dormant'}>
            <option value="dormant">fully dormant</option>
            <option value="budwood">budwood of this season</option>
            <option value="tip">hardened tip</option>
          </select>
        </Field>
        <Field label="Sticks" error={errors.sticks}>
          <input {...register('sticks')} inputMode="numeric" defaultValue={lot.sticks ?? 0} />
        </Field>
        <Field label="Usable buds on a stick" error={errors.usableBuds}>
          <input {...register('usableBuds')} inputMode="numeric" defaultValue={lot.usableBuds ?? 8} />
        </Field>
      </div>
      {input('source', 'Where it comes from')}
      <Field label="Cut from a plant of the club’s own" error={errors.sourceId}>
        <select {...register('sourceId')} defaultValue={lot.sourceId ?? ''}>
          <option value="">not one of them</option>
          {sources.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      </Field>
      <div className="grid grid-cols-2 gap-2">
        {input('place', 'Stored where')}
        {input('wrap', 'Wrapped in')}
        {input('protectedUntil', 'Protected until', 'date')}
        {input('leaveWords', 'Owner’s leave', 'text', 'Who gave it, and when')}
        {input('certificate', 'Certificate number')}
        {input('region', 'Grown in the region of')}
      </div>
      <details open={Boolean(lot.orderedOn || lot.sentOn || lot.arrivedOn)}>
        <summary className="min-h-9 cursor-pointer py-1 font-bold">It comes by post</summary>
        <div className="grid grid-cols-2 gap-2">
          {input('orderedOn', 'Ordered on', 'date')}
          {input('sentOn', 'Sent on', 'date')}
          {input('arrivedOn', 'Arrived on', 'date')}
          <Field label="How it arrived" error={errors.arrival} hint="Trim both ends, scrape a little bark">
            <select {...register('arrival')} defaultValue={lot.arrival ?? ''}>
              <option value="">not looked at yet</option>
              {ARRIVALS.map((arrival) => (
                <option key={arrival} value={arrival}>
                  {ARRIVAL_WORDS[arrival]}
                </option>
              ))}
            </select>
          </Field>
        </div>
      </details>
    </>
  );
}

interface LotFormProps {
  lotId: string;
  lot: LotValues;
  sources: { id: string; name: string }[];
  onDone?: () => void;
}

/** Changes a lot that is there. */
export function LotForm(props: LotFormProps) {
  const [saved, setSaved] = useState(false);
  const done = (ok: boolean): void => {
    setSaved(ok);
    if (ok) props.onDone?.();
  };
  // A lot that was changed, here or by somebody else, is a form of its own.
  return <LotOfVersion key={props.lot.version} {...props} saved={saved} onSent={done} />;
}

function LotOfVersion({
  lotId,
  lot,
  sources,
  saved,
  onSent,
}: Omit<LotFormProps, 'onDone'> & { saved: boolean; onSent: (ok: boolean) => void }) {
  const { register, submit, errors, problem, busy } = useEntry(
    () => import('@/core/plan/wood/lot-input').then(({ lotInput }) => lotInput),
    async (values, { run }) => {
      const sent = await run('PUT', `/api/wood/${lotId}`, { ...values, version: lot.version });
      onSent(sent?.ok ?? false);
    },
  );
  return (
    <form onSubmit={submit} className="flex flex-col gap-2" noValidate>
      <Problem>{problem}</Problem>
      <LotFields lot={lot} sources={sources} errors={errors} register={register} />
      <div className="flex items-center gap-3">
        <button type="submit" className="bench-button self-start" data-weight="main" disabled={busy}>
          Save the lot
        </button>
        {saved && <span role="status">Saved.</span>}
      </div>
    </form>
  );
}
