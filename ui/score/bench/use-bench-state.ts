'use client';

import { QueryClient, useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { deviceDatabase } from '@/ui/kit/device/device-database';
import type { Link } from '@/ui/kit/device/use-sender';
import { SEND_PATIENCE } from '@/ui/kit/device/send-round';
import { allWaiting, dropWaiting } from '@/ui/kit/device/waiting-queue';
import { type BenchChanges, type BenchState, latestOf, withChanges } from './bench-data';

/** How often the bench is asked for while it is looked at, ms. */
const REFRESH = 10_000;
/** After this long the whole bench is asked for and not only what changed: who came, the rubric, the room. */
const WHOLE = 120_000;

/** Why the bench could not be read. */
class Unread extends Error {
  constructor(readonly link: Exclude<Link, 'online'>) {
    super(link);
  }
}

/** Reads that a page keeps fresh; nothing is tried again by itself, since the next reading comes soon. */
export function benchQueries(): QueryClient {
  return new QueryClient({ defaultOptions: { queries: { retry: false, networkMode: 'always', gcTime: Infinity } } });
}

/**
 * The last state of the bench the server gave, also from an earlier day of no reception; asked for while somebody
 * looks at it, when they come back to it, and whenever `refresh` is called.
 */
export function useBenchState(initial: BenchState): {
  fresh: BenchState;
  link: Link;
  clock: number;
  refresh: () => Promise<void>;
  setLink: (link: Link) => void;
} {
  const { id: workshopId } = initial.workshop;
  const key = `${workshopId}/${initial.assessor.id}`;
  const latest = useRef(initial);
  const wholeAt = useRef(0);
  const [fresh, setFresh] = useState(initial);
  const [clock, setClock] = useState(0);
  const [sender, setSender] = useState<Link | null>(null);
  const { error, refetch } = useQuery({
    queryKey: ['bench', key],
    queryFn: async ({ signal }) => {
      const began = Date.now();
      const whole = began - wholeAt.current > WHOLE;
      const asked = await askBench(workshopId, whole ? null : latest.current.takenAt, signal);
      if (asked.assessor.id !== initial.assessor.id) throw new Unread('other-assessor');
      const next = whole ? (asked as BenchState) : withChanges(latest.current, asked as BenchChanges);
      if (whole) wholeAt.current = began;
      // An answer that was overtaken on its way is old; what it lacks is asked for again.
      if (latestOf(latest.current, next) === next) {
        latest.current = next;
        setFresh(next);
        setClock(next.takenAt - Date.now());
        await (await deviceDatabase()).put('benches', { key, bench: next });
      }
      setSender(null);
      await dropArrived(workshopId, began);
      return next.takenAt;
    },
    refetchInterval: REFRESH,
    refetchOnWindowFocus: 'always',
    refetchOnReconnect: 'always',
  });
  useEffect(() => {
    let gone = false;
    void deviceDatabase()
      .then((db) => db.get('benches', key))
      .then((kept) => {
        const known = kept?.bench as BenchState | undefined;
        // What an earlier build kept knew one method and no keepers: the page itself is newer.
        if (gone || !known?.methods || known.takenAt <= latest.current.takenAt) return;
        latest.current = known;
        setFresh(known);
      });
    return () => {
      gone = true;
    };
  }, [key]);
  // What else fails here, such as the store of this device, says nothing about the server.
  const reading: Link = error instanceof Unread ? error.link : 'online';
  return {
    fresh,
    link: sender ?? reading,
    clock,
    refresh: async () => void (await refetch()),
    setLink: setSender,
  };
}

async function askBench(
  workshopId: string,
  since: number | null,
  signal: AbortSignal,
): Promise<BenchState | BenchChanges> {
  const unreachable = (): never => {
    throw new Unread('unreachable');
  };
  const answer = await fetch(`/api/workshops/${workshopId}/bench${since === null ? '' : `?since=${since}`}`, {
    signal: AbortSignal.any([signal, AbortSignal.timeout(SEND_PATIENCE)]),
  }).catch(unreachable);
  if (answer.status === 401) throw new Unread('signed-out');
  if (!answer.ok) return unreachable();
  // A body that breaks off on its way is no answer either.
  return (await answer.json().catch(unreachable)) as BenchState | BenchChanges;
}

/** What had arrived before a state was read is in it. */
async function dropArrived(workshopId: string, began: number): Promise<void> {
  const kept = await allWaiting();
  await dropWaiting(
    kept
      .filter(
        ({ deliveredAt, workshopId: workshop }) =>
          deliveredAt !== null && (workshop !== workshopId || deliveredAt < began),
      )
      .map(({ order }) => order!),
  );
}
