'use client';

import { use, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { Waiting } from '@/ui/kit/device/device-database';
import { nextTry } from '@/ui/kit/device/next-try';
import { sendRound } from '@/ui/kit/device/send-round';
import { allWaiting, keepWaiting, type NewWaiting, onWaiting } from '@/ui/kit/device/waiting-queue';
import type { BenchState, LoadedMethods } from './bench-data';
import { loadMethods } from './load-methods';
import { type Link, useBenchState } from './use-bench-state';
import { withWaiting } from './with-waiting';

/** Between two looks into a queue where nothing waits, ms. */
const IDLE = 10_000;
/** While somebody scores, what waits is tried again every few seconds however often it failed. */
const MOST_DOUBLINGS = 2;

export interface LiveBench {
  state: BenchState;
  /** The methods of the bench, loaded. */
  loaded: LoadedMethods;
  /** Everything this device keeps for the server, of any workshop and assessor; null until it was looked up. */
  waiting: Waiting[] | null;
  link: Link;
  /** Server's clock less the device's, ms. */
  clock: number;
  /** Keeps something for the server; when it resolves, `waiting` has it. */
  keep: (item: NewWaiting) => Promise<void>;
  sendNow: () => Promise<void>;
  /** Asks the server how the bench stands. */
  refresh: () => Promise<void>;
}

/**
 * The bench as it stands: the last state the server gave, with what waits on this device on top.
 * Sends what waits whenever the server can be reached.
 */
export function useBench(initial: BenchState): LiveBench {
  const { fresh, link, clock, refresh, setLink } = useBenchState(initial);
  // A method that another device brought in is loaded when it is first heard of.
  const loaded = use(loadMethods(fresh.methods.map(({ id }) => id)));
  const { waiting, keep } = useWaiting();
  const sendNow = useSender(initial.assessor.id, waiting, { refresh, setLink });
  const state = useMemo(() => withWaiting(fresh, waiting ?? [], loaded), [fresh, waiting, loaded]);
  return { state, loaded, waiting, link, clock, keep, sendNow, refresh };
}

/** What this device keeps for the server, as it changes in this window or another. */
function useWaiting(): Pick<LiveBench, 'waiting' | 'keep'> {
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

const isOpen = ({ deliveredAt, refusal, assessor }: Waiting, me: string): boolean =>
  deliveredAt === null && refusal === null && assessor.id === me;

interface Bench {
  refresh: () => Promise<void>;
  setLink: (link: Link) => void;
}

/** Sends what waits: at once, when the device comes back, and again after a while that grows with every failure. */
function useSender(me: string, waiting: Waiting[] | null, bench: Bench): () => Promise<void> {
  const sending = useRef<Promise<void> | null>(null);
  const again = useRef(false);
  const failures = useRef(0);
  const live = useRef(bench);
  useEffect(() => {
    live.current = bench;
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
