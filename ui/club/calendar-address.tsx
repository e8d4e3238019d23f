'use client';

import { useState } from 'react';
import { Problem } from '@/ui/kit/form/problem';
import { useSend } from '@/ui/kit/form/use-send';

/** The private address of a member's calendar: shown once, replaced or withdrawn. */
export function CalendarAddress({ has }: { has: boolean }) {
  const { run, busy, problem } = useSend();
  const [url, setUrl] = useState('');
  const make = async (): Promise<void> => {
    const sent = await run<{ url: string }>('POST', '/api/calendar-address');
    if (sent?.ok) setUrl(sent.data.url);
  };
  const withdraw = async (): Promise<void> => {
    const sent = await run('DELETE', '/api/calendar-address');
    if (sent?.ok) setUrl('');
  };
  return (
    <>
      <p className="mb-2 max-w-prose">
        What the plants that stay with us want, looks at them, and visits: in the calendar of your phone, with a
        reminder in the morning. Whoever has the address can read it, so keep it to yourself.
      </p>
      <Problem>{problem?.message}</Problem>
      {url !== '' && (
        <p className="mb-2" role="status">
          Subscribe to this address; it is shown this once: <code className="break-all font-bold">{url}</code>
        </p>
      )}
      {url === '' && has && <p className="mb-2">You have an address. A new one takes its place.</p>}
      <p className="flex flex-wrap gap-2">
        <button type="button" className="bench-button" disabled={busy} onClick={() => void make()}>
          {has ? 'Make a new address' : 'Make an address'}
        </button>
        {has && (
          <button type="button" className="bench-button" disabled={busy} onClick={() => void withdraw()}>
            Withdraw it
          </button>
        )}
      </p>
    </>
  );
}
