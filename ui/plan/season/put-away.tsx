'use client';

import { useRouter } from 'next/navigation';
import { AskFirst } from '@/ui/kit/form/ask-first';
import { Problem } from '@/ui/kit/form/problem';
import { useSend } from '@/ui/kit/form/use-send';

/** Puts a workshop away, after asking. */
export function PutAway({ workshopId, title }: { workshopId: string; title: string }) {
  const router = useRouter();
  const { run, busy, problem } = useSend();
  const away = async (): Promise<void> => {
    const sent = await run('PUT', `/api/workshops/${workshopId}/put-away`, { away: true });
    if (sent?.ok) router.push('/season');
  };
  return (
    <>
      <Problem>{problem?.message}</Problem>
      <AskFirst
        question={`Put “${title}” away?`}
        meaning="It leaves the season and every list. Sticks booked for it stay booked. It can be brought back from the foot of the season."
        yes="Put it away"
        onYes={() => void away()}
        trigger={
          <button type="button" className="bench-button" disabled={busy}>
            Put it away
          </button>
        }
      />
    </>
  );
}

/** Brings one back. */
export function BringBack({ workshopId, title }: { workshopId: string; title: string }) {
  const { run, busy, problem } = useSend();
  return (
    <>
      <button
        type="button"
        className="bench-button"
        disabled={busy}
        onClick={() => void run('PUT', `/api/workshops/${workshopId}/put-away`, { away: false })}
      >
        Bring back<span className="sr-only"> {title}</span>
      </button>
      <Problem>{problem?.message}</Problem>
    </>
  );
}
