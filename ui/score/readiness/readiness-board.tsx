'use client';

import { percent } from '@/core/units/percent';
import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { SheetDialog } from '@/ui/kit/form/sheet-dialog';
import { useEntry } from '@/ui/kit/form/use-entry';
import { CurveChart } from './curve-chart';
import { type ReadinessPerson, type ReadinessBoardProps, PersonRow } from './person-row';

/** Who is ready, who will be, who will not be without help; and who may make keepers. */
export function ReadinessBoard({
  workshopId,
  mayChange,
  rule,
  planned,
  minutesLeft,
  over,
  people,
}: ReadinessBoardProps) {
  const [shown, setShown] = useState(
    (people.find(({ needsHelp }) => needsHelp) ?? people.find(({ line }) => line) ?? people[0]!).seatId,
  );
  const [asking, setAsking] = useState<{ people: ReadinessPerson[]; may: boolean } | null>(null);
  const person = people.find(({ seatId }) => seatId === shown) ?? people[0]!;
  const help = people.filter(({ needsHelp }) => needsHelp);
  const unready = people.filter(({ ready }) => !ready);
  const shut = people.filter(({ open }) => !open);
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] items-start gap-6 lg:grid-cols-[minmax(0,1fr)_27rem]">
      <section aria-label="Everybody" className="min-w-0">
        {!over && help.length > 0 && <HelpNotice minutesLeft={minutesLeft} help={help} planned={planned} />}
        {over && unready.length > 0 && (
          <p className="mb-3 border-l-4 border-ink bg-sheet px-3 py-2">
            <strong>Not ready when the day ended: {namesOf(unready)}.</strong> They have something to come back for.
          </p>
        )}
        <ul className="divide-y divide-line border-y border-line">
          {people.map((person) => (
            <PersonRow
              key={person.seatId}
              person={person}
              shown={shown}
              setShown={setShown}
              rule={rule}
              mayChange={mayChange}
              setAsking={setAsking}
            />
          ))}
        </ul>
        {mayChange && shut.length > 1 && (
          <button type="button" className="bench-button mt-3" onClick={() => setAsking({ people: shut, may: true })}>
            Let all {shut.length} through
          </button>
        )}
      </section>
      <PersonCurve person={person} rule={rule} over={over} minutesLeft={minutesLeft} />
      {asking && (
        <Permit
          key={asking.people.map(({ seatId }) => seatId).join()}
          workshopId={workshopId}
          {...asking}
          onClose={() => setAsking(null)}
        />
      )}
    </div>
  );
}

const namesOf = (people: ReadinessPerson[]): string => people.map(({ number, name }) => `${number} ${name}`).join(', ');

/** Lets people through, or keeps them back, with a word why; it is kept. */
function Permit({
  workshopId,
  people,
  may,
  onClose,
}: {
  workshopId: string;
  people: ReadinessPerson[];
  may: boolean;
  onClose: () => void;
}) {
  const [permitId] = useState(() => uuid());
  const { register, submit, errors, problem, busy } = useEntry(
    () => import('@/core/score/readiness/permit-input').then(({ permitInput }) => permitInput.pick(['reason'])),
    async ({ reason }, { run }) => {
      const sent = await run('PUT', `/api/workshops/${workshopId}/keeper-permits/${permitId}`, {
        seatIds: people.map(({ seatId }) => seatId),
        may,
        reason: reason as string,
      });
      if (sent?.ok) onClose();
    },
  );
  return (
    <SheetDialog
      title={may ? 'Let through to living wood' : 'Keep back from living wood'}
      description={`${people.map(({ number, name }) => `${number} ${name}`).join(', ')}. Your name and the reason are kept with it.`}
      open
      onOpenChange={(open) => {
        if (!open) onClose();
      }}
    >
      <form onSubmit={submit} className="flex flex-col gap-3" noValidate>
        <Problem>{problem}</Problem>
        <Field label="Why" error={errors.reason}>
          <input
            {...register('reason')}
            maxLength={300}
            autoComplete="off"
            placeholder={may ? 'works with somebody beside them' : 'wants one more safe cut first'}
          />
        </Field>
        <button type="submit" className="bench-button self-start" data-weight="main" disabled={busy}>
          {may ? 'Let through' : 'Keep back'}
        </button>
      </form>
    </SheetDialog>
  );
}

interface PersonCurveProps {
  person: ReadinessPerson;
  rule: ReadinessBoardProps['rule'];
  over: ReadinessBoardProps['over'];
  minutesLeft: ReadinessBoardProps['minutesLeft'];
}

/** The curve of the person that is picked. */
function PersonCurve({ person, rule, over, minutesLeft }: PersonCurveProps) {
  return (
    <section aria-labelledby="curve-title" className="board lg:sticky lg:top-4">
      <h2 id="curve-title">
        {person.number} {person.name}
      </h2>
      <CurveChart attempts={person.attempts} line={person.line} rule={rule} />
      <p className="mt-1 text-sm">
        {person.outlook?.next ? (
          <>
            The next union lies at about <strong>{Math.round(person.outlook.next.mean)}</strong> on this hand&apos;s
            curve (90&nbsp;%: {Math.round(person.outlook.next.from)} to {Math.round(person.outlook.next.to)}). Dots are
            unions; hollow ones are fatal, crossed ones recut.
          </>
        ) : (
          <>
            Where this hand is going is not known yet:{' '}
            {person.attempts.length < 4
              ? 'four scored unions are the least to tell by'
              : 'its scores still lie too far apart to tell within 30 points'}
            .
          </>
        )}
      </p>
      {!over && !person.ready && person.within !== null && (
        <p className="mt-1 text-sm">
          {person.left === 0
            ? minutesLeft === null
              ? 'No planned practice union is left.'
              : 'The day has no time for another union.'
            : `Chance to be ready within the ${person.left} ${minutesLeft === null ? 'left of the plan' : 'the day still has time for'}: ${percent(person.within)}.`}
          {person.minutes ? ` About ${Math.round(person.minutes / 5) * 5} minutes of cutting.` : ''}
        </p>
      )}
    </section>
  );
}

interface HelpNoticeProps {
  minutesLeft: ReadinessBoardProps['minutesLeft'];
  help: ReadinessPerson[];
  planned: ReadinessBoardProps['planned'];
}

/** Who will hardly be ready. */
function HelpNotice({ minutesLeft, help, planned }: HelpNoticeProps) {
  return (
    <p className="mb-3 border-l-4 border-loud bg-sheet px-3 py-2">
      <strong>
        {minutesLeft === null ? 'Will hardly be ready by what is planned' : 'Will hardly be ready today without help'}:{' '}
        {namesOf(help)}.
      </strong>{' '}
      {minutesLeft === null
        ? `More likely than not the ${planned} practice unions of the plan will not do.`
        : minutesLeft === 0
          ? 'By the day’s plan no time for cutting is left.'
          : `More likely than not the ${minutesLeft} minutes of cutting left by the day’s plan will not do.`}{' '}
      Sit down beside them, or plan more.
    </p>
  );
}
