'use client';

import { use, useMemo } from 'react';
import type { Waiting } from '@/ui/kit/device/device-database';
import { type Link, useSender } from '@/ui/kit/device/use-sender';
import { useWaiting } from '@/ui/kit/device/use-waiting';
import type { NewWaiting } from '@/ui/kit/device/waiting-queue';
import type { BenchState, LoadedMethods } from './bench-data';
import { loadMethods } from './load-methods';
import { useBenchState } from './use-bench-state';
import { withWaiting } from './with-waiting';

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
