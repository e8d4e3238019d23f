'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import { v7 as uuid } from 'uuid';
import type { TeachingState } from '@/core/teach/teaching-state';
import { send } from '@/ui/kit/form/send';

export interface Teaching {
  state: TeachingState;
  /** Device time at which the run-down ends, ms; null while none runs. */
  endsAt: number | null;
  connected: boolean;
  problem: string;
  /** Shows something else: at once here, then on every screen of the workshop. */
  show: (change: Change & { timer?: number }) => void;
}

type Change = Partial<Pick<TeachingState, 'step' | 'panel' | 'blank' | 'briefing'>>;

/** Keys wait for one another: an answer that does not come holds the next ones up no longer than this, ms. */
const PATIENCE = 4000;

const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

/**
 * The projector's state, followed as it changes. The line is reopened when it breaks, and the
 * first event on a new line is a snapshot, so a screen that was away comes back at the right step.
 */
export function useTeaching(workshopId: string, initial: TeachingState): Teaching {
  const [state, setState] = useState(initial);
  const [endsAt, setEndsAt] = useState<number | null>(null);
  const [connected, setConnected] = useState(false);
  const [problem, setProblem] = useState('');
  /** What the server last said, and the changes of this device that it has not answered yet, in their order. */
  const told = useRef(initial);
  const waiting = useRef(new Map<string, Change>());
  const line = useRef(Promise.resolve());
  const address = `/api/workshops/${workshopId}/teaching`;

  /** What was pressed here stands over what comes in: an echo of an earlier key never turns a later one back. */
  const shown = useCallback(
    (): TeachingState => Object.assign({}, told.current, ...waiting.current.values()) as TeachingState,
    [],
  );
  const take = useCallback(
    (next: TeachingState): void => {
      // An answer that was overtaken on its way is old.
      if (next.seq >= told.current.seq) {
        told.current = next;
        setEndsAt(next.timer ? Date.now() + next.timer.left : null);
      }
      setState(shown());
    },
    [shown],
  );

  useEffect(() => {
    let source: EventSource | null = null;
    let again: ReturnType<typeof setTimeout>;
    let gone = false;
    const open = (): void => {
      source = new EventSource(address);
      source.onopen = () => setConnected(true);
      source.onmessage = (event) => {
        setConnected(true);
        setProblem('');
        take(JSON.parse(String(event.data)) as TeachingState);
      };
      source.onerror = () => {
        setConnected(false);
        // A line that was refused is closed for good by the browser; open another.
        if (source?.readyState === EventSource.CLOSED && !gone) again = setTimeout(open, 1500);
      };
    };
    open();
    return () => {
      gone = true;
      clearTimeout(again);
      source?.close();
    };
  }, [address, take]);

  const show = useCallback<Teaching['show']>(
    ({ timer, ...change }) => {
      const changeId = uuid();
      waiting.current.set(changeId, change);
      const { step, panel, blank, briefing } = shown();
      setState(shown());
      const body = { changeId, step, panel, blank, briefing, timer: timer ?? null };
      const attempt = async (left: number): Promise<void> => {
        const sent = await send<TeachingState>('PUT', address, body, PATIENCE);
        if (!sent.ok && (sent.status === 0 || sent.status >= 500) && left > 0) {
          // The same change under the same id: made once however often it arrives.
          await pause(1000);
          return attempt(left - 1);
        }
        waiting.current.delete(changeId);
        setProblem(sent.ok ? '' : sent.message);
        take(sent.ok ? sent.data : told.current);
      };
      // One after the other: two keys pressed quickly arrive in the order they were pressed.
      line.current = line.current.then(() => attempt(5));
    },
    [address, shown, take],
  );
  return { state, endsAt, connected, problem, show };
}
