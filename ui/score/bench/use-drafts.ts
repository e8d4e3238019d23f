'use client';

import { useCallback, useSyncExternalStore } from 'react';
import type { Entry } from './entry';

/** An entry with the steps that led to it, so that each can be undone. */
export interface Draft {
  /** Id the judgement will be saved under, made once so that every retry carries the same. */
  judgementId: string;
  entry: Entry;
  past: Entry[];
  /** The method it is entered by; what an earlier build left knew the workshop's alone. */
  method?: string;
  /** Number of the union whose judgement this corrects, or null for a new one. */
  correcting: number | null;
  /** Number of the union that this scores as its second assessor, or null. */
  second: number | null;
}

type Drafts = Record<string, Draft>;

const NONE: Drafts = {};
const listeners = new Set<() => void>();
const parsed = new Map<string, { text: string; drafts: Drafts }>();

function readDrafts(key: string): Drafts {
  const text = localStorage.getItem(key);
  if (!text) return NONE;
  const known = parsed.get(key);
  if (known?.text === text) return known.drafts;
  try {
    const drafts = JSON.parse(text) as Drafts;
    parsed.set(key, { text, drafts });
    return drafts;
  } catch {
    // Not of our writing: begin afresh.
    localStorage.removeItem(key);
    return NONE;
  }
}

/** Drafts with that of one seat or keeper changed, or taken off. */
export function withDraft(drafts: Drafts, draftKey: string, draft: Draft | null): Drafts {
  const others = Object.fromEntries(Object.entries(drafts).filter(([id]) => id !== draftKey));
  return draft ? { ...others, [draftKey]: draft } : others;
}

/** Drafts by seat or keeper, kept on the device, so that neither another seat nor a closed browser loses one. */
export function useDrafts(owner: string) {
  const key = `pear-bench entries ${owner}`;
  const subscribe = useCallback((listener: () => void) => {
    listeners.add(listener);
    // Another window of this browser may have the same bench open.
    window.addEventListener('storage', listener);
    return () => {
      listeners.delete(listener);
      window.removeEventListener('storage', listener);
    };
  }, []);
  const drafts = useSyncExternalStore(
    subscribe,
    () => readDrafts(key),
    () => NONE,
  );
  const setDraft = useCallback(
    (draftKey: string, draft: Draft | null) => {
      const drafts = withDraft(readDrafts(key), draftKey, draft);
      const text = JSON.stringify(drafts);
      localStorage.setItem(key, text);
      // What was written is known: reading it back at each key would make all of it anew.
      parsed.set(key, { text, drafts });
      for (const listener of listeners) listener();
    },
    [key],
  );
  return { drafts, setDraft };
}
