'use client';

import { AskFirst } from '@/ui/kit/form/ask-first';
import { Problem } from '@/ui/kit/form/problem';
import { useSend } from '@/ui/kit/form/use-send';

/** A session of the reader, its times in words of their zone. */
export interface SessionLine {
  id: string;
  device: string;
  since: string;
  seen: string;
  keptOffline: boolean;
  here: boolean;
}

/** Where one is signed in, to sign out there. */
export function SessionsBoard({ sessions }: { sessions: SessionLine[] }) {
  const { run, busy, problem } = useSend();
  const others = sessions.filter(({ here }) => !here).length;
  return (
    <div className="flex flex-col gap-3">
      <Problem>{problem?.message}</Problem>
      <ul className="divide-y divide-line border-y border-line">
        {sessions.map((session) => (
          <li key={session.id} className="flex flex-wrap items-center justify-between gap-3 py-2">
            <span>
              <strong>{session.device || 'A device of unknown kind'}</strong>
              {session.here && <span className="ml-2 border-2 border-ink px-1.5 text-sm font-bold">this one</span>}
              <span className="block text-sm text-muted">
                since {session.since}, last used {session.seen}
                {session.keptOffline ? '; keeps a bench for no reception' : ''}
              </span>
            </span>
            {!session.here && (
              <button
                type="button"
                className="bench-button"
                disabled={busy}
                onClick={() => void run('DELETE', `/api/sessions/${session.id}`)}
              >
                Sign out<span className="sr-only"> of {session.device}</span>
              </button>
            )}
          </li>
        ))}
      </ul>
      {others > 0 && (
        <AskFirst
          question="Sign out everywhere else?"
          meaning="Benches kept on those devices go on scoring, and ask to sign in before they send what waits."
          yes="Sign out there"
          onYes={() => void run('DELETE', '/api/sessions')}
          trigger={
            <button type="button" className="bench-button self-start" disabled={busy}>
              Sign out everywhere else
            </button>
          }
        />
      )}
      <p className="text-sm text-muted">
        A session ends by itself after a fortnight, and after a day without use unless its device keeps a bench.
      </p>
    </div>
  );
}
