'use client';

import { useRouter } from 'next/navigation';
import { useCallback, useRef, useState, useTransition } from 'react';
import { send, type Sent } from './send';

type Problem = { message: string; fields: Record<string, string> } | null;

/** Sends one thing at a time: a second click while the first is under way is dropped. Refreshes the page's data after success. */
export function useSend() {
  const router = useRouter();
  const busyNow = useRef(false);
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<Problem>(null);
  // The page still shows what was before; whoever makes a form anew from its version waits for this.
  const [refreshing, startRefresh] = useTransition();

  const run = useCallback(
    async <T>(...call: Parameters<typeof send>): Promise<Sent<T> | null> => {
      if (busyNow.current) return null;
      busyNow.current = true;
      setBusy(true);
      setProblem(null);
      const sent = await send<T>(...call);
      busyNow.current = false;
      setBusy(false);
      if (sent.ok) startRefresh(() => router.refresh());
      else setProblem({ message: sent.message, fields: sent.fields });
      return sent;
    },
    [router],
  );
  return { run, busy, refreshing, problem, setProblem };
}
