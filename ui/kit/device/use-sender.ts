'use client';

import { useCallback, useEffect, useRef } from 'react';
import type { Waiting } from './device-database';
import { nextTry } from './next-try';
import type { Outcome } from './send-waiting';
import { sendRound } from './send-round';
import { allWaiting } from './waiting-queue';

/** How the way to the server is. */
export type Link = 'online' | Exclude<Outcome, 'done' | 'elsewhere'>;

/** Between two looks into a queue where nothing waits, ms. */
const IDLE = 10_000;
/** While somebody works, what waits is tried again every few seconds however often it failed. */
const MOST_DOUBLINGS = 2;

const isOpen = ({ deliveredAt, refusal, assessor }: Waiting, me: string): boolean =>
  deliveredAt === null && refusal === null && assessor.id === me;

/** The page that shows what waits. */
interface Page {
  /** Asks the server how things stand after something was delivered. */
  refresh: () => Promise<void>;
  setLink: (link: Link) => void;
}

/** Sends what waits: at once, when the device comes back, and again after a while that grows with every failure. */
export function useSender(me: string, waiting: Waiting[] | null, page: Page): () => Promise<void> {
  const sending = useRef<Promise<void> | null>(null);
  const again = useRef(false);
  const failures = useRef(0);
  const live = useRef(page);
  useEffect(() => {
    live.current = page;
  });
  const sendNow = useCallback(async (): Promise<void> => {
    // One round at a time; whoever asks meanwhile gets another round after it.
    if (sending.current) {
      again.current = true;
      return sending.current;
    }
    const round = async (): Promise<void> => {
      do {
        again.current = false;
        const before = (await allWaiting()).filter(({ deliveredAt }) => deliveredAt === null).length;
        const outcome = await sendRound(me);
        // Another window sends: what it delivers is seen in the queue.
        if (outcome === 'elsewhere') break;
        if (outcome !== 'done') live.current.setLink(outcome);
        else if (before > 0) await live.current.refresh();
        failures.current = (await allWaiting()).some((item) => isOpen(item, me)) ? failures.current + 1 : 0;
      } while (again.current);
    };
    sending.current = round().finally(() => {
      sending.current = null;
    });
    return sending.current;
  }, [me]);

  const open = waiting !== null && waiting.some((item) => isOpen(item, me));
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout>;
    let stopped = false;
    const repeat = async (): Promise<void> => {
      await sendNow();
      if (!stopped)
        timer = setTimeout(
          () => void repeat(),
          open ? nextTry(Math.min(failures.current, MOST_DOUBLINGS), Math.random()) : IDLE,
        );
    };
    void repeat();
    const now = (): void => {
      failures.current = 0;
      void sendNow();
    };
    window.addEventListener('online', now);
    document.addEventListener('visibilitychange', now);
    return () => {
      stopped = true;
      clearTimeout(timer);
      window.removeEventListener('online', now);
      document.removeEventListener('visibilitychange', now);
    };
  }, [sendNow, open]);
  return sendNow;
}
