'use client';

import { useCallback, useEffect, useState } from 'react';
import type { Waiting } from './device-database';
import { allWaiting, keepWaiting, type NewWaiting, onWaiting } from './waiting-queue';

/** What this device keeps for the server, as it changes in this window or another. */
export function useWaiting(): {
  /** Everything, of any workshop and assessor; null until it was looked up. */
  waiting: Waiting[] | null;
  /** Keeps something for the server; when it resolves, `waiting` has it. */
  keep: (item: NewWaiting) => Promise<void>;
} {
  const [waiting, setWaiting] = useState<Waiting[] | null>(null);
  useEffect(() => {
    let gone = false;
    const read = (): void =>
      void allWaiting().then((all) => {
        if (!gone) setWaiting(all);
      });
    const unlisten = onWaiting(read);
    read();
    return () => {
      gone = true;
      unlisten();
    };
  }, []);
  const keep = useCallback(async (item: NewWaiting): Promise<void> => {
    await keepWaiting(item);
    // Nobody is to read that it is saved beside a strip that says nothing waits. It is kept, though, also if it cannot be read now.
    await allWaiting().then(setWaiting, () => undefined);
  }, []);
  return { waiting, keep };
}
