'use client';

import Link from 'next/link';
import type { BriefingText } from '@/core/teach/briefing/briefing-text';
import { formatDate } from '@/core/units/iso-date';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { useEntry } from '@/ui/kit/form/use-entry';
import { useSend } from '@/ui/kit/form/use-send';

interface Person {
  id: string;
  seat: number;
  name: string;
  at: string | null;
  current: boolean;
}

interface BriefingBoardProps {
  workshopId: string;
  text: BriefingText;
  contentHash: string;
  sap: boolean;
  people: Person[];
  mayChange: boolean;
}

/** The briefing as it is read out, what the instructor adds to it, and who has acknowledged it. */
export function BriefingBoard({ workshopId, text, contentHash, sap, people, mayChange }: BriefingBoardProps) {
  const address = `/api/workshops/${workshopId}/briefing`;
  const notes = useEntry(
    () => import('@/core/teach/briefing/briefing-input').then(({ briefingInput }) => briefingInput),
    async (values, { run }) => void (await run('PUT', address, values)),
  );
  const names = useSend();
  const briefed = people.filter(({ current }) => current).length;
  return (
    <>
      <div className="mb-3 flex flex-wrap items-center justify-between gap-3">
        <h1>
          Safety briefing{' '}
          <span className="text-base font-normal text-muted">
            {briefed} of {people.length} briefed
          </span>
        </h1>
        <p className="flex flex-wrap gap-2">
          <Link href={`/workshops/${workshopId}/teach`} className="bench-button">
            Back to the steps
          </Link>
          <Link href={`/screen/${workshopId}`} className="bench-button">
            Projector (key S)
          </Link>
        </p>
      </div>
      <div className="grid grid-cols-[minmax(0,1fr)] gap-6 lg:grid-cols-[minmax(0,1fr)_26rem]">
        <section aria-labelledby="read-out">
          <h2 id="read-out" className="mb-2">
            Read out before the first cut
          </h2>
          <ul className="flex flex-col gap-2 text-lg">
            {text.cautions.map((caution) => (
              <li key={caution.id} className="border-l-4 border-loud pl-3">
                <strong>{caution.title}.</strong> {caution.text}
              </li>
            ))}
          </ul>
          <p className="mt-3">
            <strong>First aid:</strong> {text.firstAid || 'nobody is named yet'}. <strong>Kit:</strong>{' '}
            {text.kit || 'place not named yet'}.
          </p>
          {text.localRules && (
            <p className="mt-2 whitespace-pre-line">
              <strong>Here:</strong> {text.localRules}
            </p>
          )}
          <p className="mt-3 text-sm text-muted">{text.deference}</p>
          {mayChange && <NotesForm notes={notes} text={text} sap={sap} />}
        </section>
        <section aria-labelledby="who">
          <h2 id="who" className="mb-2">
            Who has heard and acknowledged it
          </h2>
          <Problem>{names.problem?.message}</Problem>
          {people.length === 0 && <p className="board">Nobody is on the roster yet. Fill it on the Plan page.</p>}
          <ul>
            {people.map((person) => (
              <Listener
                key={person.id}
                person={person}
                mayChange={mayChange}
                names={names}
                address={address}
                contentHash={contentHash}
              />
            ))}
          </ul>
        </section>
      </div>
    </>
  );
}

interface ListenerProps {
  person: Person;
  mayChange: BriefingBoardProps['mayChange'];
  names: Pick<ReturnType<typeof useSend>, 'run' | 'busy'>;
  address: string;
  contentHash: BriefingBoardProps['contentHash'];
}

/** Somebody on the roster, and whether they have heard it. */
function Listener({ person, mayChange, names, address, contentHash }: ListenerProps) {
  return (
    <li className="flex min-h-12 items-center justify-between gap-3 border-b border-line py-1">
      <span>
        <span className="inline-block w-8 font-bold tabular-nums">{person.seat}</span>
        {person.name}
      </span>
      {person.current ? (
        <span className="flex items-center gap-3 text-sm">
          acknowledged {formatDate(person.at!.slice(0, 10))}
          {mayChange && (
            <button
              type="button"
              className="min-h-11 cursor-pointer underline"
              disabled={names.busy}
              onClick={() => void names.run('DELETE', `${address}/${person.id}`)}
            >
              Take back<span className="sr-only"> {person.name}</span>
            </button>
          )}
        </span>
      ) : (
        <span className="flex items-center gap-3 text-sm">
          <span className="font-bold">{person.at ? 'heard older words' : 'not briefed'}</span>
          {mayChange && (
            <button
              type="button"
              className="bench-button"
              disabled={names.busy}
              onClick={() => void names.run('PUT', `${address}/${person.id}`, { contentHash })}
            >
              Acknowledges<span className="sr-only">, {person.name}</span>
            </button>
          )}
        </span>
      )}
    </li>
  );
}

interface NotesFormProps {
  notes: ReturnType<typeof useEntry>;
  text: BriefingBoardProps['text'];
  sap: BriefingBoardProps['sap'];
}

/** What the instructor adds. */
function NotesForm({ notes, text, sap }: NotesFormProps) {
  return (
    <form onSubmit={notes.submit} className="board mt-4 flex flex-col gap-3">
      <h2>What you add</h2>
      <Problem>{notes.problem}</Problem>
      <Field label="Trained in first aid" error={notes.errors.firstAid} hint="Who, and where they sit">
        <input {...notes.register('firstAid')} defaultValue={text.firstAid} maxLength={300} />
      </Field>
      <Field label="Where the kit is" error={notes.errors.kit}>
        <input {...notes.register('kit')} defaultValue={text.kit} maxLength={300} />
      </Field>
      <Field
        label="Local rules"
        error={notes.errors.localRules}
        hint="Minors, distances, disinfection, quarantine, whatever holds here"
      >
        <textarea {...notes.register('localRules')} rows={4} defaultValue={text.localRules} maxLength={2000} />
      </Field>
      <label className="flex min-h-11 items-center gap-2">
        <input type="checkbox" {...notes.register('sap')} defaultChecked={sap} className="size-5" />
        Wood whose sap irritates is on the bench
      </label>
      <button type="submit" className="bench-button self-start" data-weight="main" disabled={notes.busy}>
        Save
      </button>
      <p className="text-sm text-muted">
        Whoever was briefed before a change is asked again: they heard the old words.
      </p>
    </form>
  );
}
