'use client';

import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { SheetDialog } from '@/ui/kit/form/sheet-dialog';
import { useEntry } from '@/ui/kit/form/use-entry';
import { useSend } from '@/ui/kit/form/use-send';

export interface SourceView {
  id: string;
  kind: 'keeper' | 'tree';
  name: string;
  variety: string;
  species: string;
  note: string;
  code: string | null;
  lives: 'alive' | 'dead' | 'unknown' | null;
  madeOf: { id: string; variety: string } | null;
  years: { year: number; sticks: number; booked: number; bookings: { id: string; whom: string; sticks: number }[] }[];
}

const LIVES = { alive: 'lives', dead: 'died', unknown: 'not heard of' } as const;

/** Plants that next year's sticks come from: named trees and living keepers, what each can give and who was promised how much. */
export function SourcesBoard({
  sources,
  thisYear,
  mayChange,
}: {
  sources: SourceView[];
  thisYear: number;
  mayChange: boolean;
}) {
  return (
    <section aria-labelledby="sources">
      <div className="mb-2 flex flex-wrap items-end justify-between gap-2">
        <h2 id="sources">Plants to cut from</h2>
        {mayChange && <AddSource />}
      </div>
      {sources.length === 0 && (
        <p className="text-muted">
          None named yet. A tree of the guild, or a keeper that lives, gives next year’s sticks.
        </p>
      )}
      <ul className="grid grid-cols-[minmax(0,1fr)] gap-3 md:grid-cols-2">
        {sources.map((source) => (
          <li key={source.id} className="board flex flex-col gap-2">
            <Source source={source} thisYear={thisYear} mayChange={mayChange} />
          </li>
        ))}
      </ul>
    </section>
  );
}

function Source({ source, thisYear, mayChange }: { source: SourceView; thisYear: number; mayChange: boolean }) {
  const { run, busy, problem } = useSend();
  // The year that is spoken of: the next one somebody entered, else next winter's.
  const [year, setYear] = useState(
    () =>
      source.years
        .map((year) => year.year)
        .filter((year) => year >= thisYear)
        .sort((a, b) => a - b)[0] ?? thisYear + 1,
  );
  const chosen = source.years.find((entry) => entry.year === year);
  return (
    <>
      <div>
        <h3 className="font-bold">{source.name}</h3>
        <p className="text-sm text-muted">
          {source.variety}, {source.species};{' '}
          {source.kind === 'tree' ? 'a tree' : `keeper ${source.code}, ${source.lives ? LIVES[source.lives] : ''}`}
          {source.madeOf && (
            <>
              , made of the lot <a href={`/wood/${source.madeOf.id}`}>{source.madeOf.variety}</a>
            </>
          )}
          {source.note && `; ${source.note}`}
        </p>
        {source.lives === 'dead' && (
          <p className="font-bold text-loud">This keeper died: nothing can be cut from it.</p>
        )}
      </div>
      <Problem>{problem?.message}</Problem>
      <p>
        <label className="mr-2 text-sm font-bold">
          Year{' '}
          <select className="bench-input !w-24" value={year} onChange={(event) => setYear(Number(event.target.value))}>
            {[...new Set([thisYear + 1, thisYear, ...source.years.map((entry) => entry.year)])]
              .sort((a, b) => b - a)
              .map((choice) => (
                <option key={choice}>{choice}</option>
              ))}
          </select>
        </label>
        {chosen ? (
          <span>
            <strong className="tabular-nums">{chosen.sticks - chosen.booked}</strong> of {chosen.sticks} sticks not
            promised.
          </span>
        ) : (
          <span className="text-muted">Nobody said yet how many it can give.</span>
        )}
      </p>
      <Promises chosen={chosen} mayChange={mayChange} busy={busy} run={run} source={source} />
      {mayChange && (
        <div className="flex flex-wrap items-end gap-3">
          <CapacityForm
            key={`${year}-${chosen?.sticks ?? 0}`}
            source={source}
            year={year}
            sticks={chosen?.sticks ?? 0}
          />
          {chosen && chosen.sticks > chosen.booked && <PromiseForm source={source} year={year} />}
        </div>
      )}
    </>
  );
}

/** How many sticks a plant can give in a year. */
function CapacityForm({ source, year, sticks }: { source: SourceView; year: number; sticks: number }) {
  const { register, submit, errors, busy } = useEntry(
    () => import('@/core/plan/wood/source-input').then(({ yearInput }) => yearInput),
    async (values, { run }) => void (await run('PUT', `/api/wood-sources/${source.id}/years/${year}`, values)),
  );
  return (
    <form onSubmit={submit} className="flex items-end gap-2" noValidate>
      <div className="w-24">
        <Field label="Can give" error={errors.sticks}>
          <input
            {...register('sticks')}
            inputMode="numeric"
            defaultValue={sticks}
            aria-label={`Sticks ${source.name} can give in ${year}`}
          />
        </Field>
      </div>
      <button type="submit" className="bench-button" disabled={busy}>
        Set<span className="sr-only"> for {source.name}</span>
      </button>
    </form>
  );
}

/** Promises sticks of a plant to somebody. */
function PromiseForm({ source, year }: { source: SourceView; year: number }) {
  const [promiseId, setPromiseId] = useState(() => uuid());
  const { register, submit, errors, problem, busy } = useEntry(
    () => import('@/core/plan/wood/source-input').then(({ promiseInput }) => promiseInput.omit(['year'])),
    async (values, { run, reset }) => {
      const sent = await run('PUT', `/api/wood-sources/${source.id}/promises/${promiseId}`, { ...values, year });
      if (sent?.ok || (sent && sent.status >= 400 && sent.status < 500)) setPromiseId(uuid());
      if (sent?.ok) reset();
    },
  );
  return (
    <form onSubmit={submit} className="flex flex-wrap items-end gap-2" noValidate>
      {problem && !errors.whom && !errors.sticks && <Problem>{problem}</Problem>}
      <div className="w-36">
        <Field label="Promise to" error={errors.whom}>
          <input {...register('whom')} maxLength={120} aria-label={`Promise sticks of ${source.name} to`} />
        </Field>
      </div>
      <div className="w-20">
        <Field label="Sticks" error={errors.sticks}>
          <input
            {...register('sticks')}
            inputMode="numeric"
            defaultValue={1}
            aria-label={`Sticks of ${source.name} to promise`}
          />
        </Field>
      </div>
      <button type="submit" className="bench-button" disabled={busy}>
        Promise<span className="sr-only"> sticks of {source.name}</span>
      </button>
    </form>
  );
}

function AddSource() {
  const [open, setOpen] = useState(false);
  const [sourceId, setSourceId] = useState(() => uuid());
  const { register, submit, errors, problem, busy, watch } = useEntry(
    () => import('@/core/plan/wood/source-input').then(({ sourceInput }) => sourceInput),
    async (values, { run }) => {
      const sent = await run('PUT', `/api/wood-sources/${sourceId}`, values);
      if (!sent?.ok) return;
      setOpen(false);
      setSourceId(uuid());
    },
  );
  return (
    <SheetDialog
      title="A plant to cut from"
      description="A tree with a name, or a keeper by the code on its tag."
      open={open}
      onOpenChange={setOpen}
      trigger={
        <button type="button" className="bench-button">
          Name a plant
        </button>
      }
    >
      <form onSubmit={submit} className="flex flex-col gap-2" noValidate>
        <Problem>{problem}</Problem>
        <Field label="It is" error={errors.kind}>
          <select {...register('kind')} defaultValue="tree">
            <option value="tree">a tree</option>
            <option value="keeper">a keeper of a workshop</option>
          </select>
        </Field>
        {watch('kind') === 'keeper' && (
          <Field label="Code on its tag" error={errors.code}>
            <input {...register('code')} maxLength={12} />
          </Field>
        )}
        {[
          ['name', 'Name for it'],
          ['variety', 'Variety'],
          ['species', 'Species'],
          ['region', 'Region'],
          ['note', 'Note'],
        ].map(([name, label]) => (
          <Field key={name} label={label!} error={errors[name!]}>
            <input {...register(name!)} />
          </Field>
        ))}
        <button type="submit" className="bench-button self-start" data-weight="main" disabled={busy}>
          Add it
        </button>
      </form>
    </SheetDialog>
  );
}

interface PromisesProps {
  chosen: SourceView['years'][number] | undefined;
  mayChange: boolean;
  busy: boolean;
  run: ReturnType<typeof useSend>['run'];
  source: SourceView;
}

/** Who was promised sticks. */
function Promises({ chosen, mayChange, busy, run, source }: PromisesProps) {
  return (
    <ul className="divide-y divide-line">
      {(chosen?.bookings ?? []).map((booking) => (
        <li key={booking.id} className="flex items-center justify-between gap-2 py-1">
          <span>
            <strong className="tabular-nums">{booking.sticks}</strong> for {booking.whom}
          </span>
          {mayChange && (
            <button
              type="button"
              className="bench-button"
              disabled={busy}
              onClick={() => void run('DELETE', `/api/wood-sources/${source.id}/promises/${booking.id}`)}
            >
              Take back<span className="sr-only"> {booking.whom}</span>
            </button>
          )}
        </li>
      ))}
    </ul>
  );
}
