'use client';

import Link from 'next/link';
import { useState } from 'react';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useEntry } from '@/ui/kit/form/use-entry';
import { options } from './change-keepers';
import type { KeeperLine, KeeperMethod, Stock, Wood } from './keeper-line';

interface MakeKeepersProps {
  workshopId: string;
  present: number;
  /** Those whose codes were not voided. */
  living: KeeperLine[];
  methods: KeeperMethod[];
  wood: Wood[];
  stocks: Stock[];
}

/** Makes keepers by method and lot: as many each as Quantities says it takes for the promised ones to live. */
export function MakeKeepers({ workshopId, present, living, methods, wood, stocks }: MakeKeepersProps) {
  const promised = methods.filter(({ make }) => make !== null);
  const [chosen, setChosen] = useState((promised[0] ?? methods[0]!).id);
  const method = methods.find(({ id }) => id === chosen)!;
  const [said, setSaid] = useState('');
  const starts = {
    method: chosen,
    woodLotId: wood[0]!.id,
    stockLotId: stocks[0]!.id,
    each: method.make ?? 1,
    withUs: 'no',
  };
  const { register, submit, errors, problem, busy, reset } = useEntry(
    () => import('@/core/aftercare/keeper-input').then(({ makeInput }) => makeInput(methods.map(({ id }) => id))),
    async (values, { run }) => {
      const sent = await run<{ made: number; notYet: number[] }>(
        'POST',
        `/api/workshops/${workshopId}/keepers`,
        values,
      );
      if (!sent?.ok) return;
      const { made, notYet } = sent.data;
      const words =
        made > 0
          ? `${made} made, each with its code.`
          : notYet.length === 0
            ? 'Everybody has theirs already.'
            : 'None made.';
      setSaid(`${words}${notYet.length > 0 ? ` Not yet ready: ${notYet.join(', ')}.` : ''}`);
    },
    { starts, read: (typed) => ({ ...typed, withUs: typed.withUs === 'yes' }) },
  );
  const choose = (id: string): void => {
    setChosen(id);
    reset({ ...starts, method: id, each: methods.find((other) => other.id === id)?.make ?? 1 });
  };
  return (
    <section className="board" aria-labelledby="make-title">
      <h2 id="make-title" className="mb-1">
        Make keepers
      </h2>
      <Promised promised={promised} living={living} present={present} />
      <NotReady workshopId={workshopId} method={method} present={present} />
      <form onSubmit={submit} className="flex flex-col gap-3" noValidate>
        <Problem>{problem}</Problem>
        <Field label="Joined by" error={errors.method}>
          <select
            {...register('method', {
              onChange: (event: { target: { value: string } }) => choose(event.target.value),
            })}
          >
            {options(methods, ({ name }) => name)}
          </select>
        </Field>
        <Field label="Of wood lot">
          <select {...register('woodLotId')}>{options(wood, (lot) => lot.variety)}</select>
        </Field>
        <Field label="On stock lot">
          <select {...register('stockLotId')}>{options(stocks, (lot) => lot.stockType)}</select>
        </Field>
        <Field label="Of this lot each" error={errors.each}>
          <input {...register('each')} inputMode="numeric" className="w-20" />
        </Field>
        <Field label="Handed out" hint="Whoever has a plant is asked of it; a plant’s page or a move changes that.">
          <select {...register('withUs')}>
            <option value="no">each goes home with whoever makes it</option>
            <option value="yes">they stay with us</option>
          </select>
        </Field>
        <p className="text-sm text-muted">
          Seats that have as many of this lot are left alone. Pick tags to change them.
        </p>
        <button type="submit" className="bench-button self-start" data-weight="main" disabled={busy}>
          Make what is missing
        </button>
        <p role="status">{said}</p>
      </form>
    </section>
  );
}

type PromisedProps = Pick<MakeKeepersProps, 'living' | 'present'> & { promised: KeeperMethod[] };

/** What each was promised, and how many are made so that so many live. */
function Promised({ promised, living, present }: PromisedProps) {
  return (
    <ul className="mb-2 text-sm">
      {promised.map(({ id, name, promised: each, make }) => (
        <li key={id}>
          <strong>{name}</strong>: {each} promised to each of {present} present, {make} made each so that they live;{' '}
          {living.filter(({ unions }) => unions.some((union) => union.method === id)).length} are made.
        </li>
      ))}
    </ul>
  );
}

interface NotReadyProps {
  workshopId: string;
  method: KeeperMethod;
  present: number;
}

/** Who is not ready for living wood by a method, by name, and the way to let them through. */
function NotReady({ workshopId, method: { id, name, notReady }, present }: NotReadyProps) {
  if (notReady.length === 0) return null;
  return (
    <p className="mb-2 border-l-4 border-ink pl-2 text-sm">
      <strong>
        Not ready for living wood by {name.toLowerCase()}:{' '}
        {notReady.length === present
          ? 'nobody is yet'
          : notReady.map((seat) => `${seat.number} ${seat.name}`).join(', ')}
        .
      </strong>{' '}
      Keepers are made for the others;{' '}
      <Link href={`/workshops/${workshopId}/score/readiness?method=${id}`}>let them through on the readiness page</Link>{' '}
      if you know better.
    </p>
  );
}
