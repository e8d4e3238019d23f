'use client';

import { percent } from '@/core/units/percent';
import { permitInput } from '@/core/score/readiness/permit-input';
import { useState, type Dispatch, type SetStateAction } from 'react';
import { v7 as uuid } from 'uuid';
import type { Attempt, ReadyRule } from '@/core/score/readiness/ready-rule';
import { Field } from '@/ui/kit/form/field';
import { Problem } from '@/ui/kit/form/problem';
import { SheetDialog } from '@/ui/kit/form/sheet-dialog';
import { useEntry } from '@/ui/kit/form/use-entry';
import { CurveChart } from './curve-chart';

export interface ReadinessPerson {
  seatId: string;
  number: number;
  name: string;
  attempts: Attempt[];
  ready: boolean;
  open: boolean;
  said: { may: boolean; reason: string; by: string } | null;
  outlook: { next: { mean: number; from: number; to: number } | null; attempts: number | null; beyond: boolean } | null;
  /** Unions that the day still has time for, or on other days planned ones not made yet. */
  left: number;
  minutes: number | null;
  needsHelp: boolean;
  within: number | null;
  line: { n: number; mean: number; half: number }[] | null;
}

interface ReadinessBoardProps {
  workshopId: string;
  mayChange: boolean;
  rule: ReadyRule;
  planned: number;
  /** Minutes of cutting the day still has; null on another day. */
  minutesLeft: number | null;
  /** The day lies behind. */
  over: boolean;
  people: ReadinessPerson[];
}

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

function Scores({ attempts, rule }: { attempts: Attempt[]; rule: ReadyRule }) {
  return (
    <>
      {attempts.map(({ score, fatal, recut }, i) => (
        <span
          key={i}
          className={`mr-2 inline-block ${fatal ? 'text-loud line-through' : recut ? 'text-muted line-through' : (score ?? 0) >= rule.score ? 'font-bold' : ''}`}
        >
          {score === null ? '–' : Math.round(score)}
          {fatal && <span className="sr-only"> fatal</span>}
          {recut && <span className="sr-only"> recut</span>}
        </span>
      ))}
    </>
  );
}

function Outlook({ person: { outlook, attempts } }: { person: ReadinessPerson }) {
  if (!outlook || outlook.attempts === null)
    return <span className="text-muted">{attempts.length < 4 ? 'too early to tell' : 'not known'}</span>;
  if (outlook.beyond) return <strong>not in sight</strong>;
  const more = Math.ceil(outlook.attempts);
  return (
    <span>
      about <strong>{more}</strong> more {more === 1 ? 'union' : 'unions'}
    </span>
  );
}

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
    permitInput.pick(['reason']),
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

interface PersonRowProps {
  person: ReadinessPerson;
  shown: string;
  setShown: Dispatch<SetStateAction<string>>;
  rule: ReadinessBoardProps['rule'];
  mayChange: ReadinessBoardProps['mayChange'];
  setAsking: Dispatch<SetStateAction<{ people: ReadinessPerson[]; may: boolean } | null>>;
}

/** How ready one person is. */
function PersonRow({ person, shown, setShown, rule, mayChange, setAsking }: PersonRowProps) {
  return (
    <li
      className={`grid grid-cols-[2.2rem_minmax(0,1fr)] items-center sm:grid-cols-[2.2rem_minmax(0,1fr)_auto] gap-x-3 gap-y-1 border-l-4 py-1.5 pl-2 ${person.seatId === shown ? 'border-l-ink bg-mist' : 'border-l-transparent'}`}
    >
      <span className="text-xl font-bold">{person.number}</span>
      <button
        type="button"
        className="min-h-11 min-w-0 cursor-pointer text-left"
        aria-pressed={person.seatId === shown}
        onClick={() => setShown(person.seatId)}
      >
        <span className="block truncate font-bold underline decoration-1 underline-offset-4">{person.name}</span>
        <span className="block text-sm tabular-nums">
          {person.attempts.length === 0 ? (
            <span className="text-muted">no union scored</span>
          ) : (
            <Scores attempts={person.attempts} rule={rule} />
          )}
        </span>
      </button>
      <span className="col-start-2 text-sm sm:col-start-auto sm:max-w-[22rem] sm:text-right">
        {person.ready ? <strong className="text-life">ready</strong> : <Outlook person={person} />}
        {mayChange && (
          <button
            type="button"
            className="ml-4 min-h-9 cursor-pointer font-bold underline underline-offset-4"
            onClick={() => setAsking({ people: [person], may: !person.open })}
          >
            {person.open ? 'Keep back' : 'Let through'}
            <span className="sr-only"> {person.name}</span>
          </button>
        )}
        {person.said && (
          <span className="block text-muted">
            {person.said.may ? 'let through' : 'kept back'} by {person.said.by}: {person.said.reason}
          </span>
        )}
      </span>
    </li>
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
