'use client';

import Link from 'next/link';
import { useState } from 'react';
import { counted } from '@/core/units/counted';
import { formatDate } from '@/core/units/iso-date';
import type { Reply } from '@/core/follow-up/reply/reply';
import { Problem } from '@/ui/kit/form/problem';
import { ReplyPlants } from './reply-plants';
import { useSend } from '@/ui/kit/form/use-send';

/** Replies by mail: those nobody could read stand first, whole, beside what to do. */
export function InboxBoard({ replies, mayChange }: { replies: readonly Reply[]; mayChange: boolean }) {
  const { run, busy, problem } = useSend();
  const [told, setTold] = useState('');
  const look = async (): Promise<void> => {
    const sent = await run<LettersFound>('POST', '/api/inbox');
    if (sent?.ok) setTold(turnWords(sent.data));
  };
  const readAgain = async ({ id }: Reply): Promise<void> => {
    const sent = await run<LettersFound>('POST', `/api/replies/${id}`);
    if (sent?.ok) setTold(sent.data.aside > 0 ? 'It still cannot be read.' : turnWords(sent.data));
  };
  const open = replies.filter(({ settled }) => !settled);
  return (
    <>
      {mayChange && (
        <div className="mb-3 flex flex-wrap items-center gap-3">
          <button type="button" className="bench-button" disabled={busy} onClick={() => void look()}>
            Look for new letters
          </button>
          <span role="status" className="font-bold">
            {told}
          </span>
          <Problem>{problem?.message}</Problem>
        </div>
      )}
      <section aria-labelledby="unread-title">
        <h2 id="unread-title">
          {open.length === 0 ? 'Nothing waits to be looked at' : `${counted(open.length, 'letter')} to look at`}
        </h2>
        <ul className="my-2 flex flex-col gap-4">
          {open.map((reply) => (
            <OpenLetter
              key={reply.id}
              reply={reply}
              mayChange={mayChange}
              busy={busy}
              run={run}
              readAgain={readAgain}
            />
          ))}
        </ul>
      </section>
      {open.length < replies.length && (
        <section aria-labelledby="read-title">
          <h2 id="read-title">Read, or looked at</h2>
          <ul className="divide-y divide-line">
            {replies
              .filter(({ settled }) => settled)
              .map((reply) => (
                <li key={reply.id}>
                  <details>
                    <summary className="min-h-11 cursor-pointer py-2">
                      {reply.person?.name ?? reply.from}: {reply.subject},{' '}
                      {reply.problem === '' ? counted(reply.answers, 'answer') : 'looked at'}
                      {reply.stopped ? ', no more letters wanted' : ''}
                    </summary>
                    <Letter reply={reply} />
                  </details>
                </li>
              ))}
          </ul>
        </section>
      )}
    </>
  );
}

interface OpenLetterProps {
  reply: Reply;
  mayChange: boolean;
  busy: boolean;
  run: ReturnType<typeof useSend>['run'];
  readAgain: (reply: Reply) => Promise<void>;
}

/** A letter to look at, whole, with what can be done about it. */
function OpenLetter({ reply, mayChange, busy, run, readAgain }: OpenLetterProps) {
  return (
    <li className="board border-l-8! border-l-loud!">
      <Letter reply={reply} />
      {mayChange && <ReplyPlants reply={reply} run={run} busy={busy} />}
      {mayChange && (
        <div className="mt-2 flex flex-wrap gap-2">
          {reply.person && (
            <Link className="bench-button" href={`/answers?search=${encodeURIComponent(reply.person.name)}`}>
              Enter what it says
            </Link>
          )}
          {reply.aside !== '' && (
            <button type="button" className="bench-button" disabled={busy} onClick={() => void readAgain(reply)}>
              Read it again
            </button>
          )}
          <button
            type="button"
            className="bench-button"
            disabled={busy}
            onClick={() => void run('PATCH', `/api/replies/${reply.id}`)}
          >
            Looked at
          </button>
        </div>
      )}
    </li>
  );
}

/** How many letters were read, put aside, and for nobody here. */
interface LettersFound {
  read: number;
  aside: number;
  nobodys: number;
}

function turnWords({ read, aside, nobodys }: LettersFound): string {
  if (read + aside + nobodys === 0) return 'Nothing new has come.';
  const words = [`${read === 0 ? 'No letter' : counted(read, 'letter')} read.`];
  if (aside > 0) words.push(`${counted(aside, 'letter')} put aside.`);
  if (nobodys > 0)
    words.push(`${counted(nobodys, 'letter')} for no club here: kept in the folder no-club of the inbox.`);
  return words.join(' ');
}

function Letter({ reply }: { reply: Reply }) {
  const { from, person, subject, text, sentOn, problem, aside, stopped } = reply;
  return (
    <>
      {problem !== '' && <p className="font-bold">Not read: {problem}</p>}
      {stopped && <p className="font-bold">They want no more letters. They get none, and were told so once.</p>}
      {aside === '' ? (
        <>
          <p className="text-sm text-muted">
            {person ? `${person.name}, ` : ''}
            {from || 'no sender'}
            {sentOn ? `, ${formatDate(sentOn)}` : ''}; {subject || 'no subject'}
          </p>
          <p className="mt-1 max-w-prose border-l-4 border-line pl-3 whitespace-pre-wrap">{text || 'Nothing in it.'}</p>
        </>
      ) : (
        <p className="text-sm text-muted">
          The file <code>{aside}</code> lies in the folder <code>put-aside</code> of the inbox. Open it there with a
          mail program, and enter what it says.
        </p>
      )}
    </>
  );
}
