'use client';

import { useCallback, useSyncExternalStore } from 'react';
import type { Stage } from '@/core/methods/method';
import type { Sample } from '@/core/score/readiness/keeper-sample';

/** What this device has at hand at a bench: the method chosen last at each seat, and how keepers are judged. */
export interface AtHand {
  methodOf: Readonly<Record<string, string>>;
  keeperStage: Stage;
  sample: Sample;
}

const FIRST: AtHand = { methodOf: {}, keeperStage: 'joined', sample: 'all' };
const listeners = new Set<() => void>();
const parsed = new Map<string, { text: string; atHand: AtHand }>();

function read(key: string): AtHand {
  const text = localStorage.getItem(key);
  if (!text) return FIRST;
  const known = parsed.get(key);
  if (known?.text === text) return known.atHand;
  try {
    const atHand = { ...FIRST, ...(JSON.parse(text) as Partial<AtHand>) };
    parsed.set(key, { text, atHand });
    return atHand;
  } catch {
    // Not of our writing: begin afresh.
    localStorage.removeItem(key);
    return FIRST;
  }
}

/** What is at hand at the bench of a workshop, kept on the device. */
export function useAtHand(workshopId: string): AtHand & { remember: (change: Partial<AtHand>) => void } {
  const key = `pear-bench at hand ${workshopId}`;
  const subscribe = useCallback((listener: () => void) => {
    listeners.add(listener);
    return () => void listeners.delete(listener);
  }, []);
  const atHand = useSyncExternalStore(
    subscribe,
    () => read(key),
    () => FIRST,
  );
  const remember = useCallback(
    (change: Partial<AtHand>) => {
      localStorage.setItem(key, JSON.stringify({ ...read(key), ...change }));
      for (const listener of listeners) listener();
    },
    [key],
  );
  return { ...atHand, remember };
}
