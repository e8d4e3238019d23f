'use client';

import Link from 'next/link';
import { counted } from '@/core/units/counted';
import { useState, type Dispatch, type SetStateAction } from 'react';
import { AskFirst } from '../form/ask-first';
import { type Waiting, WAYS } from './device-database';
import { STUCK } from './send-waiting';
import { changeWaiting, dropWaiting } from './waiting-queue';

interface WaitingStripProps {
  /** The page it stands on, to come back to. */
  here: string;
  /** The day whose roster is the place to look when a seat was not found. */
  workshopId?: string;
  /** What one can go on with while there is no reception. */
  goOn: string;
  assessorId: string;
  waiting: readonly Waiting[] | null;
  link: 'online' | 'unreachable' | 'signed-out' | 'other-assessor';
  onSend: () => Promise<void>;
}

/** What this device keeps for the server, always in sight: how much, why it waits, and what was refused. */
export function WaitingStrip({ waiting, ...rest }: WaitingStripProps) {
  if (waiting === null)
    return (
      <section aria-label="Waiting on this device" className="mb-1 text-sm text-muted">
        <p role="status">Looking what this device keeps…</p>
      </section>
    );
  return <Known {...rest} waiting={waiting} />;
}

function Known({
  here,
  workshopId,
  goOn,
  assessorId,
  waiting,
  link,
  onSend,
}: WaitingStripProps & { waiting: readonly Waiting[] }) {
  const [listed, setListed] = useState(false);
  const open = waiting.filter(({ deliveredAt }) => deliveredAt === null);
  const mine = open.filter(({ assessor, refusal }) => assessor.id === assessorId && refusal === null);
  const stuck = mine.filter(({ stumbles = 0 }) => stumbles >= STUCK);
  const soon = mine.length - stuck.length;
  const refused = open.filter(({ refusal }) => refusal !== null);
  const others = [
    ...new Map(
      open
        .filter(({ assessor, refusal }) => assessor.id !== assessorId && refusal === null)
        .map(({ assessor }) => [assessor.id, assessor.name]),
    ).entries(),
  ].map(([id, name]) => ({ name, theirs: open.filter(({ assessor }) => assessor.id === id) }));
  const quiet = link === 'online' && open.length === 0;
  return (
    <section
      aria-label="Waiting on this device"
      data-link={link}
      data-waiting={mine.length}
      className={quiet ? 'mb-1 text-sm text-muted' : 'mb-3 flex flex-col gap-2 border-l-4 border-ink bg-mist px-3 py-2'}
    >
      {quiet ? (
        <p role="status">Nothing waits on this device; everything is on the server.</p>
      ) : (
        <WaitingHead
          link={link}
          mine={mine}
          soon={soon}
          setListed={setListed}
          listed={listed}
          onSend={onSend}
          here={here}
          goOn={goOn}
        />
      )}
      {listed && mine.length > 0 && (
        <ul className="flex flex-wrap gap-x-4 gap-y-1 text-sm" aria-label="What waits">
          {mine.map((item) => (
            <li key={item.order}>
              <strong>{item.called}</strong> {WAYS[item.kind].back ? 'to be taken back' : ''}
              {item.tries > 0 ? ' tried' : ''}
            </li>
          ))}
        </ul>
      )}
      {stuck.map((item) => (
        <StuckItem key={item.order} item={item} onSend={onSend} />
      ))}
      {others.map(({ name, theirs }) => (
        <p key={name} className="text-sm">
          {things(theirs)} of {name} {theirs.length === 1 ? 'waits' : 'wait'} here too, until {name} signs in on this
          device.
        </p>
      ))}
      {refused.map((item) => (
        <RefusedItem key={item.order} item={item} onSend={onSend} />
      ))}
      {workshopId !== undefined && refused.length > 0 && (
        <p className="text-sm">
          <Link href={`/workshops/${workshopId}/plan`}>The roster on the Plan page</Link> is the place to look when a
          seat was not found.
        </p>
      )}
    </section>
  );
}

/** One the server keeps failing at, shown by itself: the others have gone past it. */
function StuckItem({ item, onSend }: { item: Waiting; onSend: () => Promise<void> }) {
  const times = item.stumbles ?? 0;
  return (
    <div
      role="group"
      aria-label={`${item.called} does not get through`}
      className="flex flex-wrap items-center gap-2 border-l-4 border-ink bg-sheet px-2 py-1"
    >
      <p className="grow">
        <strong>{item.called} does not get through.</strong> The server gave no usable answer to it {times} times. The
        rest goes on without it; it stays safe on this device and is tried again by itself.
      </p>
      <button
        type="button"
        className="bench-button"
        onClick={() => void changeWaiting(item.order!, { notBefore: 0 }).then(onSend)}
      >
        Try {item.called} now
      </button>
      <WhatItHolds item={item} />
    </div>
  );
}

function WhatItHolds({ item }: { item: Waiting }) {
  return (
    <details className="w-full text-sm">
      <summary className="min-h-9 cursor-pointer py-1">What it holds</summary>
      <pre className="overflow-x-auto">{JSON.stringify(item.body, null, 1)}</pre>
    </details>
  );
}

interface RefusedItemProps {
  item: Waiting;
  onSend: () => Promise<void>;
}

/** What was refused, and what can be done with it. */
function RefusedItem({ item, onSend }: RefusedItemProps) {
  return (
    <div role="alert" className="flex flex-wrap items-center gap-2 border-l-4 border-loud bg-sheet px-2 py-1">
      <p className="grow">
        <strong>{item.called} was refused:</strong> {item.refusal}
      </p>
      <button
        type="button"
        className="bench-button"
        onClick={() => void changeWaiting(item.order!, { refusal: null }).then(onSend)}
      >
        Send again
      </button>
      <AskFirst
        question={`Throw ${item.called} away?`}
        meaning="It is nowhere else, so it cannot be brought back."
        yes="Throw it away"
        onYes={() => void dropWaiting([item.order!])}
        trigger={
          <button type="button" className="bench-button">
            Throw away
          </button>
        }
      />
      <WhatItHolds item={item} />
    </div>
  );
}

interface WaitingHeadProps {
  link: 'online' | 'unreachable' | 'signed-out' | 'other-assessor';
  mine: Waiting[];
  soon: number;
  setListed: Dispatch<SetStateAction<boolean>>;
  listed: boolean;
  onSend: () => Promise<void>;
  here: string;
  goOn: string;
}

/** What waits, and how the line is. */
function WaitingHead({ link, mine, soon, setListed, listed, onSend, here, goOn }: WaitingHeadProps) {
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
      <p role="status" className="grow">
        <strong>
          {link === 'online'
            ? ''
            : link === 'unreachable'
              ? 'No reception. '
              : link === 'signed-out'
                ? 'You are signed out. '
                : 'Somebody else is signed in now. '}
        </strong>
        {mine.length === 0
          ? link === 'unreachable'
            ? goOn
            : link === 'online'
              ? ''
              : 'Nothing of yours waits on this device.'
          : `${things(mine)} ${mine.length === 1 ? 'waits' : 'wait'} on this device${link === 'online' && soon > 0 ? ' and will be sent in a moment' : link === 'unreachable' ? ' and will be sent when there is reception again' : ''}.`}
      </p>
      {mine.length > 0 && (
        <button type="button" className="bench-button" onClick={() => setListed(!listed)} aria-expanded={listed}>
          {listed ? 'Hide them' : 'Show them'}
        </button>
      )}
      {link === 'unreachable' && (
        <button type="button" className="bench-button" onClick={() => void onSend()}>
          Try now
        </button>
      )}
      {/* A whole load, so that the page belongs to whoever signs in. */}
      {link === 'signed-out' && (
        <a className="bench-button" data-weight="main" href={`/sign-in?next=${encodeURIComponent(here)}`}>
          Sign in to send them
        </a>
      )}
      {link === 'other-assessor' && (
        <a className="bench-button" href={here}>
          Open this page as they see it
        </a>
      )}
    </div>
  );
}

/** How many of what: judgements, or entries where there are others among them. */
function things(items: readonly Waiting[]): string {
  const judgements = items.every(({ kind }) => kind === 'judgement' || kind === 'withdrawal');
  return counted(items.length, judgements ? 'judgement' : 'entry', judgements ? 'judgements' : 'entries');
}
