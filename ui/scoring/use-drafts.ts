'use client';

import { useCallback, useSyncExternalStore } from 'react';
import type { Entry } from './entry';

/** An entry with the steps that led to it, so that each can be undone. */
export interface Draft {
  /** Id the judgement will be saved under, made once so that every retry carries the same. */
  judgementId: string;
  entry: Entry;
  past: Entry[];
  /** An attempt to save failed in a way that leaves open whether it arrived. */
  unsure: boolean;
  /** Number of the union whose judgement this corrects, or null for a new one. */
  correcting: number | null;
}

type Drafts = Record<string, Draft>;

const NONE: Drafts = {};
const listeners = new Set<() => void>();
const parsed = new Map<string, { text: string; drafts: Drafts }>();

function readDrafts(key: string): Drafts {
  const text = sessionStorage.getItem(key);
  if (!text) return NONE;
  const known = parsed.get(key);
  if (known?.text === text) return known.drafts;
  try {
    const drafts = JSON.parse(text) as Drafts;
    parsed.set(key, { text, drafts });
    return drafts;
  } catch {
    // Not of our writing: begin afresh.
    sessionStorage.removeItem(key);
    return NONE;
  }
}

/** Drafts by seat, kept in the browser's session, so that neither another seat nor a reload loses one. */
export function useDrafts(workshopId: string) {
  const key = `pear-bench entries ${workshopId}`;
  const subscribe = useCallback((listener: () => void) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  }, []);
  const drafts = useSyncExternalStore(subscribe, () => readDrafts(key), () => NONE);
  const setDraft = useCallback(
    (seatId: string, draft: Draft | null) => {
      const others = Object.fromEntries(Object.entries(readDrafts(key)).filter(([id]) => id !== seatId));
      sessionStorage.setItem(key, JSON.stringify(draft ? { ...others, [seatId]: draft } : others));
      for (const listener of listeners) listener();
    },
    [key],
  );
  return { drafts, setDraft };
}
