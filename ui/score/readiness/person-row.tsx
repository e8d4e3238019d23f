'use client';

import type { Dispatch, SetStateAction } from 'react';
import type { Attempt, ReadyRule } from '@/core/score/readiness/ready-rule';

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

export interface ReadinessBoardProps {
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

interface PersonRowProps {
  person: ReadinessPerson;
  shown: string;
  setShown: Dispatch<SetStateAction<string>>;
  rule: ReadinessBoardProps['rule'];
  mayChange: ReadinessBoardProps['mayChange'];
  setAsking: Dispatch<SetStateAction<{ people: ReadinessPerson[]; may: boolean } | null>>;
}

/** How ready one person is. */
export function PersonRow({ person, shown, setShown, rule, mayChange, setAsking }: PersonRowProps) {
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
