'use client';

import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import type { HANDED_TO } from '@/core/aftercare/hand-input';
import type { PlantLife } from '@/core/aftercare/life/plant-life';
import { formatDate } from '@/core/units/iso-date';
import { deviceToday } from '@/ui/kit/device/device-clock';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useEntry } from '@/ui/kit/form/use-entry';

type To = (typeof HANDED_TO)[number];

interface WhoHasItProps {
  plant: Pick<PlantLife, 'plantId' | 'maker' | 'grower' | 'withUs' | 'handings'>;
  mayChange: boolean;
}

/** With whom a plant is, and handing it on: whoever has it is asked of it, and nobody else. */
export function WhoHasIt({ plant, mayChange }: WhoHasItProps) {
  const { grower, maker, withUs, handings } = plant;
  return (
    <details className="mb-4 max-w-prose border-y border-line">
      <summary className="min-h-11 cursor-pointer py-2">
        <strong>{withUs ? 'It stays with us.' : `${grower ?? 'Somebody who was erased'} has it.`}</strong>{' '}
        {withUs ? 'Nobody is asked of it; we look at it ourselves.' : 'They are asked of it.'}{' '}
        <span className="underline">{mayChange ? 'Hand it on' : 'Who had it'}</span>
      </summary>
      {handings.length > 0 && (
        <ul className="mb-2">
          {handings.map(({ on, withUs: us, name, by }, i) => (
            <li key={i}>
              {formatDate(on)}: {us ? 'stays with us' : `with ${name ?? maker ?? 'whoever made it'}`}
              {by && <span className="text-muted">, noted by {by}</span>}
            </li>
          ))}
        </ul>
      )}
      {mayChange && <HandOn key={handings.length} plant={plant} />}
    </details>
  );
}

function HandOn({ plant: { plantId, maker } }: Pick<WhoHasItProps, 'plant'>) {
  const [to, setTo] = useState<To>('us');
  const [people, setPeople] = useState<{ id: string; name: string }[] | null>(null);
  const [fresh] = useState(() => uuid());
  const [action] = useState(() => uuid());
  const { register, submit, errors, problem, busy } = useEntry(
    () => import('@/core/aftercare/hand-input').then(({ handInput }) => handInput),
    async (values, { run }) => void (await run('PUT', `/api/plant-handings/${action}`, values)),
    {
      starts: { to: 'us', personId: '', name: '', email: '', phone: '', mayContact: false, on: deviceToday() },
      read: (typed) => ({ ...typed, plantIds: [plantId], personId: typed.to === 'new' ? fresh : typed.personId }),
    },
  );
  const choose = (next: To): void => {
    setTo(next);
    if (next !== 'person' || people !== null) return;
    void fetch('/api/holders')
      .then(async (answer) => setPeople(answer.ok ? ((await answer.json()) as typeof people) : []))
      .catch(() => setPeople([]));
  };
  return (
    <form
      onSubmit={submit}
      noValidate
      className="mb-3 flex flex-wrap items-end gap-3 border-l-4 border-ink bg-mist p-3"
    >
      <Problem>{problem}</Problem>
      <Field label="From now on" error={errors.to}>
        <select {...register('to', { onChange: ({ target }: { target: { value: To } }) => choose(target.value) })}>
          <option value="us">it stays with us</option>
          <option value="maker">{maker ?? 'whoever made it'} has it</option>
          <option value="person">somebody on record has it</option>
          <option value="new">somebody new has it</option>
        </select>
      </Field>
      {to === 'person' && (
        <Field label="Who" error={errors.personId}>
          <select {...register('personId')}>
            <option value="">{people === null ? 'Names are being read' : 'Choose a name'}</option>
            {people?.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </Field>
      )}
      {to === 'new' && (
        <>
          <Field label="Name" error={errors.name}>
            <input {...register('name')} maxLength={120} autoComplete="off" />
          </Field>
          <Field label="E-mail" error={errors.email}>
            <input {...register('email')} inputMode="email" autoComplete="off" />
          </Field>
          <Field label="Telephone" error={errors.phone}>
            <input {...register('phone')} inputMode="tel" autoComplete="off" />
          </Field>
          <label className="flex min-h-11 w-full items-center gap-2">
            <input type="checkbox" className="size-5" {...register('mayContact')} />
            They agree to be written to about it. They can stop that in every letter.
          </label>
        </>
      )}
      <Field label="On" error={errors.on}>
        <input type="date" max={deviceToday()} {...register('on')} />
      </Field>
      <button type="submit" className="bench-button" data-weight="main" disabled={busy}>
        Hand it on
      </button>
    </form>
  );
}
