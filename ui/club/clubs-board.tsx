'use client';

import { Problem } from '@/ui/kit/form/problem';
import { useSend } from '@/ui/kit/form/use-send';

interface ClubLine {
  clubId: string;
  name: string;
  role: string;
  asked: boolean;
}

/** The clubs one belongs to, and those that ask. */
export function ClubsBoard({ clubs, here }: { clubs: ClubLine[]; here: string }) {
  const { run, busy, problem } = useSend();
  const answer = (clubId: string, said: 'yes' | 'no'): void =>
    void run('PUT', `/api/invitations/${clubId}`, { answer: said });
  return (
    <div className="flex flex-col gap-3">
      <Problem>{problem?.message}</Problem>
      <ul className="divide-y divide-line border-y border-line">
        {clubs.map((club) => (
          <li key={club.clubId} className="flex flex-wrap items-center justify-between gap-3 py-2">
            <span>
              <strong>{club.name}</strong>{' '}
              <span className="text-muted">{club.asked ? `asks you to join as ${club.role}` : club.role}</span>
            </span>
            {club.asked ? (
              <span className="flex gap-2">
                <button
                  type="button"
                  className="bench-button"
                  data-weight="main"
                  disabled={busy}
                  onClick={() => answer(club.clubId, 'yes')}
                >
                  Yes, join<span className="sr-only"> {club.name}</span>
                </button>
                <button
                  type="button"
                  className="bench-button"
                  disabled={busy}
                  onClick={() => answer(club.clubId, 'no')}
                >
                  No<span className="sr-only"> to {club.name}</span>
                </button>
              </span>
            ) : club.clubId === here ? (
              <span className="text-muted">you are here</span>
            ) : (
              <button
                type="button"
                className="bench-button"
                disabled={busy}
                onClick={() => void run('PUT', '/api/session/club', { clubId: club.clubId })}
              >
                Go on in {club.name}
              </button>
            )}
          </li>
        ))}
      </ul>
    </div>
  );
}
