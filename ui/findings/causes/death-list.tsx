'use client';

import Link from 'next/link';
import { useState } from 'react';
import { type DeathLine, sureWords } from '@/core/findings/causes/death-view';
import { formatDate } from '@/core/units/iso-date';
import { isAskedBlind } from './cause-panel';
import { OpenDeath } from './open-death';

const FIRST = 30;

interface DeathListProps {
  deaths: readonly DeathLine[];
  overYears: boolean;
  maySettle: boolean;
  mayStrike: boolean;
}

/** Every death with what is said of it; opened, with all that speaks for and against. */
export function DeathList({ deaths, overYears, maySettle, mayStrike }: DeathListProps) {
  const [all, setAll] = useState(false);
  const [open, setOpen] = useState<string | null>(null);
  if (deaths.length === 0) return null;
  const shown = all ? deaths : deaths.slice(0, FIRST);
  return (
    <section aria-labelledby="deaths-title">
      <h2 id="deaths-title">Each that died</h2>
      <ul className="grid gap-1">
        {shown.map((death) => (
          <li key={death.unionId} className="border-b border-line">
            <div className="grid grid-cols-[minmax(0,1fr)] items-center gap-x-4 gap-y-1 py-1 md:grid-cols-[6rem_minmax(0,1fr)_auto]">
              <button
                type="button"
                className="min-h-11 cursor-pointer text-left text-lg font-bold underline"
                aria-expanded={open === death.unionId}
                onClick={() => setOpen(open === death.unionId ? null : death.unionId)}
              >
                {death.called}
              </button>
              <span>
                {maySettle && isAskedBlind(death) ? (
                  <strong>To be judged by a person first. </strong>
                ) : (
                  verdictWords(death)
                )}
                <span className="text-sm text-muted">
                  {' '}
                  {death.variety} on {death.stock}, {death.method.toLowerCase()}, by {death.maker}; seen dead{' '}
                  {formatDate(death.deadOn)}
                </span>
              </span>
              {death.problem === '' && death.mayAsk && (
                <Link className="bench-button justify-self-start" href={guideOf(death)}>
                  Look into it
                </Link>
              )}
            </div>
            {open === death.unionId && (
              <OpenDeath line={death} overYears={overYears} maySettle={maySettle} mayStrike={mayStrike} />
            )}
          </li>
        ))}
      </ul>
      {!all && deaths.length > FIRST && (
        <button type="button" className="bench-button mt-2" onClick={() => setAll(true)}>
          Show all {deaths.length}
        </button>
      )}
    </section>
  );
}

/** Where the guide asks of a union. */
export function guideOf({ href, unionId }: Pick<DeathLine, 'href' | 'unionId'>): string {
  return `${href}/why?union=${unionId}`;
}

function verdictWords({ settled, verdict, likely, problem }: DeathLine) {
  if (problem !== '') return <strong className="text-loud">{problem}</strong>;
  if (settled)
    return (
      <>
        <strong>{settled.words}</strong>, settled.
      </>
    );
  if (verdict)
    return (
      <>
        <strong>{verdict.words}</strong>, {sureWords(verdict.share)}.
      </>
    );
  return (
    <>
      <strong>Not known</strong>, likely among: {likely.join('; ')}.
    </>
  );
}
