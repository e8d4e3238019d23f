'use client';

import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { Method } from '@/core/methods/method';
import { deviceDatabase, type Waiting } from '@/ui/kit/device/device-database';
import { nextTry } from '@/ui/kit/device/next-try';
import { SEND_PATIENCE, sendRound } from '@/ui/kit/device/send-round';
import { allWaiting, dropWaiting, keepWaiting, type NewWaiting, onWaiting } from '@/ui/kit/device/waiting-queue';
import { type BenchChanges, type BenchState, latestOf, withChanges } from './bench-data';
import { withWaiting } from './with-waiting';

/** How often the bench is asked for while it is looked at, ms. */
const REFRESH = 10_000;
/** While somebody scores, what waits is tried again every few seconds however often it failed. */
const MOST_DOUBLINGS = 2;
/** After this long the whole bench is asked for and not only what changed: who came, the rubric, the room. */
const WHOLE = 120_000;

export type Link = 'online' | 'unreachable' | 'signed-out' | 'other-assessor';

export interface LiveBench {
  state: BenchState;
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
 * The bench as it stands: the last state the server gave, also from an earlier day of no reception,
 * with what waits on this device on top. Sends what waits whenever the server can be reached.
 */
export function useBench(initial: BenchState, method: Method): LiveBench {
  const [fresh, setFresh] = useState(initial);
  const [waiting, setWaiting] = useState<Waiting[] | null>(null);
  const [link, setLink] = useState<Link>('online');
  const [clock, setClock] = useState(0);
  const latest = useRef(initial);
  const wholeAt = useRef(0);
  const { id: workshopId } = initial.workshop;
  const me = initial.assessor.id;
  const key = `${workshopId}/${me}`;

  const refresh = useCallback(async (): Promise<void> => {
    const began = Date.now();
    const whole = began - wholeAt.current > WHOLE;
    let answer: Response;
    let stored: unknown;
    try {
      answer = await fetch(`/api/workshops/${workshopId}/bench${whole ? '' : `?since=${latest.current.takenAt}`}`, {
        signal: AbortSignal.timeout(SEND_PATIENCE),
      });
      stored = answer.ok ? await answer.json() : null;
    } catch {
      return setLink('unreachable');
    }
    if (answer.status === 401) return setLink('signed-out');
    if (!answer.ok) return setLink('unreachable');
    if ((stored as BenchState | BenchChanges).assessor.id !== me) return setLink('other-assessor');
    const next = whole ? (stored as BenchState) : withChanges(latest.current, stored as BenchChanges);
    if (whole) wholeAt.current = began;
    // An answer that was overtaken on its way is old; what it lacks is asked for again.
    if (latestOf(latest.current, next) === next) {
      latest.current = next;
      setFresh(next);
      setClock(next.takenAt - Date.now());
      await (await deviceDatabase()).put('benches', { key, bench: next });
    }
    setLink('online');
    // What had arrived before this state was read is in it.
    const kept = await allWaiting();
    await dropWaiting(
      kept
        .filter(
          ({ deliveredAt, workshopId: workshop }) =>
            deliveredAt !== null && (workshop !== workshopId || deliveredAt < began),
        )
        .map(({ order }) => order!),
    );
  }, [workshopId, me, key]);

  const keep = useCallback(async (item: NewWaiting): Promise<void> => {
    await keepWaiting(item);
    // Nobody is to read that it is saved beside a strip that says nothing waits. It is kept, though, also if it cannot be read now.
    await allWaiting().then(setWaiting, () => undefined);
  }, []);

  const sending = useRef<Promise<void> | null>(null);
  const again = useRef(false);
  const failures = useRef(0);
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
        if (outcome !== 'done') setLink(outcome);
        else if (before > 0) await refresh();
        const left = (await allWaiting()).some(
          ({ deliveredAt, refusal, assessor }) => deliveredAt === null && refusal === null && assessor.id === me,
        );
        failures.current = left ? failures.current + 1 : 0;
      } while (again.current);
    };
    sending.current = round().finally(() => {
      sending.current = null;
    });
    return sending.current;
  }, [me, refresh]);

  useEffect(() => {
    let gone = false;
    const read = (): void =>
      void allWaiting().then((all) => {
        if (!gone) setWaiting(all);
      });
    const unlisten = onWaiting(read);
    read();
    void deviceDatabase()
      .then((db) => db.get('benches', key))
      .then((kept) => {
        const known = kept?.bench as BenchState | undefined;
        if (gone || !known || known.takenAt <= latest.current.takenAt) return;
        latest.current = known;
        setFresh(known);
      });
    return () => {
      gone = true;
      unlisten();
    };
  }, [key]);

  const open =
    waiting !== null &&
    waiting.some(
      ({ deliveredAt, refusal, assessor }) => deliveredAt === null && refusal === null && assessor.id === me,
    );
  useEffect(() => {
    const work = async (): Promise<void> => {
      await sendNow();
      if (document.visibilityState === 'visible') await refresh();
    };
    let timer: ReturnType<typeof setTimeout>;
    const again = async (): Promise<void> => {
      await work();
      if (!stopped)
        timer = setTimeout(
          () => void again(),
          open ? nextTry(Math.min(failures.current, MOST_DOUBLINGS), Math.random()) : REFRESH,
        );
    };
    let stopped = false;
    void again();
    const now = (): void => {
      failures.current = 0;
      void work();
    };
    window.addEventListener('online', now);
    document.addEventListener('visibilitychange', now);
    return () => {
      stopped = true;
      clearTimeout(timer);
      window.removeEventListener('online', now);
      document.removeEventListener('visibilitychange', now);
    };
  }, [sendNow, refresh, open]);

  const state = useMemo(() => withWaiting(fresh, waiting ?? [], method), [fresh, waiting, method]);
  return { state, waiting, link, clock, keep, sendNow, refresh: refresh };
}
